import { bottlesLeft } from '../record/index.ts';
import type { BottleEnd, Ledger } from '../record/index.ts';
import type { DrinkWindow } from './window.ts';

/** What became of a bottle, or will: a full one stands where it would be opened, `late` beyond the end of its window. */
export interface StandingBottle {
  at: number;
  is: 'drunk' | 'given' | 'gone' | 'full' | 'late' | 'kept';
  to?: string;
}

const IS: Record<BottleEnd, StandingBottle['is']> = {
  opened: 'drunk',
  given: 'given',
  broken: 'gone',
  burst: 'gone',
  gushed: 'gone',
  leaked: 'gone',
};

export interface Pace {
  /** Between two bottles, ms. */
  everyMs: number;
  openings: number;
  /** Too few went to say much. */
  isWeak: boolean;
}

/** A pace from fewer than this many bottles is weak (our judgement); from one there is none. */
const WEAK_BELOW = 4;

/** How fast a batch is drunk and given away; null where fewer than two bottles went. */
export function paceOf({ history: { bottlesOut } }: Ledger): Pace | null {
  const went = bottlesOut.filter(({ end }) => end === 'opened' || end === 'given');
  const openings = went.reduce((sum, { count }) => sum + count, 0);
  const [first, last] = [went[0], went.at(-1)];
  if (first === undefined || last === undefined || openings < 2 || last.at <= first.at) return null;
  return { everyMs: (last.at - first.at) / (openings - 1), openings, isWeak: openings < WEAK_BELOW };
}

/** Every bottle of a batch at its date: those that went where they went, the full ones at the batch’s own pace. */
export function bottlesAlong(ledger: Ledger, { restsUntil, drinkBy }: DrinkWindow, now: number): StandingBottle[] {
  const { bottlesOut, bottlesKept } = ledger.history;
  const went = bottlesOut.flatMap(({ at, count, end, to }) =>
    Array.from({ length: count }, (): StandingBottle => ({ at, is: IS[end], ...(to === null ? {} : { to }) })),
  );
  const left = Math.max(0, bottlesLeft(ledger));
  const kept = Math.min(left, bottlesKept.count);
  const free = left - kept;
  const from = Math.max(now, restsUntil);
  const even = Math.max(0, drinkBy - from) / (free + 1);
  const everyMs = paceOf(ledger)?.everyMs ?? even;
  const full = Array.from({ length: free }, (_, i): StandingBottle => {
    const at = from + everyMs * (i + 1);
    return { at, is: at > drinkBy ? 'late' : 'full' };
  });
  const until = bottlesKept.until ?? drinkBy;
  return [...went, ...full, ...Array.from({ length: kept }, (): StandingBottle => ({ at: until, is: 'kept' }))];
}
