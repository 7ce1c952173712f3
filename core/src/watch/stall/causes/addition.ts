import { say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const addition: StallCause = {
  id: 'addition',
  name: 'Acid or sugar added at once',
  usual: 0.2,
  weigh: ({ addedBefore }) =>
    addedBefore.length > 0
      ? [finding(3.5, [`Within two days before it stopped went in: ${addedBefore.join(' and ')}.`])]
      : [finding(-4, say`Nothing went in within two days before it stopped.`)],
  check: say`Look whether something went in that was not written down.`,
};
