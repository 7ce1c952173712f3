import { NUTRIENTS, mixedOf } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';

/** Above this, ammonium is hardly taken up and stays as salt and food for spoilage, % vol. */
export const AMMONIUM_CUTOFF_ABV = 9;
const THIRD = 1 / 3;
const HOUR_MS = 3_600_000;

export type DoseState = 'given' | 'due' | 'ahead' | 'too late';

export interface DoseNow {
  dose: PlannedDose;
  state: DoseState;
  dueAt: number;
  /** For the volume now in the vessel; what was really given where it is given. */
  organicG: number;
  dapG: number;
  /** DAP left out because of the alcohol or the cap, g. */
  dapDroppedG: number;
}

/** What a planned dose brings by the plan's count. */
const doseMgPerL = (dose: PlannedDose, { practice }: FeedingPlan): number =>
  1000 * (dose.dapGPerL * NUTRIENTS.dap.ammoniumN + dose.organicGPerL * NUTRIENTS.organic.aminoN * practice.organicCredit);

/** When a third of the sugar was first seen gone, or null. */
export function thirdBreakSeenAt(ledger: Ledger): number | null {
  return ledger.readings.find((reading) => reading.verdict === 'follows' && reading.shareGone >= THIRD)?.at ?? null;
}

/**
 * Where the feeding stands: doses follow the volume that is really there, come forward once a third of the sugar is gone,
 * and are too late once half of it is. What was given beyond the plan is taken off the doses left, so that the need is not
 * exceeded: leftovers feed what spoils mead. Doses given are never recomputed.
 */
export function feedingNow(plan: FeedingPlan, ledger: Ledger, now: number): DoseNow[] {
  const { pitch } = ledger;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return [];
  const breakAt = thirdBreakSeenAt(ledger);
  const halfGone = ledger.sugarBasisG > 0 && ledger.sugarG / ledger.sugarBasisG <= 0.5;
  const givenMgPerL = (ledger.ammoniumNMg + ledger.aminoNMg * plan.practice.organicCredit) / mixed.volumeL;
  const wantedMgPerL = Math.max(0, plan.needMgPerL - plan.creditMgPerL - givenMgPerL);
  const isGiven = (dose: PlannedDose): boolean => ledger.doses.some((event) => event.dose === dose.number);
  const plannedMgPerL = plan.doses.filter((dose) => !isGiven(dose)).reduce((sum, dose) => sum + doseMgPerL(dose, plan), 0);
  const share = plannedMgPerL > 0 ? Math.min(1, wantedMgPerL / plannedMgPerL) : 0;
  let dapRoomG = plan.practice.dapCapGPerL * mixed.volumeL - ledger.ammoniumNMg / 1000 / NUTRIENTS.dap.ammoniumN;
  return plan.doses.map((dose) => {
    const given = ledger.doses.filter((event) => event.dose === dose.number);
    const grams = (source: 'organic' | 'dap'): number =>
      given.filter((event) => event.source === source).reduce((sum, event) => sum + event.massG, 0);
    const clockAt = pitch.at + dose.clockH * HOUR_MS;
    const dueAt = breakAt === null ? clockAt : Math.min(clockAt, Math.max(breakAt, pitch.at + 6 * HOUR_MS));
    if (given.length > 0) {
      return { dose, state: 'given', dueAt: given[0]?.at ?? dueAt, organicG: grams('organic'), dapG: grams('dap'), dapDroppedG: 0 };
    }
    const wantedDapG = dose.dapGPerL * share * mixed.volumeL;
    const dapG = mixed.abv >= AMMONIUM_CUTOFF_ABV ? 0 : Math.max(0, Math.min(wantedDapG, dapRoomG));
    dapRoomG -= dapG;
    const state: DoseState = halfGone ? 'too late' : dueAt <= now ? 'due' : 'ahead';
    return { dose, state, dueAt, organicG: dose.organicGPerL * share * mixed.volumeL, dapG, dapDroppedG: wantedDapG - dapG };
  });
}
