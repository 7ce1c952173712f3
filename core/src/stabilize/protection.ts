import { BOUND_SHARE, SO2_HALF_LIFE_DAYS, daysUntilFaded, fadedSo2MgPerL, molecularSo2MgPerL } from '../preservatives/index.ts';
import { DAY_MS } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { GUARD, mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { freeSo2There } from './plan.ts';

/** What is left of sulfite and sorbate in the present volume. */
export interface Protection {
  /** Measured of late, or reckoned: what was given less what binds, fading since. */
  freeSo2MgPerL: Ranged;
  isMeasured: boolean;
  /** Null where nobody knows the pH. */
  molecularMgPerL: Ranged | null;
  sorbicMgPerL: number;
  /** When too little may be left of it, ms since 1970 UTC; null where sulfite does not guard it. */
  fadesAt: number | null;
}

/** @param now ms since 1970 UTC; null for an empty vessel */
export function protectionOf(ledger: Ledger, now: number): Protection | null {
  const mixed = mixedOf(ledger);
  const lastAt = ledger.history.sulfites.at(-1)?.at;
  if (mixed === null) return null;
  const given = ledger.liquid.guardSo2Mg / mixed.volumeL;
  const days = lastAt === undefined ? 0 : Math.max(0, (now - lastAt) / DAY_MS);
  const left = (bound: number, halfLife: number): number => fadedSo2MgPerL(given * (1 - bound), days, halfLife);
  const measured = freeSo2There(ledger, now);
  const free =
    measured === null
      ? {
          value: left(BOUND_SHARE.value, SO2_HALF_LIFE_DAYS.value),
          low: left(BOUND_SHARE.high, SO2_HALF_LIFE_DAYS.low),
          high: left(BOUND_SHARE.low, SO2_HALF_LIFE_DAYS.high),
        }
      : { value: measured, low: measured, high: measured };
  const ph = ledger.history.ph?.value;
  const molecular = (value: number): number => molecularSo2MgPerL(value, Math.min(4.5, Math.max(2.5, ph ?? 3.5)));
  const { guarded } = ledger.history;
  const needMgPerL = guarded?.by === 'dose' ? guarded.so2MgPerL * GUARD.holdsTo : null;
  return {
    freeSo2MgPerL: free,
    isMeasured: measured !== null,
    molecularMgPerL: ph === undefined ? null : { value: molecular(free.value), low: molecular(free.low), high: molecular(free.high) },
    sorbicMgPerL: ledger.liquid.guardSorbicMg / mixed.volumeL,
    fadesAt:
      needMgPerL === null || lastAt === undefined || given <= 0
        ? null
        : lastAt + daysUntilFaded(given, needMgPerL, SO2_HALF_LIFE_DAYS.value) * DAY_MS,
  };
}
