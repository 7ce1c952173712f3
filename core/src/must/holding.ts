import { DRY_SUGAR_G_PER_L, yeastOf } from '../yeast/index.ts';
import type { Hold, Holds, MustPlan, PlannedIngredient } from './plan.ts';
import { heldIn, holdsContradict, holdsNeeded, solveMust, valueOf } from './solve.ts';

/** What is held where nobody has chosen yet, and what steps in where a lock sets one more thing free. */
const USUAL_HOLDS: readonly Hold[] = ['volumeL', 'og', 'waterL'];
const LEAST_MARGIN = { abv: 0.1, sweetnessGPerL: 1 } as const;
const STRENGTHS: readonly Hold[] = ['og', 'abv', 'sweetnessGPerL'];

const holdsOf = (plan: MustPlan, held: readonly Hold[]): Holds =>
  Object.fromEntries(held.map((hold) => [hold, plan.wanted[hold] ?? valueOf(plan, hold)]));

/** Brings the number of holds to what the plan's locks leave open: the longest held goes first, usual ones step in. */
function settleHolds(plan: MustPlan): MustPlan {
  const needed = holdsNeeded(plan);
  let held = heldIn(plan.wanted);
  while (held.length > needed) {
    const goes = needed === 1 ? (held.find((hold) => STRENGTHS.includes(hold)) ?? held[0]) : held[0];
    held = held.filter((hold) => hold !== goes);
  }
  for (const hold of USUAL_HOLDS) if (held.length < needed && !held.some((other) => holdsContradict(other, hold))) held = [...held, hold];
  return { ...plan, wanted: holdsOf(plan, held) };
}

/** The present value of something, moved to where it can be held: alcohol just below what the yeast bears, sugar just above dry. */
export function holdableValue(plan: MustPlan, name: Hold): number {
  const value = valueOf(plan, name);
  if (name === 'abv') return Math.min(value, yeastOf(plan).toleranceAbv.value - LEAST_MARGIN.abv);
  return name === 'sweetnessGPerL' ? Math.max(value, DRY_SUGAR_G_PER_L.value + LEAST_MARGIN.sweetnessGPerL) : value;
}

/**
 * The plan with something held at a value, newest last. What contradicts it gives way, else what was held longest.
 * @throws Refusal where no must meets the holds
 */
export function hold(plan: MustPlan, name: Hold, value: number): MustPlan {
  const others: Holds = { ...plan.wanted, [name]: undefined };
  const kept = (Object.keys(others) as Hold[]).filter((other) => others[other] !== undefined && !holdsContradict(other, name));
  const wanted = { ...Object.fromEntries(kept.map((other) => [other, others[other]])), [name]: value };
  return solveMust(settleHolds({ ...plan, wanted }));
}

/** The plan after a change to anything but its holds, with its free amounts moved to meet them. @throws Refusal as `solveMust` */
export function change(plan: MustPlan, over: Partial<MustPlan>): MustPlan {
  return solveMust(settleHolds({ ...plan, ...over }));
}

/** One line changed. Weighing a line locks it: what is on the scale is not moved by a formula. */
export function changeLine(plan: MustPlan, id: string, over: Partial<PlannedIngredient>): MustPlan {
  const lock = over.massG !== undefined && over.lock === undefined ? { lock: 'mass' as const } : {};
  return change(plan, { ingredients: plan.ingredients.map((line) => (line.id === id ? { ...line, ...over, ...lock } : line)) });
}

/** A line held to an amount per liter of must keeps the amount it has now. */
export function holdPerLiter(plan: MustPlan, id: string): MustPlan {
  const liters = valueOf(plan, 'volumeL');
  const massG = plan.ingredients.find((line) => line.id === id)?.massG ?? 0;
  return changeLine(plan, id, { lock: 'perLiter', gPerL: liters > 0 ? massG / liters : 0 });
}

/** A plan as it was kept, with the usual holds where it had none. */
export const openPlan = (plan: MustPlan): MustPlan => settleHolds(plan);
