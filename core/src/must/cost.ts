import type { MustPlan, PlannedIngredient } from './plan.ts';
import { measureMust } from './measure.ts';
import { centralCourse } from './predict.ts';

/** A bottle of the usual size, L. */
const BOTTLE_L = 0.75;

export interface Cost {
  total: number;
  perLiter: number;
  perBottle: number;
  /** Ingredients without a price; the total is then too low. */
  unpriced: PlannedIngredient[];
}

/** What the ingredients and the rest cost together, in the maker's own money. */
export const totalCost = (plan: MustPlan): number =>
  plan.ingredients.reduce((sum, { massG, pricePerKg }) => sum + (massG / 1000) * (pricePerKg ?? 0), plan.otherCost);

/** What a batch costs, in the maker's own money; per liter and bottle of what is finished. */
export function costOf(plan: MustPlan, finishedL?: number): Cost {
  const total = totalCost(plan);
  const liters = finishedL ?? measureMust(plan, centralCourse(plan)).finishedL;
  return {
    total,
    perLiter: liters > 0 ? total / liters : 0,
    perBottle: liters > 0 ? (total / liters) * BOTTLE_L : 0,
    unpriced: plan.ingredients.filter(({ massG, pricePerKg }) => massG > 0 && pricePerKg === undefined),
  };
}

/** What the shelf lacks for a plan, from what each lot has left (g by lot id). */
export function lackOf(plan: MustPlan, leftG: ReadonlyMap<string, number>): { ingredient: PlannedIngredient; lackG: number }[] {
  const left = new Map(leftG);
  return plan.ingredients.flatMap((ingredient) => {
    if (ingredient.massG <= 0) return [];
    /** What other batches have taken beyond the stock is theirs to buy. */
    const there = ingredient.lotId === undefined ? 0 : Math.max(0, left.get(ingredient.lotId) ?? 0);
    const used = Math.min(there, ingredient.massG);
    if (ingredient.lotId !== undefined) left.set(ingredient.lotId, there - used);
    const lackG = ingredient.massG - used;
    return lackG > 0.5 ? [{ ingredient, lackG }] : [];
  });
}
