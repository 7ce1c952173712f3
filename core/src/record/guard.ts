import { BOUND_SHARE, MOLECULAR_TARGET, freeSo2NeededMgPerL, sorbicNeededMgPerL, withinPhOfMead } from '../preservatives/index.ts';
import { HOLDS_MIN, heldOf, isHeld } from '../heat/index.ts';
import type { Folding, Ledger } from './ledger.ts';
import { likelyEndSg } from './likelyEnd.ts';
import { STRIP_PLUS_MINUS } from './strip.ts';
import { isAllBottled, mixedOf } from './view.ts';

/** Without a pH the sulfite must hold at the upper end of what traditionals read (our estimate). */
const PH_UNKNOWN = 3.8;
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

/** The pH that sulfite must hold at: the latest read, a strip's at its far end; unknown again once something raised it. */
function phToHold({ history: { ph, bases } }: Pick<Ledger, 'history'>): number {
  if (ph === null) return PH_UNKNOWN;
  const read = ph.plusMinus === STRIP_PLUS_MINUS ? ph.value + STRIP_PLUS_MINUS : ph.value;
  const isRaised = bases.some(({ at }) => at > ph.at);
  return isRaised ? Math.max(read, PH_UNKNOWN) : read;
}

/** New yeast, or another mead with its own, undoes what was given before. */
export function breakGuard(ledger: Folding): void {
  ledger.liquid.guardSo2Mg = 0;
  ledger.liquid.guardSorbicMg = 0;
  ledger.history.guarded = null;
}

/** What brings sugar brings life too, unless it was heated itself: heat leaves nothing behind that would hold it. */
export function breakHeat({ history }: Folding): void {
  if (history.guarded?.by === 'heat') history.guarded = null;
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
  const need = guardNeeded(mixed.abv, phToHold(ledger));
  const share = Math.min(
    ledger.liquid.guardSo2Mg / mixed.volumeL / need.so2MgPerL,
    ledger.liquid.guardSorbicMg / mixed.volumeL / need.sorbicMgPerL,
  );
  const { guarded } = ledger.history;
  if (share + 1e-9 < (guarded === null ? GUARD.opensAt : GUARD.holdsTo)) ledger.history.guarded = null;
  else ledger.history.guarded = { by: 'dose', ...(guarded ?? begun(ledger, at)), ...need };
}

const begun = (ledger: Folding, at: number) => {
  const { sg = 1, volumeL = 1 } = mixedOf(ledger) ?? {};
  const sugarGPerL = ledger.liquid.sugarG / volumeL;
  return { at, reads: ledger.history.readings.length, sg, endSg: likelyEndSg(ledger) ?? sg, sugarGPerL };
};

/** Heat has killed what lived in it: from now on it is guarded, whatever was dosed. It drives the sulfite off. */
export function killedByHeat(ledger: Folding, at: number): void {
  ledger.liquid.guardSo2Mg = 0;
  if (ledger.history.pitch !== null && !isAllBottled(ledger)) ledger.history.guarded = { by: 'heat', ...begun(ledger, at) };
}

/** Judges a heating by its log: the shorter of the schools' holds kills. */
export function heatKills(ledger: Folding, at: number): void {
  const { units, minutes, since } = heldOf(ledger.history.cores);
  const { guarded } = ledger.history;
  const isCounted = guarded?.by === 'heat' && since !== null && guarded.at >= since;
  if (!isCounted && isHeld({ units: units.value, minutes }, HOLDS_MIN[0])) killedByHeat(ledger, at);
}
