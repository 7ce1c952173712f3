import { gasOf, gasStyleOf } from '../carbonate/index.ts';
import { allergensOf, so2MgPerL } from '../bottle/index.ts';
import type { Allergen } from '../bottle/index.ts';
import { bottlesLeft, colorsOf, meadBottled, viewOf } from '../record/index.ts';
import type { BottleRow, Ledger, Tasting } from '../record/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';
import { glassAlarm } from '../glass/index.ts';
import { bottlesIn } from './count.ts';
import { bottlesAlong, paceOf } from './pace.ts';
import type { Pace, StandingBottle } from './pace.ts';
import { firstOutBy, windowOf } from './window.ts';
import type { DrinkWindow } from './window.ts';

/** A bottled batch as it stands in the cellar. */
export interface CellarShelf {
  bottledAt: number;
  rows: readonly Immutable<BottleRow>[];
  filled: number;
  filledL: number;
  left: number;
  kept: number;
  window: DrinkWindow;
  /** The ones under a screw cap are to go by then, where others keep. */
  firstOutBy: number | null;
  stands: StandingBottle[];
  pace: Pace | null;
  /** Full ones that this pace does not reach in time. */
  late: number;
  tastings: readonly Immutable<Tasting>[];
  nextTime: readonly { readonly eventId: string; readonly at: number; readonly text: string }[];
  /** It is all gone, and nobody has said yet what it was. */
  wantsVerdict: boolean;
  isAlarm: boolean;
  place: string | null;
  /** As it went in. */
  went: { sg: number; abv: number; sugarGPerL: number; so2MgPerL: number; gas: { low: number; high: number; word: string } | null };
  allergens: Allergen[];
  /** What gives it its color, the strongest first. */
  colors: string[];
}

/** How a batch stands in the cellar; null where nothing of it is bottled. */
export function shelfOf(ledger: Ledger, now: number): CellarShelf | null {
  const { bottled, bottlesKept, tastings, nextTime, place, marks } = ledger.history;
  const mead = meadBottled(ledger);
  const view = mead === null ? null : viewOf(mead);
  const window = windowOf(ledger);
  if (bottled === null || mead === null || view === null || window === null) return null;
  const { bottles, liters } = bottlesIn(ledger);
  const left = Math.max(0, bottlesLeft(ledger));
  const stands = bottlesAlong(ledger, window, now);
  const gas = gasOf(ledger);
  return {
    bottledAt: bottled.at,
    rows: bottled.bottles.filter(({ count }) => count > 0),
    filled: bottles,
    filledL: liters,
    left,
    kept: Math.min(left, bottlesKept.count),
    window,
    firstOutBy: firstOutBy(ledger),
    stands,
    pace: paceOf(ledger),
    late: stands.filter((bottle) => bottle.is === 'late').length,
    tastings,
    nextTime,
    wantsVerdict: left === 0 && (marks.verdict ?? 0) < bottled.at,
    isAlarm: glassAlarm(ledger) !== null,
    place: place?.name ?? null,
    went: {
      sg: view.sg,
      abv: view.abv,
      sugarGPerL: view.sugarGPerL,
      so2MgPerL: so2MgPerL(mead),
      gas: gas === null ? null : { low: gas.low, high: gas.high, word: gasStyleOf(gas.high).name },
    },
    allergens: allergensOf(mead),
    colors: colorsOf(mead),
  };
}

/** What a shelf says today. */
export type Ripeness = 'rests' | 'drink' | 'best' | 'fading' | 'past' | 'gone';

/** How soon an end is spoken of (our estimate). */
export const SOON_DAYS = 56;

/** Where today lies in a window. */
export function ripenessOf({ window, left }: Pick<CellarShelf, 'window' | 'left'>, now: number): Ripeness {
  if (left === 0) return 'gone';
  if (now < window.restsUntil) return 'rests';
  if (now >= window.drinkBy) return 'past';
  if (now >= window.bestFrom && now < window.bestTo) return 'best';
  return now >= window.bestTo && now >= window.drinkBy - SOON_DAYS * DAY_MS ? 'fading' : 'drink';
}

/** In the order of drinking: what is past or ends soonest first; what rests, and what is gone, last. */
export function byDrinking<S extends { shelf: Pick<CellarShelf, 'window' | 'left' | 'late' | 'firstOutBy'> }>(
  shelves: readonly S[],
  now: number,
): S[] {
  const rank = ({ shelf }: S): number => (shelf.left === 0 ? 2 : now < shelf.window.restsUntil ? 1 : 0);
  const endsAt = ({ shelf }: S): number =>
    Math.min(shelf.window.drinkBy, (shelf.firstOutBy ?? Infinity) > now ? (shelf.firstOutBy ?? Infinity) : Infinity);
  return shelves.toSorted((a, b) => rank(a) - rank(b) || endsAt(a) - endsAt(b));
}
