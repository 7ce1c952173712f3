import { DAY_MS, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { mixedOf, othersPoured } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';

/** How long a mead wants to rest before it is at its best, months, by strength and kind (our estimates from makers’ habits). */
const REST_MONTHS = [
  { toAbv: 8, fruit: { low: 1, high: 4 }, honey: { low: 1, high: 4 } },
  { toAbv: 13, fruit: { low: 3, high: 9 }, honey: { low: 4, high: 12 } },
  { toAbv: 25, fruit: { low: 6, high: 18 }, honey: { low: 9, high: 36 } },
] as const;

/** Months from the pitch on in which it is likely to come round; null for an empty vessel. The maker's tongue decides. */
export function restMonths(ledger: Ledger): { low: number; high: number } | null {
  const mixed = mixedOf(ledger);
  if (mixed === null) return null;
  const kind = othersPoured(ledger).some(({ family }) => family === 'fruit' || family === 'juice') ? 'fruit' : 'honey';
  return (REST_MONTHS.find(({ toAbv }) => mixed.abv <= toAbv) ?? REST_MONTHS[2])[kind];
}

/** What gives its taste by days: wood quickly, spice quicker; taste so often (our estimates). */
const TASTE_EVERY_DAYS = { spice: 2, tannin: 7, herb: 2, zest: 2, tea: 2 } as const;
type Infused = keyof typeof TASTE_EVERY_DAYS;
const isInfused = (family: string): family is Infused => family in TASTE_EVERY_DAYS;

export interface TasteBy {
  eventId: string;
  name: string;
  dueAt: number;
  sentence: Sentence;
}

/** What lies in the mead after fermentation and gives more taste each day: when to taste next. Tasting counts from the last note of it. */
export function tasteNext(ledger: Ledger, finishedAt: number): TasteBy[] {
  const tastedAt = ledger.history.marks.tasting ?? Number.NEGATIVE_INFINITY;
  return ledger.history.pours
    .filter(({ at, family, isOut }) => at >= finishedAt && isOut !== true && isInfused(family))
    .filter(({ insolubleG }) => insolubleG > 0)
    .map(({ eventId, name, family, at }) => {
      const dueAt = Math.max(at, tastedAt) + (isInfused(family) ? TASTE_EVERY_DAYS[family] : 7) * DAY_MS;
      return {
        eventId,
        name,
        dueAt,
        sentence: say`Taste the ${name}: lift it out a little before it is enough, since it goes on for days.`,
      };
    });
}
