import { describe } from 'vitest';
import { HOUR_MS } from '../quantities/index.ts';
import { viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { EXAMPLE_PRACTICE, MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import type { Happening } from '../testing/exampleBatch.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { doseFor, feedingNow, feedingPlanOf, smellCauses, smellsOfSulfur } from './index.ts';
import type { SmellCause } from './index.ts';

const at = (...more: Happening[]): Ledger => exampleBatch('allround', ...more);
const plan = feedingPlanOf(at(), EXAMPLE_PRACTICE)!;
const mark = (of: 'sulfur' | 'stirred'): EventContent => ({ kind: 'note', payload: { text: of, mark: of } });
const cause = (id: SmellCause['id'], hour: number, ...more: Happening[]): string =>
  smellCauses(plan, at(...more), MIXED_AT + hour * HOUR_MS).find((each) => each.id === id)!.verdict;
const organic = (massG: number, dose?: number): EventContent => ({
  kind: 'nutrient',
  payload: { source: 'organic', massG, ...(dose === undefined ? {} : { dose }) },
});
const read = (tempC: number): Happening => [20, { kind: 'reading', payload: { tempC } }];
const { low, high } = { low: 15, high: 25 };

/** What the next dose has grown by to make up for those that were missed. */
function grown(hour: number): number {
  const ledger = at();
  const next = feedingNow(plan, ledger, MIXED_AT + hour * HOUR_MS).doses.find(({ state }) => state === 'due')!;
  return next.parts[0]!.massG / (next.dose.parts[0]!.gPerL * viewOf(ledger)!.volumeL);
}

describe('feeding', () => {
  holdThresholds([
    [
      'SMELL_LASTS_H',
      (hours) => smellsOfSulfur(at([30, mark('sulfur')]), MIXED_AT + (30 + hours) * HOUR_MS),
      [119.9, true],
      [120.1, false],
    ],
    ['AIRED_H', (hours) => cause('oxygen', 20 + hours, [20, mark('stirred')]), [35.9, 'cleared'], [36.1, 'blamed']],
    ['read.tempC >= likes.low - 0.5', (c) => cause('temperature', 30, read(low - c)), [0.4, 'cleared'], [0.6, 'blamed']],
    ['read.tempC <= likes.high + 0.5', (c) => cause('temperature', 30, read(high + c)), [0.4, 'cleared'], [0.6, 'blamed']],
    [
      'TOGETHER_H',
      (hours) => doseFor(plan, at([26, organic(0.5, 1)]), { source: 'organic', massG: 0.5 }, MIXED_AT + (26 + hours) * HOUR_MS),
      [5.9, 1],
      [6.1, 2],
    ],
    ['SHORT_SHARE', (grams) => cause('nitrogen', 60, [26, organic(grams, 1)]), [28, 'blamed'], [29, 'cleared']],
    ['MOST_GROWTH', (hour) => Number(grown(hour).toFixed(2)), [50, 1.41], [75, 1.5]],
  ]);
});
