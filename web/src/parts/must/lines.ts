import type { ShelfItem } from '@hollow-bell/contract';
import type { Family, Ingredient } from '@hollow-bell/core/ingredients';
import { planned } from '@hollow-bell/core/must';
import type { PlannedIngredient } from '@hollow-bell/core/must';

/** What a first guess pours of it, g: enough to see, easily typed over. */
const FIRST_G: Partial<Record<Family, number>> = { honey: 500, fruit: 1000, juice: 1000, dried: 200, sugar: 200, syrup: 300, malt: 500 };
const BAG_DAYS = 7;

/** A line for the pour list; fruit begins fresh and in a bag. */
export function lineOf(ingredient: Ingredient, over: Partial<PlannedIngredient> = {}): PlannedIngredient {
  const fruit = ingredient.family === 'fruit' ? { form: 'fresh' as const, bagDays: BAG_DAYS } : {};
  return { ...planned(ingredient, FIRST_G[ingredient.family] ?? 5, { id: crypto.randomUUID(), ...fruit }), ...over };
}

/** A line that takes from a lot of the shelf, with its price; null for what is no ingredient. */
export function lineOfLot({ id, name, pricePerKg, detail }: ShelfItem, massG?: number): PlannedIngredient | null {
  if (detail.kind !== 'ingredient') return null;
  const { family, makes, composition, sugarSpread, traits } = detail;
  return lineOf(
    { name, family, makes, composition, sugarSpread, traits },
    { lotId: id, ...(pricePerKg === null ? {} : { pricePerKg }), ...(massG === undefined ? {} : { massG }) },
  );
}
