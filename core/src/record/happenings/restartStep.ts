import { record, whole } from '../../quantities/index.ts';
import { happening } from '../happening.ts';

/** Which of the starter’s steps was done, from 0. */
export const restartStep = happening({
  shape: record({ index: whole(0, 20, [0, 4]) }),
  apply: ({ care }, { index }, { at }) => {
    if (care.restart !== null) care.restart.doneAt[index] = at;
  },
  says: ({ index }) => [`starter: step ${index + 1} done`],
  corrects: [],
});
