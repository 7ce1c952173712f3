import { NUTRIENTS, mixedOf } from '../ledger/index.ts';
import type { Ledger, NutrientId } from '../ledger/index.ts';
import type { DoseNow, DoseState } from './progress.ts';
import type { FeedingPlan } from './schedule.ts';

/** One stretch of the nitrogen drawing, by this school's count, mg N/L. */
export interface NitrogenBar {
  kind: 'honey' | NutrientId;
  label: string;
  state: DoseState;
  fromMgPerL: number;
  toMgPerL: number;
}

/** The share of a given nutrient that is still in this liquid: losses took their part with them. */
function keptShare(ledger: Ledger, source: NutrientId): number {
  const given = ledger.doses.filter((dose) => dose.source === source).reduce((sum, dose) => sum + dose.massG, 0);
  const heldMg = source === 'dap' ? ledger.ammoniumNMg : ledger.aminoNMg;
  return given > 0 ? heldMg / (given * 1000 * (source === 'dap' ? NUTRIENTS.dap.ammoniumN : NUTRIENTS.organic.aminoN)) : 1;
}

/** What brings the nitrogen, laid end to end: the honey's own, then dose by dose for the volume that is there now. */
export function nitrogenBars(plan: FeedingPlan, doses: readonly DoseNow[], ledger: Ledger): NitrogenBar[] {
  const bars: NitrogenBar[] = [{ kind: 'honey', label: 'honey and fruit', state: 'given', fromMgPerL: 0, toMgPerL: plan.creditMgPerL }];
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  const add = (dose: DoseNow, kind: NutrientId, grams: number, mgPerG: number): void => {
    if (grams <= 0 || volumeL <= 0) return;
    const there = dose.state === 'given' ? grams * keptShare(ledger, kind) : grams;
    const fromMgPerL = bars.at(-1)?.toMgPerL ?? 0;
    bars.push({
      kind,
      label: `dose ${dose.dose.number}, ${NUTRIENTS[kind].name}`,
      state: dose.state,
      fromMgPerL,
      toMgPerL: fromMgPerL + (there * mgPerG) / volumeL,
    });
  };
  for (const dose of doses) {
    add(dose, 'organic', dose.organicG, NUTRIENTS.organic.aminoN * 1000 * plan.practice.organicCredit);
    add(dose, 'dap', dose.dapG, NUTRIENTS.dap.ammoniumN * 1000);
  }
  return bars;
}
