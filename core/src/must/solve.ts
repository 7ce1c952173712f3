import { checkComposition } from '../ingredients/index.ts';
import { Refusal, abvPct, say } from '../quantities/index.ts';
import { solveSystem } from '../numerics/index.ts';
import { DRY_SUGAR_G_PER_L, yeastOf } from '../yeast/index.ts';
import { totalCost } from './cost.ts';
import { measureMust, unboundedOf } from './measure.ts';
import type { Course } from './measure.ts';
import { honeysOf, totalG } from './plan.ts';
import type { Hold, Holds, MustPlan } from './plan.ts';
import { centralCourse } from './predict.ts';

const HOLD_NAMES: Record<Hold, string> = {
  volumeL: 'volume at the pitch',
  rackedL: 'volume after racking',
  og: 'original gravity',
  abv: 'alcohol',
  sweetnessGPerL: 'sweetness',
  honeyG: 'honey',
  waterL: 'water',
  cost: 'cost',
};

const STRENGTHS: readonly Hold[] = ['og', 'abv', 'sweetnessGPerL'];
const SIZES: readonly Hold[] = ['volumeL', 'rackedL'];

/** Holding this second thing beside the first leaves nothing to solve, or too much. */
export function holdsContradict(a: Hold, b: Hold): boolean {
  return a === b || [STRENGTHS, SIZES].some((kind) => kind.includes(a) && kind.includes(b));
}

export const heldIn = (holds: Holds): Hold[] => (Object.keys(holds) as Hold[]).filter((hold) => holds[hold] !== undefined);

/** How many holds settle a plan: one for the water, one for what is free, and one more where two free honeys may change their ratio. */
export function holdsNeeded({ ingredients, ratioFree }: Pick<MustPlan, 'ingredients' | 'ratioFree'>): number {
  const free = ingredients.filter(({ lock }) => lock === 'free');
  if (free.length === 0) return 1;
  return ratioFree === true && free.length === 2 ? 3 : 2;
}

/** No must meets the holds. `loosen` says what each would become if it alone were let go. */
export class HoldsRefusal extends Refusal {
  readonly loosen: { hold: Hold; reachable: number }[];

  constructor(sentence: string, loosen: { hold: Hold; reachable: number }[]) {
    super(sentence);
    this.name = 'HoldsRefusal';
    this.loosen = loosen;
  }
}

/** Gravity above which no must can be mixed or fermented; nothing stronger is planned. */
const STRONGEST_SG = 1.2;
/** Residuals are scaled so that this is far below any instrument: 1e-7 in SG, 1 part in 100 000 in volume. */
const TOLERANCE = 1e-5;

interface Unknowns {
  /** Grams of each free ingredient, or of all together where their ratio stays. */
  freeG: number[];
  waterL: number;
  /** Liters that the amounts per liter are counted by. */
  countedL: number;
}

/**
 * The plan with its free amounts moved so that every hold is met. Moves from where the plan stands, so that a small
 * change of a hold is a small change of the amounts.
 *
 * @param plan `wanted` holds as many things as `holdsNeeded`
 * @throws Refusal naming what contradicts; HoldsRefusal where no must meets the holds, with what each would have to become
 */
export function solveMust(plan: MustPlan): MustPlan {
  checkHolds(plan);
  const solved = attempt(plan, plan.wanted);
  if (solved.plan !== null) return solved.plan;
  const held = heldIn(plan.wanted);
  const loosen = held.flatMap((hold) => {
    const reachable = reachableWithout(plan, hold, solved.vanished);
    return reachable === null ? [] : [{ hold, reachable }];
  });
  const short = solved.vanished === 'water' ? 'the water' : solved.vanished === 'free' ? freeNames(plan) : null;
  const names = listed(held.map((hold) => HOLD_NAMES[hold]));
  throw new HoldsRefusal(
    short === null
      ? `No must meets ${names} together; let one of them go.`
      : `No must meets ${names} together: ${short} would have to be less than nothing.`,
    loosen,
  );
}

const listed = (names: string[]): string => (names.length < 2 ? (names[0] ?? '') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`);

function freeNames(plan: MustPlan): string {
  return listed(plan.ingredients.filter(({ lock }) => lock === 'free').map(({ name }) => name));
}

function checkHolds(plan: MustPlan): void {
  for (const { name, family, composition } of plan.ingredients) checkComposition(name, family, composition);
  const { wanted } = plan;
  const held = heldIn(wanted);
  const needed = holdsNeeded(plan);
  for (const [i, a] of held.entries())
    for (const b of held.slice(i + 1))
      if (holdsContradict(a, b))
        throw new Refusal(
          `The ${HOLD_NAMES[a]} and the ${HOLD_NAMES[b]} both set ${STRENGTHS.includes(a) ? 'how strong the must is' : 'how much there is'}; let one of them go.`,
        );
  if (held.length !== needed)
    throw new Refusal(`Hold exactly ${['', 'one thing', 'two things', 'three things'][needed]} fixed; the rest follows.`);
  for (const hold of held) {
    const value = wanted[hold] ?? 0;
    if (!(value > 0) && hold !== 'waterL') throw new Refusal(`The ${HOLD_NAMES[hold]} wanted must be more than nothing.`, hold);
  }
  if (wanted.og !== undefined && !(wanted.og > 1 && wanted.og <= STRONGEST_SG))
    throw new Refusal(
      `A must of gravity ${wanted.og.toFixed(3)} cannot be planned; it must lie above 1.000 and not above ${STRONGEST_SG.toFixed(3)}.`,
      'og',
    );
  const yeast = yeastOf(plan);
  if (wanted.abv !== undefined && wanted.abv >= yeast.toleranceAbv.value)
    throw new Refusal(
      say`The ${yeast.name} stops near ${abvPct(yeast.toleranceAbv.value)}; want less than that, or choose a stronger yeast.`,
      'abv',
    );
  if (wanted.sweetnessGPerL !== undefined && wanted.sweetnessGPerL <= DRY_SUGAR_G_PER_L.value)
    throw new Refusal(
      `A dry mead leaves the strength open; hold its gravity or alcohol instead, or want more than ${DRY_SUGAR_G_PER_L.value} g/L of sugar left.`,
      'sweetnessGPerL',
    );
}

/** The plan with these amounts in it. */
function withAmounts(plan: MustPlan, { freeG, waterL, countedL }: Unknowns): MustPlan {
  const free = plan.ingredients.filter(({ lock }) => lock === 'free');
  const total = totalG(free);
  const ingredients = plan.ingredients.map((ingredient) => {
    if (ingredient.lock === 'perLiter') return { ...ingredient, massG: (ingredient.gPerL ?? 0) * countedL };
    if (ingredient.lock !== 'free') return ingredient;
    const own = freeG.length > 1 ? freeG[free.indexOf(ingredient)] : undefined;
    return { ...ingredient, massG: own ?? (freeG[0] ?? 0) * (total > 0 ? ingredient.massG / total : 1 / free.length) };
  });
  return { ...plan, ingredients, waterL };
}

/** How far a plan misses a hold, scaled so that 1 is a large miss. */
function missOf(plan: MustPlan, hold: Hold, wanted: number, course: Course): number {
  switch (hold) {
    case 'honeyG':
      return (totalG(honeysOf(plan)) - wanted) / wanted;
    case 'cost':
      return (totalCost(plan) - wanted) / wanted;
    case 'waterL':
      return plan.waterL - wanted;
    case 'abv':
      return unboundedOf(plan, course).abvDry - wanted;
    case 'sweetnessGPerL':
      return (unboundedOf(plan, course).sugarAtToleranceGPerL - wanted) / 10;
    case 'og':
      return (measureMust(plan, course).og - wanted) * 100;
    case 'volumeL':
    case 'rackedL':
      return (measureMust(plan, course)[hold] - wanted) / wanted;
  }
}

interface Attempt {
  plan: MustPlan | null;
  vanished: 'water' | 'free' | null;
}

/** Searches the amounts; `fixed` puts one of them at nothing. */
function attempt(plan: MustPlan, wanted: Holds, fixed: 'water' | 'free' | null = null): Attempt {
  const course = centralCourse(plan);
  const free = plan.ingredients.filter(({ lock }) => lock === 'free');
  const counted = plan.ingredients.some(({ lock }) => lock === 'perLiter');
  const equations = heldIn(wanted).filter((hold) => hold !== 'waterL');
  const searchesWater = wanted.waterL === undefined && fixed !== 'water';
  const freeCount = fixed === 'free' || free.length === 0 ? 0 : plan.ratioFree === true && free.length === 2 && fixed === null ? 2 : 1;
  const read = (x: readonly number[]): Unknowns => ({
    freeG: x.slice(0, freeCount).map((kg) => kg * 1000),
    waterL: searchesWater ? (x[freeCount] ?? 0) : fixed === 'water' ? 0 : (wanted.waterL ?? 0),
    countedL: counted ? (x.at(-1) ?? 0) : 0,
  });
  const start = startOf(plan, freeCount, searchesWater, counted, wanted);
  const misses = (x: readonly number[]): number[] => {
    const tried = withAmounts(plan, read(x));
    try {
      const held = equations.map((hold) => missOf(tried, hold, wanted[hold] ?? 0, course));
      const volumeL = counted ? measureMust(tried, course).volumeL : 0;
      return counted ? [...held, volumeL - (x.at(-1) ?? 0)] : held;
    } catch (error) {
      if (error instanceof Refusal) return start.map(() => Number.POSITIVE_INFINITY);
      throw error;
    }
  };
  if (misses(start).length !== start.length) return { plan: null, vanished: null };
  const root = solveSystem(misses, start, TOLERANCE);
  if (root.converged) return { plan: withAmounts(plan, read(root.x)), vanished: null };
  const vanished =
    root.vanished === -1 ? null : root.vanished < freeCount ? 'free' : searchesWater && root.vanished === freeCount ? 'water' : null;
  return { plan: null, vanished };
}

/** Where the search begins: where the plan stands, or at a middling must where it stands at nothing. */
function startOf(plan: MustPlan, freeCount: number, searchesWater: boolean, counted: boolean, wanted: Holds): number[] {
  const free = plan.ingredients.filter(({ lock }) => lock === 'free');
  const litersGuess = wanted.volumeL ?? wanted.rackedL ?? (plan.waterL > 0 ? plan.waterL * 1.2 : 5);
  const standing = freeCount > 1 ? free.map(({ massG }) => massG / 1000) : [totalG(free) / 1000];
  const x = standing.slice(0, freeCount).map((kg) => (kg > 0.001 * litersGuess ? kg : 0.25 * litersGuess));
  if (searchesWater) x.push(plan.waterL > 0.01 * litersGuess ? plan.waterL : 0.7 * litersGuess);
  if (counted) x.push(litersGuess);
  return x;
}

/** What a hold would become if it were let go while the amount that vanished stays at nothing. */
function reachableWithout(plan: MustPlan, hold: Hold, vanished: Attempt['vanished']): number | null {
  const wanted = { ...plan.wanted, [hold]: undefined };
  const { plan: reached } = attempt(plan, wanted, vanished ?? 'water');
  if (reached === null) return null;
  const value = valueOf(reached, hold);
  return Number.isFinite(value) && value > 0 ? value : null;
}

/** What a plan has of something that may be held, at the middle of every assumption. */
export function valueOf(plan: MustPlan, hold: Hold): number {
  const figures = measureMust(plan, centralCourse(plan));
  if (hold === 'honeyG') return totalG(honeysOf(plan));
  if (hold === 'cost') return totalCost(plan);
  if (hold === 'waterL') return plan.waterL;
  return hold === 'sweetnessGPerL' ? figures.sugarLeftGPerL : figures[hold];
}
