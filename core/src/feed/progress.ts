import { mixedOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { hours, massG, say, volumeL } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { HONEY_NITROGEN } from './need.ts';
import { nitrogenMgPerG } from './products.ts';
import type { Product } from './products.ts';
import { ammoniumCapGPerL, doseMgPerL } from './schedule.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from './schools.ts';

/** Above this, ammonium is hardly taken up and stays as salt and food for spoilage, % vol. */
export const AMMONIUM_CUTOFF_ABV = 9;
/** Once this much of the sugar is gone, nothing that is fed is of use. */
const TOO_LATE_SHARE = 0.5;
/** What doses left may grow by to make up for those missed: more at once only feeds what spoils (our estimate). */
const MOST_GROWTH = 1.5;
const HOUR_MS = 3_600_000;

/** `dropped`: the sugar went faster than the clock; `missed`: a later one is due already. */
export type DoseState = 'given' | 'due' | 'ahead' | 'dropped' | 'missed' | 'too late';

export interface PartNow {
  product: Product;
  massG: number;
  /** Left out because of the alcohol or the cap, g. */
  leftOutG: number;
}

export interface DoseNow {
  dose: PlannedDose;
  state: DoseState;
  dueAt: number;
  /** For the volume now in the vessel; what was really given where it is given. */
  parts: PartNow[];
}

export interface FeedingNow {
  doses: DoseNow[];
  /** Why the rest differs from what was planned at the pitch. */
  changes: Sentence[];
  /** mg N that the liquid there is still lacks by the school's count. */
  wantedMg: number;
}

/** When this share of the sugar was first seen gone, or null. */
export function shareSeenAt(ledger: Ledger, share: number): number | null {
  return ledger.readings.find((reading) => reading.verdict === 'follows' && reading.shareGone >= share)?.at ?? null;
}

/** mg N by the school's count that this liquid was given and holds. */
const givenMg = (ledger: Ledger, organicCredit: number): number => ledger.ammoniumNMg + ledger.aminoNMg * organicCredit;

/**
 * Where the feeding stands. Need and supply are counted in mg for the liquid that is there, so a loss takes its part of both and
 * the doses left shrink with it; honey or fruit that goes in later raises the need. Doses come forward when the sugar goes
 * faster than the clock, one at a time; what comes later than that is dropped. Doses given are never rewritten.
 */
export function feedingNow(plan: FeedingPlan, ledger: Ledger, now: number): FeedingNow {
  const { pitch } = ledger;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return { doses: [], changes: [], wantedMg: 0 };
  const { practice } = plan;
  const breakAt = shareSeenAt(ledger, THIRD_BREAK);
  const shareGone = ledger.sugarBasisG > 0 ? 1 - ledger.sugarG / ledger.sugarBasisG : 0;
  const credit = HONEY_NITROGEN.value * mixed.volumeL + ledger.broughtAmmoniumNMg + ledger.broughtAminoNMg;
  const needMg = plan.demandMgPerG * ledger.sugarBasisG;
  const wantedMg = Math.max(0, needMg - credit - givenMg(ledger, practice.organicCredit));

  const isGiven = (dose: PlannedDose): boolean => ledger.doses.some((event) => event.dose === dose.number);
  const clockAt = (dose: PlannedDose): number => pitch.at + dose.clockH * HOUR_MS;
  const dueAtOf = (dose: PlannedDose): number => {
    const seen = dose.share === null ? breakAt : shareSeenAt(ledger, dose.share);
    return seen === null ? clockAt(dose) : Math.min(clockAt(dose), Math.max(seen, pitch.at + FIRST_AMMONIUM_H * HOUR_MS));
  };
  const open = plan.doses.filter((dose) => !isGiven(dose));
  const due = open.filter((dose) => dueAtOf(dose) <= now);
  /** Past the break one dose comes now and the rest are dropped; before it, only the latest of several overdue ones is given. */
  const isPastBreak = breakAt !== null;
  const giveNow = isPastBreak ? (due.find((dose) => clockAt(dose) > breakAt) ?? due.at(-1)) : due.at(-1);
  const stateOf = (dose: PlannedDose): DoseState => {
    if (shareGone >= TOO_LATE_SHARE) return 'too late';
    if (dose === giveNow) return 'due';
    if (isPastBreak) return dose.number < (giveNow?.number ?? 0) ? 'missed' : 'dropped';
    return due.includes(dose) ? 'missed' : 'ahead';
  };
  const coming = open.filter((dose) => ['due', 'ahead'].includes(stateOf(dose)));
  const plannedMg = coming.reduce((sum, dose) => sum + doseMgPerL(dose, practice) * mixed.volumeL, 0);
  const growth = plannedMg > 0 ? Math.min(MOST_GROWTH, wantedMg / plannedMg) : 0;

  let ammoniumRoomMg =
    ammoniumCapGPerL(practice.ammonium, practice.dapCapGPerL) * nitrogenMgPerG(practice.ammonium).ammonium * mixed.volumeL -
    ledger.ammoniumNMg;
  const doses = plan.doses.map((dose): DoseNow => {
    const given = ledger.doses.filter((event) => event.dose === dose.number);
    if (given.length > 0) {
      const parts = given.map(({ source, name, massG: grams, ammoniumNMg, aminoNMg }): PartNow => {
        const own = { name, ammoniumN: grams > 0 ? ammoniumNMg / grams / 1000 : 0, aminoN: grams > 0 ? aminoNMg / grams / 1000 : 0 };
        return { product: { source, own }, massG: grams, leftOutG: 0 };
      });
      return { dose, state: 'given', dueAt: given[0]?.at ?? dueAtOf(dose), parts };
    }
    const state = stateOf(dose);
    const isComing = state === 'due' || state === 'ahead';
    const parts = dose.parts.map(({ product, gPerL }): PartNow => {
      const wantedG = gPerL * mixed.volumeL * (isComing ? growth : 1);
      const perG = nitrogenMgPerG(product).ammonium;
      if (perG === 0) return { product, massG: wantedG, leftOutG: 0 };
      const isRefused = mixed.abv >= AMMONIUM_CUTOFF_ABV || (isPastBreak && isComing);
      const grams = isRefused ? 0 : Math.max(0, Math.min(wantedG, ammoniumRoomMg / perG));
      if (isComing) ammoniumRoomMg -= grams * perG;
      return { product, massG: grams, leftOutG: wantedG - grams };
    });
    return { dose, state, dueAt: dueAtOf(dose), parts };
  });
  return { doses, changes: changesOf(ledger, doses, { growth, breakAt, volumeNow: mixed.volumeL }), wantedMg };
}

const totalG = (parts: readonly { massG: number }[]): number => parts.reduce((sum, part) => sum + part.massG, 0);

/** Each way in which the rest differs from the plan made at the pitch, in a maker's words. */
function changesOf(
  ledger: Ledger,
  doses: readonly DoseNow[],
  { growth, breakAt, volumeNow }: { growth: number; breakAt: number | null; volumeNow: number },
): Sentence[] {
  const { pitch } = ledger;
  if (pitch === null) return [];
  const changes: Sentence[] = [];
  const coming = doses.filter(({ state }) => state === 'due' || state === 'ahead');
  const next = coming[0];
  const lostL = ledger.losses.filter(({ at }) => at >= pitch.at).reduce((sum, loss) => sum + loss.volumeL, 0);
  if (lostL >= 0.05 && next !== undefined) {
    const planned = next.dose.parts.reduce((sum, { gPerL }) => sum + gPerL * pitch.volumeL, 0);
    changes.push(
      say`${volumeL(lostL)} gone since the pitch: the doses left are for the ${volumeL(volumeNow)} there is, dose ${String(next.dose.number)} ${massG(totalG(next.parts))} instead of ${massG(planned)}.`,
    );
  }
  if (ledger.honeys.some(({ afterPitch }) => afterPitch) || ledger.additions.some(({ afterPitch, sugarG }) => afterPitch && sugarG > 1))
    changes.push(say`Sugar went in after the pitch: the need has grown with it.`);
  const dropped = doses.filter(({ state }) => state === 'dropped');
  const forward = next !== undefined && breakAt !== null ? (pitch.at + next.dose.clockH * HOUR_MS - breakAt) / HOUR_MS : 0;
  if (breakAt !== null && next !== undefined && forward > 0.5) {
    const rest = dropped.length === 0 ? '' : `, dose ${dropped.map(({ dose }) => dose.number).join(' and ')} dropped`;
    changes.push(
      say`A third of the sugar was gone ${hours(forward)} before its hour: dose ${String(next.dose.number)} now${rest}, and without ammonium.`,
    );
  }
  const missed = doses.filter(({ state }) => state === 'missed');
  if (missed.length > 0)
    changes.push(
      say`Dose ${missed.map(({ dose }) => dose.number).join(' and ')} was missed. Don’t double up: what it held is spread over the doses left, at most half as much again.`,
    );
  if (coming.length > 0 && missed.length === 0 && dropped.length === 0) {
    if (growth < 0.97) changes.push(say`More was given than planned: the rest is smaller by that.`);
    if (growth > 1.03) changes.push(say`Less was given than planned, or the need has grown: the rest is larger by that.`);
  }
  if (coming.some(({ parts }) => parts.some(({ leftOutG }) => leftOutG >= 0.05)) && breakAt === null)
    changes.push(say`Ammonium is left out: above ${String(AMMONIUM_CUTOFF_ABV)} % vol, or beyond its legal cap.`);
  return changes;
}
