import { traitsOf } from '../../watch/index.ts';
import { smellCauses, smellsOfSulfur } from '../../feed/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { asked } from '../ask.ts';
import type { AskRule } from '../ask.ts';

export const sulfur: AskRule = {
  asks: ({ ledger, feeding, state, now }) => {
    if (feeding === null || traitsOf(state.phase).isPaced !== true || !smellsOfSulfur(ledger, now)) return null;
    const [first] = smellCauses(feeding, ledger, now);
    if (first === undefined) return null;
    const why: Sentence = first.verdict === 'blamed' ? [...first.evidence, ' ', ...first.next] : ['Nothing in its record explains it.'];
    const at = ledger.history.marks.sulfur;
    return asked(at ?? 0, 'swinging', at ?? now, ['It smells of sulfur. ', ...why], 'feed');
  },
};
