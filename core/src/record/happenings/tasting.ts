import { choice, flag, maybe, number, record, text } from '../../quantities/index.ts';
import { happening } from '../happening.ts';
import { DRINKS, SHEET_PARTS } from '../kinds.ts';
import type { SheetPart } from '../kinds.ts';

const line = maybe(text(300));
const sheetShape = record(Object.fromEntries(SHEET_PARTS.map((part) => [part, line])) as Record<SheetPart, typeof line>);

/** What somebody said of it, from the bottle or the vessel. */
export const tasting = happening({
  shape: record({
    words: text(2000, { whenMissing: 'A tasting begins with a word or two.' }),
    who: maybe(text(80)),
    sheet: maybe(sheetShape),
    score: maybe(
      record(
        { value: number(0, 1000, [0, 20]), of: number(1, 1000, [5, 100]) },
        { holds: ({ value, of }) => value <= of, says: 'A score cannot be above the top of its scale.' },
      ),
    ),
    drinks: maybe(choice(...DRINKS)),
    /** Which it was, the taster did not know. */
    blind: maybe(flag),
  }),
  apply: ({ history }, { words, who, sheet, score, drinks, blind }, { id: eventId, at }) => {
    history.marks.tasting = at;
    history.tastings.push({
      eventId,
      at,
      words,
      who: who ?? null,
      sheet: { ...sheet },
      score: score === undefined ? null : { ...score },
      drinks: drinks ?? null,
      isBlind: blind === true,
    });
  },
  says: ({ words, who, score }) => [
    `tasted${who === undefined ? '' : ` by ${who}`}: ${words}`,
    ...(score === undefined ? [] : [` (${score.value} of ${score.of})`]),
  ],
  corrects: [{ name: 'words', label: 'words', kind: 'text' }],
});
