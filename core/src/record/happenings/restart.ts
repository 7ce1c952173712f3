import { SG_RANGE, gravity, number, numberAbove, record, say, volumeL } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** A starter is begun for what is stuck: how much of it, at which gravity. */
export const restart = happening({
  shape: record({ volumeL: numberAbove(0, 2000, [0.5, 5]), sg: number(SG_RANGE.low, SG_RANGE.high, [1.01, 1.1]) }),
  apply: ({ care }, { volumeL, sg }, { at }) => {
    care.restart = { at, volumeL, sg, doneAt: {} };
  },
  says: (payload) => say`began a starter for ${volumeL(payload.volumeL)} at ${gravity(payload.sg)}`,
  corrects: [],
});
