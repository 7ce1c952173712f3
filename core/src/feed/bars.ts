import { mixedOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { HONEY_NITROGEN } from './need.ts';
import { nitrogenMgPerG, productName } from './products.ts';
import type { DoseState, FeedingNow } from './progress.ts';
import type { FeedingPlan } from './schedule.ts';

/** One stretch of the nitrogen drawing, by this school's count, mg N/L. */
export interface NitrogenBar {
  kind: 'honey' | 'fruit' | 'amino' | 'ammonium';
  label: string;
  state: DoseState;
  fromMgPerL: number;
  toMgPerL: number;
}

/** What brings the nitrogen, laid end to end: the must's own, then dose by dose for the volume that is there now. */
export function nitrogenBars(plan: FeedingPlan, { doses }: FeedingNow, ledger: Ledger): NitrogenBar[] {
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  const bars: NitrogenBar[] = [];
  const add = (kind: NitrogenBar['kind'], label: string, state: DoseState, mgPerL: number): void => {
    const fromMgPerL = bars.at(-1)?.toMgPerL ?? 0;
    if (mgPerL > 0) bars.push({ kind, label, state, fromMgPerL, toMgPerL: fromMgPerL + mgPerL });
  };
  if (volumeL <= 0) return [];
  add('honey', 'honey', 'given', HONEY_NITROGEN.value);
  add('fruit', 'fruit and juice', 'given', (ledger.broughtAmmoniumNMg + ledger.broughtAminoNMg) / volumeL);
  const given = { ammonium: sum(ledger, 'ammoniumNMg'), amino: sum(ledger, 'aminoNMg') };
  const kept = {
    ammonium: given.ammonium > 0 ? ledger.ammoniumNMg / given.ammonium : 1,
    amino: given.amino > 0 ? ledger.aminoNMg / given.amino : 1,
  };
  for (const { dose, state, parts } of doses) {
    for (const { product, massG } of parts) {
      const mgPerG = nitrogenMgPerG(product);
      for (const kind of ['amino', 'ammonium'] as const) {
        const credit = kind === 'amino' ? plan.practice.organicCredit : 1;
        const there = state === 'given' ? kept[kind] : 1;
        add(kind, `dose ${dose.number}, ${productName(product)}`, state, (massG * there * mgPerG[kind] * credit) / volumeL);
      }
    }
  }
  return bars;
}

const sum = (ledger: Ledger, field: 'ammoniumNMg' | 'aminoNMg'): number => ledger.doses.reduce((total, dose) => total + dose[field], 0);
