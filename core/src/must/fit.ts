import { INSOLUBLE_KG_PER_L } from '../ingredients/index.ts';
import { CENTRAL_ASSUMPTIONS } from '../record/index.ts';
import { fillOf } from '../vessel/index.ts';
import type { Fill, Vessel } from '../vessel/index.ts';
import { findRoot, settled } from '../numerics/index.ts';
import { Refusal, say, volumeL as liters } from '../quantities/index.ts';
import { composeMust, mixMust } from './compose.ts';
import { measureMust } from './measure.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';
import { centralCourse } from './predict.ts';
import { TOO_STRONG_START_SG } from './stepFeeding.ts';
import { heldIn, valueOf } from './solve.ts';

/** Headspace that a fermenting must wants, % of the vessel: for foam, and for the cap that fruit makes on top (trade habit; the upper figure is ours). */
export const HEADSPACE_PCT = { plain: 20, foaming: 25, fruit: 30 } as const;

export function headspaceWantedPct(plan: MustPlan, foams: boolean): number {
  const pulpG = plan.ingredients.reduce(
    (sum, { stage, massG, composition }) => sum + (stage === 'after' ? 0 : massG * composition.insoluble),
    0,
  );
  if (pulpG > 20) return HEADSPACE_PCT.fruit;
  return foams ? HEADSPACE_PCT.foaming : HEADSPACE_PCT.plain;
}

/** Room that one line of the pour list takes by itself, L; with the water these add up to a little more than the must, which contracts. */
export function litersOf(ingredient: PlannedIngredient): number {
  const alone = composeMust([ingredient], 0, CENTRAL_ASSUMPTIONS);
  return mixMust(alone).volumeL + alone.insolubleG / (1000 * INSOLUBLE_KG_PER_L);
}

/** How full the vessel will be on the brew day, pulp and all, without water that is held back. @param fillL liquid and pulp in the end, L */
export const fillOfPlan = ({ vessel, heldBack }: MustPlan, fillL: number): Fill =>
  fillOf(vessel.capacityL, Math.max(0, fillL - (heldBack?.waterL ?? 0)));

/** What helps where a must does not fit; each with what it does. */
export interface Fit {
  /** Everything made smaller in proportion. */
  smaller: { scale: number; volumeL: number };
  /** The smallest vessel at hand that has room. */
  vessel: Vessel | null;
  /** Water kept back for the top-up after the foam: how much, and where the must then starts. */
  heldBack: { waterL: number; og: number } | null;
}

/**
 * Ways out for a plan that leaves too little headspace.
 * @param wantedPct headspace wanted, %
 */
export function fitOf(plan: MustPlan, fillL: number, wantedPct: number, vessels: readonly Vessel[]): Fit {
  const roomFor = (vessel: Vessel): number => vessel.capacityL * (1 - wantedPct / 100);
  const scale = roomFor(plan.vessel) / fillL;
  const course = centralCourse(plan);
  const vessel =
    vessels
      .filter((candidate) => roomFor(candidate) >= fillL)
      .sort((a, b) => a.capacityL - b.capacityL)
      .at(0) ?? null;
  return {
    smaller: { scale, volumeL: measureMust(plan, course).volumeL * scale },
    vessel,
    heldBack: holdBackWater(plan, roomFor(plan.vessel)),
  };
}

function holdBackWater(plan: MustPlan, roomL: number): Fit['heldBack'] {
  const course = centralCourse(plan);
  const filledWith = (waterL: number): number => measureMust({ ...plan, waterL }, course).fillL;
  try {
    if (filledWith(plan.waterL * 0.3) > roomL) return null;
    const waterL = settled(findRoot((w) => filledWith(w) - roomL, plan.waterL * 0.3, plan.waterL, 1e-4));
    const { og } = measureMust({ ...plan, waterL }, course);
    /** A must that is too strong to start in is no way out. */
    return og > TOO_STRONG_START_SG ? null : { waterL: plan.waterL - waterL, og };
  } catch (error) {
    if (error instanceof Refusal || error instanceof RangeError) return null;
    throw error;
  }
}

/** The whole plan made larger or smaller; what is held is held at what it then is, so that nothing moves when it is solved. */
export function scalePlan(plan: MustPlan, scale: number): MustPlan {
  const scaled = {
    ...plan,
    waterL: plan.waterL * scale,
    ...(plan.heldBack === undefined ? {} : { heldBack: { ...plan.heldBack, waterL: plan.heldBack.waterL * scale } }),
    ingredients: plan.ingredients.map((ingredient) => ({ ...ingredient, massG: ingredient.massG * scale })),
  };
  const wanted = Object.fromEntries(heldIn(plan.wanted).map((hold) => [hold, valueOf(scaled, hold)]));
  return { ...scaled, wanted };
}

/**
 * A plan made again in its proportions: for so much must at the pitch, or for as full a vessel as before.
 *
 * @param volumeL above 0; null where the vessel decides
 * @throws Refusal for a volume of nothing, or more than the vessel holds
 */
export function planAgain(plan: MustPlan, { vessel, volumeL }: { vessel: Vessel; volumeL: number | null }): MustPlan {
  const nowL = valueOf(plan, 'volumeL');
  if (volumeL !== null && !(volumeL > 0)) throw new Refusal('Say how much must it is to be, above 0.', 'volumeL');
  if (volumeL !== null && volumeL > vessel.capacityL)
    throw new Refusal(say`${liters(volumeL)} do not go into ${liters(vessel.capacityL)}; take a larger vessel, or less.`, 'volumeL');
  const scale = volumeL === null || nowL <= 0 ? vessel.capacityL / plan.vessel.capacityL : volumeL / nowL;
  return { ...scalePlan(plan, scale), vessel };
}
