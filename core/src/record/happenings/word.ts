import { choice, record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { GATES_BY_WORD } from '../kinds.ts';

/** A gate that its maker opens by word, where nobody can be hurt: taste and look are the maker's own. */
export const word = happening({
  shape: record({ gate: choice(...GATES_BY_WORD), says: text(200, { whenMissing: 'Say in a few words why; they stay on record.' }) }),
  apply: ({ history }, { gate, says }, { at }) => {
    history.words[gate] = { at, says };
  },
  says: ({ gate, says }) => [`${gate}, by your word: “${says}”`],
  corrects: [{ name: 'says', label: 'your words', kind: 'text' }],
});
