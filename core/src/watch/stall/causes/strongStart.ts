import { gravity, say } from '../../../quantities/index.ts';
import { finding } from './cause.ts';
import type { StallCause } from './cause.ts';

export const strongStart: StallCause = {
  id: 'strong start',
  name: 'Too strong from the start',
  usual: 0.3,
  weigh: ({ startSg, shareGone }) => {
    if (startSg < 1.118) return [finding(-3, say`${gravity(startSg)} is a start that yeast can bear.`)];
    return [
      finding(startSg > 1.13 ? 2.5 : 1, say`It began at ${gravity(startSg)}: so much sugar presses on yeast from the first hour.`),
      ...(shareGone < 0.5 ? [finding(0.5, say`It stopped in its first half.`)] : []),
    ];
  },
  check: say`Look whether it was slow from the first days on.`,
};
