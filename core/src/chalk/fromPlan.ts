import { MEAN_HONEY } from '../ingredients/index.ts';
import type { FeedingPlan } from '../feed/index.ts';
import { countedMgPerG } from '../nitrogen/index.ts';
import { ledgerAsPlanned } from '../must/index.ts';
import type { MustPlan } from '../must/index.ts';
import { yeastToPitchG, yeastType } from '../yeast/index.ts';
import type { Rehearsed } from './rehearse.ts';

/** Rooms lie so far around what a plan expects where nothing was measured, °C (our estimate). */
const AROUND_C = 2.5;
/** Fewer temperatures than this say nothing of a room. */
const LEAST_TEMPS = 4;

/** The rooms of a cellar by what its temperatures were: from one in ten to nine in ten of them; around the plan's where there are few. */
function roomsOf(temps: readonly number[], expectedC: number): { low: number; high: number } {
  if (temps.length < LEAST_TEMPS) return { low: expectedC - AROUND_C, high: expectedC + AROUND_C };
  const sorted = [...temps].sort((a, b) => a - b);
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? expectedC;
  return { low: at(0.1), high: at(0.9) };
}

/**
 * A batch's plan, to be rehearsed: its sugar as honey, its own yeast, its school's doses at their hours.
 *
 * @param temps °C that were read in this cellar
 */
export function rehearsedOf(plan: MustPlan, feeding: FeedingPlan | null, temps: readonly number[]): Rehearsed {
  const { liquid, history } = ledgerAsPlanned(plan, 0);
  const honeyG = liquid.sugarG / MEAN_HONEY.sugar;
  const volumeL = history.pitch?.volumeL ?? plan.waterL;
  return {
    honeyG,
    waterL: Math.max(0.1, (liquid.waterG - honeyG * MEAN_HONEY.moisture) / 1000),
    feeds: (feeding?.doses ?? []).map(({ clockH, parts }) => ({
      hour: clockH,
      nitrogenMgPerL: parts.reduce((sum, { product, gPerL }) => sum + gPerL * countedMgPerG(product, 1), 0),
    })),
    broughtNMgPerL: history.pitch?.broughtNMgPerL ?? 0,
    yeastId: plan.yeastId,
    pitchG: yeastToPitchG(volumeL, history.pitch?.sg ?? 1.09),
    vessel: plan.vessel,
    roomC: roomsOf(temps, plan.roomTempC),
  };
}

/** What may be tried on a plan, and carried into it. */
type ChangeId = 'warm' | 'stronger' | 'lighter';
export interface PlanChange {
  id: ChangeId;
  name: string;
  rehearsed: (plan: Rehearsed) => Rehearsed;
  carried: (plan: MustPlan) => MustPlan;
}

const WARM_DAYS = 21;
const STRONGER = 'strong';
const LIGHTER = 0.88;

/** The changes that help a must that drags: each as it is rehearsed, and as it stands in the plan afterwards. */
export function changesOf({ yeastId }: Pick<MustPlan, 'yeastId'>): PlanChange[] {
  const { low, high } = yeastType(yeastId).tempC;
  const warmC = Math.round((low + high) / 2);
  const scaled = (plan: MustPlan): MustPlan => ({
    ...plan,
    ingredients: plan.ingredients.map((line) => (line.family === 'honey' ? { ...line, massG: Math.round(line.massG * LIGHTER) } : line)),
    wanted: {},
  });
  const changes: PlanChange[] = [
    {
      id: 'warm',
      name: 'three weeks warmer first',
      rehearsed: (plan) => ({ ...plan, keptWarm: { tempC: warmC, days: WARM_DAYS } }),
      carried: (plan) => ({ ...plan, roomTempC: warmC }),
    },
    {
      id: 'stronger',
      name: 'a stronger yeast',
      rehearsed: (plan) => ({ ...plan, yeastId: STRONGER }),
      carried: (plan) => {
        const carried = { ...plan, yeastId: STRONGER };
        delete carried.own;
        return carried;
      },
    },
    {
      id: 'lighter',
      name: 'an eighth less honey',
      rehearsed: (plan) => ({ ...plan, honeyG: plan.honeyG * LIGHTER }),
      carried: scaled,
    },
  ];
  return changes.filter(({ id }) => id !== 'stronger' || yeastId !== STRONGER);
}
