import { BOUND_SHARE, MOLECULAR_TARGET, freeSo2NeededMgPerL, sorbicNeededMgPerL, withinPhOfMead } from '../preservatives/index.ts';
import { HOLDS_MIN, heldOf, isHeld } from '../heat/index.ts';
import { copyOf } from './ledger.ts';
import type { Folding } from './ledger.ts';
import { isAllBottled, mixedOf } from './view.ts';

/** Without a pH the sulfite must hold at the upper end of what traditionals read (our estimate). */
const PH_UNKNOWN = 3.8;
/** Less sugar than this sweetens nothing: a spice’s own. */
export const LEAST_SUGAR_G = 1;

/** The curve of sorbate ends there; it is level long before. */
const STRONGEST_ABV = 25;

/** A dose counts from this share of what its volume needs: kitchen scales and spoons. Thinned below the other it guards no more (our estimates). */
export const GUARD = { opensAt: 0.75, holdsTo: 0.6 } as const;

/** mg/L of SO2 and sorbic acid, as given, that keep this strength and pH from new life. */
export function guardNeeded(abv: number, ph: number | null): { so2MgPerL: number; sorbicMgPerL: number } {
  const at = withinPhOfMead(ph ?? PH_UNKNOWN);
  return {
    so2MgPerL: freeSo2NeededMgPerL(MOLECULAR_TARGET.dry, at) / (1 - BOUND_SHARE.low),
    sorbicMgPerL: sorbicNeededMgPerL(Math.min(STRONGEST_ABV, abv)),
  };
}

/** New yeast, or another mead with its own, undoes what was given before. */
export function breakGuard(ledger: Folding): void {
  ledger.liquid.guardSo2Mg = 0;
  ledger.liquid.guardSorbicMg = 0;
  ledger.history.guarded = null;
  ledger.history.unsweetened = null;
}

/** Sugar that goes in under the guard leaves standing what was proven before it. */
export function keepUnsweetened(ledger: Folding, sugarG: number): void {
  if (ledger.history.guarded !== null && ledger.history.unsweetened === null && sugarG > LEAST_SUGAR_G)
    ledger.history.unsweetened = copyOf(ledger);
}

/** Judges what is in the present volume after anything was poured: from when it guards, or that it does no longer. */
export function judgeGuard(ledger: Folding, at: number): void {
  if (
    ledger.history.pitch === null ||
    ledger.history.guarded?.by === 'heat' ||
    (ledger.history.guarded === null && (ledger.liquid.guardSo2Mg === 0 || ledger.liquid.guardSorbicMg === 0))
  )
    return;
  const mixed = mixedOf(ledger);
  if (mixed === null) return;
  const need = ledger.history.guarded ?? guardNeeded(mixed.abv, ledger.history.ph?.value ?? null);
  const share = Math.min(
    ledger.liquid.guardSo2Mg / mixed.volumeL / need.so2MgPerL,
    ledger.liquid.guardSorbicMg / mixed.volumeL / need.sorbicMgPerL,
  );
  const { so2MgPerL, sorbicMgPerL } = need;
  if (share + 1e-9 < (ledger.history.guarded === null ? GUARD.opensAt : GUARD.holdsTo)) {
    ledger.history.guarded = null;
    ledger.history.unsweetened = null;
  } else ledger.history.guarded ??= { by: 'dose', at, so2MgPerL, sorbicMgPerL };
}

/** Heat has killed what lived in it: from now on it is guarded, whatever was dosed. It drives the sulfite off. */
export function killedByHeat(ledger: Folding, at: number): void {
  ledger.liquid.guardSo2Mg = 0;
  if (ledger.history.pitch !== null && !isAllBottled(ledger)) ledger.history.guarded = { by: 'heat', at };
}

/** Judges a heating by its log: the shorter of the schools' holds kills. */
export function heatKills(ledger: Folding, at: number): void {
  const { units, minutes, since } = heldOf(ledger.history.cores);
  const { guarded } = ledger.history;
  const isCounted = guarded?.by === 'heat' && since !== null && guarded.at >= since;
  if (!isCounted && isHeld({ units: units.value, minutes }, HOLDS_MIN[0])) killedByHeat(ledger, at);
}
