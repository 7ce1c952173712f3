import { randomUUID } from 'node:crypto';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import type { BatchPlan, NewEvent } from '@hollow-bell/contract';
import type { EventContent } from '@hollow-bell/core/record';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney, pourOf } from '@hollow-bell/core/must';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { LOTS } from './shelf.ts';
import { BOTTLED } from './bottled.ts';
import { RECIPES } from './recipes.ts';
import type { Recipe } from './recipes.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

interface DemoBatch {
  id: string;
  name: string;
  plan: BatchPlan;
  events: NewEvent[];
}

function batchPlanOf(recipe: Recipe): BatchPlan {
  const vessel = USUAL_VESSELS.find(({ name }) => name === recipe.vessel);
  if (vessel === undefined) throw new Error(`no vessel “${recipe.vessel}”`);
  const honeys = recipe.honeys.map(({ lot, massG, moisture = MEAN_HONEY.moisture }) => ({
    ...plannedHoney(lot, massG, moisture),
    lotId: LOTS[lot].id,
    pricePerKg: LOTS[lot].pricePerKg,
  }));
  const must = planOf([...honeys, ...(recipe.others ?? [])], recipe.waterL, {
    yeastId: recipe.yeastId,
    vessel,
    roomTempC: 17,
    otherCost: 3,
  });
  return { must, practice: { ...DEFAULT_PRACTICE, roomTempC: 17, ...recipe.practice } };
}

/** One batch of the demo stands split in two: the same mead, to be sweetened with two honeys. */
export const HALVED = {
  name: 'Linden B',
  child: () => ({
    id: randomUUID(),
    name: 'Linden B, second jug',
    volumeL: 2,
    vessel: { kind: 'jug' as const, name: '2 L jug', capacityL: 2.1 },
  }),
};

/** The demo batches as they stand at `now`. */
export function demoBatches(now: number): DemoBatch[] {
  return [...RECIPES, ...BOTTLED].map((recipe) => {
    const plan = batchPlanOf(recipe);
    const mixedAt = now - (recipe.mixedHoursAgo ?? 0) * HOUR_MS;
    const pours: EventContent[] = [
      ...plan.must.ingredients.map((line) => pourOf(line, line.massG, line.id)),
      { kind: 'water', payload: { volumeL: recipe.waterL, step: 'water' } },
    ];
    const rows: Recipe['then'] = recipe.mixedHoursAgo === null ? [] : [[0, ...pours], ...recipe.then];
    const events = rows.flatMap(([atHour, ...contents]) =>
      contents.map((content) => ({ ...content, id: randomUUID(), happenedAt: Math.round(mixedAt + atHour * HOUR_MS) })),
    );
    return { id: randomUUID(), name: recipe.name, plan, events };
  });
}
