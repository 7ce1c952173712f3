import { mgPerL, percent, say } from '../../../quantities/index.ts';
import type { Sentence } from '../../../quantities/index.ts';
import type { StallEvidence } from '../evidence.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

/** What it had of its nitrogen while that was of use, and when each part came. */
function nitrogenTold({ nitrogenShare, nitrogenCame: came, needMg, volumeL }: StallEvidence): Sentence {
  const parts: [number, string][] = [
    [came.inMustMg, ' in the must'],
    [came.toThirdMg, ' fed before a third of the sugar was gone'],
    [came.toHalfMg, ' before half of it was'],
    [came.lateMg, ' too late to be of use'],
  ];
  const told = parts
    .filter(([mg]) => mg / volumeL >= LEAST_TOLD_MG_PER_L)
    .flatMap(([mg, where], i): Sentence => [i === 0 ? '' : ', ', mgPerL(mg / volumeL), where]);
  return [
    ...say`It had ${percent(100 * nitrogenShare)} of the ${mgPerL(needMg / volumeL)} that it needs, while that was of use`,
    ...(told.length > 0 ? [': ', ...told] : []),
    '.',
  ];
}
/** Less is not worth a word. */
const LEAST_TOLD_MG_PER_L = 1;

export const nitrogen: StallCause = {
  id: 'nitrogen',
  name: 'Too little nitrogen',
  usual: 0.9,
  weigh: (evidence) => {
    const { nitrogenShare } = evidence;
    const weight = nitrogenShare < 0.4 ? 3.5 : nitrogenShare < 0.7 ? 1.5 : nitrogenShare < 0.85 ? -0.5 : -3.5;
    return [finding(weight, nitrogenTold(evidence))];
  },
  check: say`Look through the record for doses that were given and not written down.`,
};
