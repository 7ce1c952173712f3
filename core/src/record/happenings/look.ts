import { choice, list, record, say } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { LOOKS, SEEN_BESIDE } from '../kinds.ts';

/** A lamp and a printed word, seen through a glass of it. */
export const look = happening({
  shape: record({ through: choice(...LOOKS), beside: list(choice(...SEEN_BESIDE), 0, SEEN_BESIDE.length) }),
  apply: ({ history }, { through, beside }, { at }) => {
    history.looks.push({ at, through, beside: [...beside] });
    history.marks[through === 'print' ? 'clear' : 'hazy'] = at;
  },
  says: ({ through, beside }) => [
    ...say`through the glass: ${{ dark: 'dark', glow: 'a glow', edge: 'the lamp’s edge', blur: 'a blurred word', print: 'print' }[through]}`,
    ...beside.map((each) => `, ${each}`),
  ],
  corrects: [],
});
