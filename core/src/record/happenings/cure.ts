import { choice, maybe, number, record, say, tempC } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { CURES_MADE } from '../kinds.ts';
import type { CureMade } from '../kinds.ts';

/** What was done, as the log and Rounds say it. */
export function cureTold({ cure, toC }: { cure: CureMade; toC?: number | null | undefined }): Sentence {
  switch (cure) {
    case 'warm':
      return toC === undefined || toC === null ? ['warming it'] : say`warming it to ${tempC(toC)}`;
    case 'cool':
      return toC === undefined || toC === null ? ['cooling it'] : say`cooling it to ${tempC(toC)}`;
    case 'rouse':
      return ['degassed and roused'];
    case 'raise pH':
      return ['raised its pH by the first half'];
    case 'feed':
      return ['fed for the stall'];
  }
}

/** One change that was made for a stall; to what temperature, where it was that. */
export const cure = happening({
  shape: record({ cure: choice(...CURES_MADE), toC: maybe(number(0, 40)) }),
  apply: ({ care }, { cure, toC }, { at }) => {
    care.cures.push({ at, cure, toC: toC ?? null });
  },
  says: cureTold,
  corrects: [],
});
