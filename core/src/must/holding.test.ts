import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  HoldsRefusal,
  change,
  changeLine,
  heldIn,
  hold,
  holdPerLiter,
  holdableValue,
  openPlan,
  planOf,
  plannedFrom,
  plannedHoney,
} from './index.ts';
import { valueOf } from './solve.ts';
import { holdsNeeded } from './solve.ts';
import type { MustPlan } from './index.ts';

const begin = (): MustPlan =>
  openPlan(
    planOf(
      [
        { ...plannedHoney('linden', 1000), pricePerKg: 10 },
        { ...plannedHoney('heather', 500, 0.19), pricePerKg: 18 },
      ],
      4,
      { yeastId: 'strong' },
    ),
  );
const massOf = (plan: MustPlan, id: string): number => plan.ingredients.find((line) => line.id === id)!.massG;

describe('a must being planned', () => {
  it('begins with its volume and its gravity held', () => {
    expect(heldIn(begin().wanted)).toEqual(['volumeL', 'og']);
  });

  it('moves what is free and keeps what is held', () => {
    const plan = hold(begin(), 'volumeL', 8);
    expect(valueOf(plan, 'og')).toBeCloseTo(valueOf(begin(), 'og'), 5);
    expect(valueOf(plan, 'volumeL')).toBeCloseTo(8, 4);
    expect(massOf(plan, 'linden') / massOf(plan, 'heather')).toBeCloseTo(2, 9);
  });

  it('lets go of the hold of the same kind first, else of the oldest', () => {
    const byAbv = hold(begin(), 'abv', 10);
    expect(heldIn(byAbv.wanted)).toEqual(['volumeL', 'abv']);
    expect(heldIn(hold(byAbv, 'honeyG', 1400).wanted)).toEqual(['abv', 'honeyG']);
    expect(heldIn(hold(byAbv, 'rackedL', 4).wanted)).toEqual(['abv', 'rackedL']);
  });

  it('locks the line that was weighed and moves the other', () => {
    const plan = changeLine(begin(), 'linden', { massG: 700 });
    expect(massOf(plan, 'linden')).toBe(700);
    expect(massOf(plan, 'heather')).toBeGreaterThan(600);
    expect(valueOf(plan, 'og')).toBeCloseTo(valueOf(begin(), 'og'), 5);
  });

  it('keeps the volume and lets the strength go once every honey is weighed', () => {
    const plan = changeLine(changeLine(begin(), 'linden', { massG: 700 }), 'heather', { massG: 200 });
    expect(heldIn(plan.wanted)).toEqual(['volumeL']);
    expect(valueOf(plan, 'volumeL')).toBeCloseTo(valueOf(begin(), 'volumeL'), 4);
    expect(heldIn(changeLine(plan, 'linden', { lock: 'free' }).wanted)).toHaveLength(2);
  });

  it('keeps fruit at so much per liter when the batch grows', () => {
    const fruity = change(begin(), { ingredients: [...begin().ingredients, plannedFrom('gooseberry', 1000)] });
    const perLiter = holdPerLiter(fruity, 'gooseberry');
    const bigger = hold(perLiter, 'volumeL', valueOf(perLiter, 'volumeL') * 2);
    expect(massOf(bigger, 'gooseberry')).toBeCloseTo(2000, -1);
  });

  it('holds a third thing where the honeys may change their ratio', () => {
    const free = change(begin(), { ratioFree: true });
    expect(holdsNeeded(free)).toBe(3);
    const byCost = hold(hold({ ...free, wanted: { volumeL: 5, og: 1.09, waterL: free.waterL } }, 'og', 1.09), 'cost', 19);
    expect(valueOf(byCost, 'cost')).toBeCloseTo(19, 2);
  });

  it('refuses a honey that is none and a fruit of more than itself', () => {
    const wet = { ...begin().ingredients[0]!.composition, sugar: 0.55 };
    expect(() => changeLine(begin(), 'linden', { composition: wet })).toThrow(/of 41\.8 % water is none/);
    const fruity = change(begin(), { ingredients: [...begin().ingredients, plannedFrom('gooseberry', 1000)] });
    expect(() => changeLine(fruity, 'gooseberry', { composition: { ...wet, insoluble: 0.6 } })).toThrow(/together not pass 100 %/);
  });

  it('can hold whatever it shows, at the tolerance and dry too', () => {
    const strong = hold(begin(), 'og', 1.14);
    for (const name of ['abv', 'sweetnessGPerL', 'rackedL', 'honeyG', 'waterL'] as const) {
      for (const plan of [strong, hold(begin(), 'og', 1.07)]) expect(() => hold(plan, name, holdableValue(plan, name)), name).not.toThrow();
    }
  });

  it('has as many holds as it needs after any changes', () => {
    const names = ['volumeL', 'rackedL', 'og', 'abv', 'honeyG', 'waterL'] as const;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom(...names), fc.double({ min: 0.9, max: 1.1, noNaN: true })), { maxLength: 8 }),
        (steps) => {
          let plan = begin();
          for (const [name, factor] of steps) {
            const value = name === 'og' ? 1 + (valueOf(plan, 'og') - 1) * factor : valueOf(plan, name) * factor;
            try {
              plan = hold(plan, name, value);
            } catch (error) {
              expect(error).toBeInstanceOf(Error);
              if (error instanceof HoldsRefusal) expect(error.loosen.length).toBeGreaterThanOrEqual(0);
              continue;
            }
            expect(heldIn(plan.wanted)).toHaveLength(holdsNeeded(plan));
            expect(plan.wanted[name]).toBe(value);
          }
        },
      ),
      { numRuns: 60, seed: 9 },
    );
  });
});
