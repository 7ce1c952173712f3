import { choice, flag, record } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { STALL_CAUSES } from '../kinds.ts';

/** A maker looked whether this stopped it. */
export const finding = happening({
  shape: record({ cause: choice(...STALL_CAUSES), holds: flag }),
  apply: ({ care }, { cause, holds }) => {
    care.findings[cause] = holds;
  },
  says: ({ cause, holds }) => [`looked: ${cause === 'addition' ? 'what went in' : cause}, ${holds ? 'it is so' : 'it is not so'}`],
  corrects: [],
});
