import { choice, maybe, record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { MARKS } from '../kinds.ts';
import { stepShape } from '../origin.ts';

export const note = happening({
  shape: record({ text: text(2000), mark: maybe(choice(...MARKS)), step: maybe(stepShape) }),
  apply: ({ history }, { mark }, { at }) => {
    if (mark !== undefined) history.marks[mark] = at;
  },
  says: (payload) => [payload.text],
  corrects: [{ name: 'text', label: 'note', kind: 'text' }],
});
