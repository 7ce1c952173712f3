import { choice, maybe, record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { MARKS } from '../kinds.ts';
import { stepShape } from '../origin.ts';

export const note = happening({
  shape: record({ text: text(2000), mark: maybe(choice(...MARKS)), step: maybe(stepShape) }),
  apply: ({ history }, { mark, text: words }, { id: eventId, at }) => {
    if (mark !== undefined) history.marks[mark] = at;
    /** Tastings of old were notes. */
    if (mark === 'tasting') history.tastings.push({ eventId, at, words, who: null, sheet: {}, score: null, drinks: null, isBlind: false });
    if (mark === 'next time') history.nextTime.push({ eventId, at, text: words });
  },
  says: (payload) => [payload.text],
  corrects: [{ name: 'text', label: 'note', kind: 'text' }],
});
