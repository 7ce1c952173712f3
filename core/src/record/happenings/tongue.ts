import { choice, record } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { PRICKLES } from '../kinds.ts';

/** What the tongue says of the gas that is in it. */
export const tongue = happening({
  shape: record({ prickle: choice(...PRICKLES) }),
  apply: ({ history }, { prickle }, { at }) => {
    history.prickles.push({ at, prickle });
    if (prickle === 'none') history.marks.degassed = at;
    else if (history.marks.degassed !== undefined) delete history.marks.degassed;
  },
  says: ({ prickle }) => [prickle === 'none' ? 'no prickle on the tongue' : `${prickle} prickle on the tongue`],
  corrects: [],
});
