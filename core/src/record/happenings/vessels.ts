import { record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { filledBy, intoShape, intoTold } from './into.ts';

/** Which vessels it stands in, and how much in each: told, not poured. */
export const vessels = happening({
  shape: record({ into: intoShape }),
  apply: ({ history }, { into }) => {
    history.vessels = filledBy(into);
  },
  says: ({ into }) => [...say`stands: `, ...intoTold(into)],
  corrects: [],
});
