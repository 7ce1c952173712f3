import { waterShare } from '../ingredients/index.ts';
import type { EventContent } from '../record/index.ts';
import type { BrewStep } from './brewDay.ts';
import type { MustPlan, PlannedIngredient } from './plan.ts';

/**
 * What doing a step writes down: what was really poured, not what was planned. Null for readings and the pitch, which have
 * their own forms.
 * @param amount g, or L of water
 * @param pulpG all the pulp that is in the vessel, of which a bag is a share
 */
export function eventOfStep({ id, title, deed }: BrewStep, plan: MustPlan, amount: number, pulpG = 0): EventContent | null {
  switch (deed.kind) {
    case 'water':
      return { kind: 'water', payload: { volumeL: amount, step: id } };
    case 'sulfite':
      return { kind: 'sulfite', payload: { salt: 'potassium', massG: amount, step: id } };
    case 'strain':
      return {
        kind: 'strain',
        payload: { massG: amount, share: pulpG > 0 ? Math.min(1, deed.insolubleG / pulpG) : 1, of: deed.of, step: id },
      };
    case 'ingredient': {
      const line = plan.ingredients.find((ingredient) => ingredient.id === deed.ingredientId);
      return line === undefined ? null : pourOf(line, amount, id);
    }
    case 'stir':
      return { kind: 'note', payload: { text: title, mark: 'stirred', step: id } };
    case 'tick':
      return { kind: 'note', payload: { text: title, step: id } };
    case 'reading':
    case 'pitch':
      return null;
  }
}

/** Pouring a line of the plan, as an entry for the record. */
export function pourOf(line: PlannedIngredient, grams: number, stepId?: string): EventContent {
  const { name, family, makes, composition, sugarSpread, bagDays, lotId } = line;
  const origin = { ...(lotId === undefined ? {} : { lotId }), ...(stepId === undefined ? {} : { step: stepId }) };
  if (family === 'honey') {
    const { unfermentable } = composition;
    return { kind: 'honey', payload: { name, massG: grams, moisture: waterShare(composition), unfermentable, ...origin } };
  }
  const bag = bagDays === undefined ? {} : { bagDays };
  return { kind: 'ingredient', payload: { name, family, makes, massG: grams, composition, sugarSpread, ...bag, ...origin } };
}
