import { restMonths } from '../clear/index.ts';
import { bottlesLeft, meadBottled, mixedOf, othersPoured } from '../record/index.ts';
import type { ClosureId, Ledger, Tasting } from '../record/index.ts';
import { DAY_MS, MONTH_MS } from '../quantities/index.ts';
import type { Immutable } from '../quantities/index.ts';

/** Months from the bottling: until when it is at its best, and by when it is to be drunk (our estimates; fruit within a year or so, weak ones within months, strong ones of honey alone get better for years). */
const KEEPS_MONTHS = [
  { toAbv: 8, fruit: { best: 6, by: 11 }, honey: { best: 8, by: 14 } },
  { toAbv: 13, fruit: { best: 10, by: 15 }, honey: { best: 18, by: 30 } },
  { toAbv: 25, fruit: { best: 13, by: 20 }, honey: { best: 48, by: 84 } },
] as const;

/** What a closure leaves of that; a screw cap that is put on by hand keeps weeks, not years (trade habit; the figures are our estimates). */
const CLOSURE_KEEPS: Record<ClosureId, { share: number; mostMonths: number }> = {
  cork: { share: 1, mostMonths: 120 },
  'wired cork': { share: 1, mostMonths: 120 },
  'crown cap': { share: 0.9, mostMonths: 60 },
  'swing-top': { share: 0.8, mostMonths: 36 },
  'screw cap': { share: 0.5, mostMonths: 3 },
  lid: { share: 0.6, mostMonths: 9 },
};
/** Without sulfite a mead below this strength ages faster, by this share (our estimate). */
const UNSULFITED = { belowAbv: 13, share: 0.75 } as const;
/** After the bottling it is sulky for a while (our estimate). */
const SETTLES_DAYS = 21;
/** What a taster’s word moves (our estimates). */
const WORD_MOVES_MS = { youngFor: 2 * MONTH_MS, bestFor: 3 * MONTH_MS, fadesWithin: 2 * MONTH_MS } as const;

/** When to drink a bottled mead, ms since 1970 UTC, in order. */
export interface DrinkWindow {
  restsUntil: number;
  bestFrom: number;
  bestTo: number;
  drinkBy: number;
  /** Whose word moved it. */
  movedBy: { at: number; who: string | null } | null;
}

type Dates = Pick<DrinkWindow, 'restsUntil' | 'bestFrom' | 'bestTo' | 'drinkBy'>;

/** One tasting’s word about when to drink it. */
function moved(dates: Dates, { at, drinks }: Immutable<Tasting>): Dates {
  const { restsUntil, bestFrom, bestTo, drinkBy } = dates;
  switch (drinks) {
    case 'too young': {
      const later = Math.max(0, at + WORD_MOVES_MS.youngFor - restsUntil);
      return {
        restsUntil: restsUntil + later,
        bestFrom: bestFrom + later,
        bestTo: bestTo + later,
        drinkBy: Math.max(drinkBy, bestTo + later),
      };
    }
    case 'ready':
      return { restsUntil: Math.min(restsUntil, at), bestFrom, bestTo, drinkBy: Math.max(drinkBy, at + WORD_MOVES_MS.bestFor) };
    case 'at its best': {
      const to = Math.max(bestTo, at + WORD_MOVES_MS.bestFor);
      return { restsUntil: Math.min(restsUntil, at), bestFrom: Math.min(bestFrom, at), bestTo: to, drinkBy: Math.max(drinkBy, to) };
    }
    case 'fading':
      return {
        restsUntil: Math.min(restsUntil, at),
        bestFrom: Math.min(bestFrom, at),
        bestTo: Math.min(bestTo, at),
        drinkBy: Math.min(drinkBy, at + WORD_MOVES_MS.fadesWithin),
      };
    case 'gone':
      return {
        restsUntil: Math.min(restsUntil, at),
        bestFrom: Math.min(bestFrom, at),
        bestTo: Math.min(bestTo, at),
        drinkBy: Math.min(drinkBy, at),
      };
    case null:
      return dates;
  }
}

const ordered = ({ restsUntil, bestFrom, bestTo, drinkBy }: Dates): Dates => {
  const by = Math.max(drinkBy, restsUntil + DAY_MS);
  const from = Math.min(Math.max(bestFrom, restsUntil), by);
  return { restsUntil, bestFrom: from, bestTo: Math.min(by, Math.max(bestTo, from)), drinkBy: by };
};

/**
 * When to drink what is bottled, by kind, strength, closure, sulfite and fruit, all our estimates; the maker’s own tastings since the
 * bottling move it. Null where nothing is bottled.
 *
 * @param closure of the bottles that are asked about; those that keep longest where nothing is said
 */
export function windowOf(ledger: Ledger, closure: ClosureId = longestOf(ledger)): DrinkWindow | null {
  const mead = meadBottled(ledger);
  const { bottled } = ledger.history;
  const mixed = mead === null ? null : mixedOf(mead);
  const rest = mead === null ? null : restMonths(mead);
  if (mead === null || bottled === null || mixed === null || rest === null) return null;
  const kind = othersPoured(mead).some(({ family }) => family === 'fruit' || family === 'juice') ? 'fruit' : 'honey';
  const keeps = (KEEPS_MONTHS.find(({ toAbv }) => mixed.abv <= toAbv) ?? KEEPS_MONTHS[2])[kind];
  const { share, mostMonths } = CLOSURE_KEEPS[closure];
  const sulfited = mead.liquid.so2Mg > 0 || mixed.abv >= UNSULFITED.belowAbv ? 1 : UNSULFITED.share;
  const byMonths = Math.min(mostMonths, keeps.by * share * sulfited);
  const from = mead.history.pitch?.at ?? bottled.at;
  const begun: Dates = {
    restsUntil: Math.max(bottled.at + SETTLES_DAYS * DAY_MS, from + rest.low * MONTH_MS),
    bestFrom: Math.max(bottled.at + SETTLES_DAYS * DAY_MS, from + ((rest.low + rest.high) / 2) * MONTH_MS),
    bestTo: bottled.at + Math.min(byMonths, keeps.best * share * sulfited) * MONTH_MS,
    drinkBy: bottled.at + byMonths * MONTH_MS,
  };
  const since = ledger.history.tastings.filter(({ at, drinks }) => at > bottled.at && drinks !== null);
  const last = since.at(-1);
  const dates = ordered(since.reduce<Dates>(moved, ordered(shortened(begun, mostMonths))));
  return { ...dates, movedBy: last === undefined ? null : { at: last.at, who: last.who } };
}

/** What keeps for weeks only is not rested for months first. */
function shortened(dates: Dates, mostMonths: number): Dates {
  if (mostMonths > 6 || dates.restsUntil < dates.drinkBy) return dates;
  const settled = Math.min(dates.restsUntil, dates.drinkBy - MONTH_MS);
  return { ...dates, restsUntil: settled, bestFrom: settled };
}

function longestOf({ history: { bottled } }: Ledger): ClosureId {
  const closures = (bottled?.bottles ?? []).flatMap(({ closure, count }) => (closure === undefined || count === 0 ? [] : [closure]));
  const months = (closure: ClosureId): number => CLOSURE_KEEPS[closure].mostMonths;
  return closures.toSorted((a, b) => months(b) - months(a))[0] ?? 'cork';
}

/** When the ones under a screw cap are to be drunk, where others keep longer; null where all keep alike. */
export function firstOutBy(ledger: Ledger): number | null {
  const bottles = (ledger.history.bottled?.bottles ?? []).filter(({ count }) => count > 0);
  const isMixed = bottles.some(({ closure }) => closure === 'screw cap') && bottles.some(({ closure }) => closure !== 'screw cap');
  return isMixed ? (windowOf(ledger, 'screw cap')?.drinkBy ?? null) : null;
}

/** Something of it is left to drink, or to be said of it. */
export const isCellared = (ledger: Ledger): boolean =>
  ledger.history.bottled !== null && (bottlesLeft(ledger) > 0 || (ledger.history.marks.verdict ?? 0) < ledger.history.bottled.at);
