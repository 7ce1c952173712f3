import { mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { changesOf } from './changes.ts';
import { doseNowMg, isComing } from './doseNow.ts';
import type { DoseNow, PartNow } from './doseNow.ts';
import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { nitrogenMgPerG, productKey, productName } from '../nitrogen/index.ts';
import type { Product } from '../nitrogen/index.ts';
import { ammoniumCapMgPerL, doseMgPerL } from './schedule.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';
import { AMMONIUM_CUTOFF_ABV } from '../yeast/index.ts';
import { timetable } from './timetable.ts';

/** What doses left may grow by to make up for those missed: more at once only feeds what spoils (our estimate). */
const MOST_GROWTH = 1.5;

export interface FeedingNow {
  doses: DoseNow[];
  /** Why the rest differs from what was planned at the pitch. */
  changes: Sentence[];
  /** mg N that the liquid there is still lacks by the school's count. */
  wantedMg: number;
  /** mg N/L that was given and is still to come, by the school's count; what comes too late is not in it. */
  givesMgPerL: number;
}

/** mg N that this liquid lacks by the school's count: its need, less what the must brought and what was given. */
function wantedMgOf({ demandMgPerG, practice }: FeedingPlan, ledger: Ledger, volumeL: number): number {
  const credit = HONEY_NITROGEN.value * volumeL + ledger.liquid.broughtAmmoniumNMg + ledger.liquid.broughtAminoNMg;
  const given = ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg * practice.organicCredit;
  return Math.max(0, demandMgPerG * ledger.liquid.sugarBasisG - credit - given);
}

/** How much of each product and of ammonium may still go in; what is taken is gone for the next. */
function rooms(plan: FeedingPlan, ledger: Ledger, volumeL: number) {
  let ammoniumMg = ammoniumCapMgPerL(plan.practice.dapCapGPerL) * volumeL - ledger.liquid.ammoniumNMg;
  const grams = new Map<string, number>();
  const roomG = (product: Product): number => {
    const given = ledger.history.doses.filter(({ source, name }) => source === product.source && name === productName(product));
    return grams.get(productKey(product)) ?? (product.capGPerL ?? Infinity) * volumeL - given.reduce((sum, dose) => sum + dose.massG, 0);
  };
  return (product: Product, wantedG: number, isAmmoniumRefused: boolean): number => {
    const { ammonium } = nitrogenMgPerG(product);
    const room = ammonium === 0 ? roomG(product) : isAmmoniumRefused ? 0 : Math.min(roomG(product), ammoniumMg / ammonium);
    const taken = Math.max(0, Math.min(wantedG, room));
    ammoniumMg -= taken * ammonium;
    grams.set(productKey(product), roomG(product) - taken);
    return taken;
  };
}

const givenParts = (ledger: Ledger, dose: PlannedDose): PartNow[] =>
  ledger.history.doses
    .filter((event) => event.dose === dose.number)
    .map(({ source, name, massG: grams, ammoniumNMg, aminoNMg }) => {
      const perG = (mg: number): number => (grams > 0 ? mg / grams / 1000 : 0);
      return { product: { source, own: { name, ammoniumN: perG(ammoniumNMg), aminoN: perG(aminoNMg) } }, massG: grams, leftOutG: 0 };
    });

/**
 * Where the feeding stands. Need and supply are counted in mg for the liquid that is there, so a loss takes its part of both and
 * the doses left shrink with it; honey or fruit that goes in later raises the need. Doses come forward when the sugar goes
 * faster than the clock, one at a time; what comes later than that is dropped. Doses given are never rewritten.
 */
export function feedingNow(plan: FeedingPlan, ledger: Ledger, now: number): FeedingNow {
  const { pitch } = ledger.history;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return { doses: [], changes: [], wantedMg: 0, givesMgPerL: 0 };
  const { practice } = plan;
  const times = timetable(plan, ledger, pitch.at, now);
  const wantedMg = wantedMgOf(plan, ledger, mixed.volumeL);
  const states = new Map(plan.doses.map((dose) => [dose, times.stateOf(dose)]));
  const coming = plan.doses.filter((dose) => ['due', 'ahead'].includes(states.get(dose) ?? ''));
  const isPastBreak = times.breakAt !== null;
  const isAmmoniumRefused = mixed.abv >= AMMONIUM_CUTOFF_ABV || isPastBreak;
  const plannedMg = coming.reduce((sum, dose) => sum + doseMgPerL(dose, practice) * mixed.volumeL, 0);
  const growth = plannedMg > 0 ? Math.min(MOST_GROWTH, wantedMg / plannedMg) : 0;
  const takeRoom = rooms(plan, ledger, mixed.volumeL);

  const doses = plan.doses.map((dose): DoseNow => {
    const state = states.get(dose) ?? 'ahead';
    if (state === 'given') {
      const at = ledger.history.doses.find((event) => event.dose === dose.number)?.at ?? times.dueAt(dose);
      return { dose, state, dueAt: at, expectedAt: at, parts: givenParts(ledger, dose) };
    }
    const parts = dose.parts.map(({ product, gPerL }): PartNow => {
      const plannedG = gPerL * mixed.volumeL;
      if (!isComing({ state })) return { product, massG: plannedG, leftOutG: 0 };
      const grams = takeRoom(product, plannedG * growth, isAmmoniumRefused);
      return { product, massG: grams, leftOutG: plannedG * growth - grams };
    });
    return { dose, state, dueAt: times.dueAt(dose), expectedAt: times.soonestAt(dose), parts, scaleG: plan.practice.scaleG };
  });
  const comingMg = doses.filter(isComing).reduce((sum, dose) => sum + doseNowMg(dose, practice.organicCredit), 0);
  const givesMgPerL = (ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg * practice.organicCredit + comingMg) / mixed.volumeL;
  const uncovered = (wantedMg - comingMg) / mixed.volumeL;
  return { doses, changes: changesOf(plan, ledger, doses, { growth, uncovered, volumeNow: mixed.volumeL, times }), wantedMg, givesMgPerL };
}
