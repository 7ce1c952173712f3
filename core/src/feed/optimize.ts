import { solve } from 'yalps';
import type { Constraint } from 'yalps';
import { Refusal, requireWithin, say, massG as grams } from '../quantities/index.ts';
import type { Working } from '../quantities/index.ts';
import { checkProduct, countedMgPerG, nitrogenMgPerG, productName } from '../nitrogen/index.ts';
import type { Product } from '../nitrogen/index.ts';
import { ammoniumCapMgPerL, mayHoldAmmonium, planFeeding, totalsOf } from './schedule.ts';
import type { DosePart, FeedingPractice, SetDose, ToFeed } from './schedule.ts';
import { timesOf } from './schools.ts';

export interface Stocked {
  product: Product;
  stockG: number;
}

export interface FeedingWish {
  aim: 'cheapest' | 'doses';
  /** The most of what is to be given that may go in with one dose, 0.1 to 1. */
  mostAtOnce: number;
  volumeL: number;
}

/** What holds the plan back. */
export type Bound = 'stock' | 'ammonium cap' | 'ammonium share' | 'packet cap' | 'at once';

export interface WorkedOut {
  doses: SetDose[];
  totals: DosePart[];
  doseCount: number;
  /** For the whole volume, of what has a price. */
  cost: number;
  unpriced: Product[];
  toGiveMgPerL: number;
  coveredMgPerL: number;
  missingMgPerL: number;
  /** What would cover more if it were not there; empty where nothing is missing. */
  heldBackBy: Bound[];
  /** Grams of the practice's own organic product that would cover what is missing. */
  lackingG: number;
  working: Working;
}

/** Counted nitrogen within this is the same, mg/L: far below what can be weighed. */
const SLACK_MG_PER_L = 1e-4;
/** Money within this is the same. */
const SLACK_COST = 1e-6;

interface Slot {
  stocked: Stocked;
  dose: number;
  key: string;
}
type Coefficients = Record<string, number>;

/** The feeding as a linear program: grams of each product per liter at each dose, and whether a dose is made at all. */
class FeedingProgram {
  private readonly rows: Record<string, Constraint> = {};
  private readonly columns: Record<string, Coefficients> = {};
  private readonly doseKeys: string[];
  private readonly slots: Slot[];

  constructor(
    stock: readonly Stocked[],
    private readonly times: readonly Pick<SetDose, 'clockH' | 'share'>[],
    limits: { toGive: number; practice: FeedingPractice; wish: FeedingWish; without: Bound | null; prices: ReadonlyMap<Product, number> },
  ) {
    const { toGive, practice, wish, without, prices } = limits;
    this.doseKeys = times.map((_, i) => `dose ${i}`);
    this.slots = stock.flatMap((stocked, p) =>
      times.flatMap((time, dose) => {
        const fits = nitrogenMgPerG(stocked.product).ammonium === 0 || mayHoldAmmonium(time);
        return fits ? [{ stocked, dose, key: `${p} at ${dose}` }] : [];
      }),
    );
    const atOnce = without === 'at once' ? toGive : toGive * wish.mostAtOnce;
    for (const { stocked, dose, key } of this.slots) {
      const { product } = stocked;
      const counted = countedMgPerG(product, practice.organicCredit);
      const { ammonium } = nitrogenMgPerG(product);
      this.columns[key] = {
        covered: counted,
        ammonium,
        ...(ammonium > 0 ? { ammoniumShare: counted } : {}),
        [`stock ${stock.indexOf(stocked)}`]: 1,
        [`at ${dose}`]: counted,
        cost: (prices.get(product) ?? 0) / 1000,
      };
    }
    this.doseKeys.forEach((key, dose) => {
      this.columns[key] = { [`at ${dose}`]: -atOnce, doseCount: 1 };
      this.rows[`at ${dose}`] = { max: 0 };
    });
    this.rows['covered'] = { max: toGive };
    if (without !== 'ammonium cap') this.rows['ammonium'] = { max: ammoniumCapMgPerL(practice.dapCapGPerL) };
    if (without !== 'ammonium share') this.rows['ammoniumShare'] = { max: toGive * practice.ammoniumShare };
    stock.forEach(({ product, stockG }, p) => {
      const caps = [
        without === 'stock' ? Infinity : stockG / wish.volumeL,
        without === 'packet cap' ? Infinity : (product.capGPerL ?? Infinity),
      ];
      if (Math.min(...caps) < Infinity) this.rows[`stock ${p}`] = { max: Math.min(...caps) };
    });
  }

  /** Holds a row to what was found for it before the next aim is looked for. */
  keep(row: string, limit: Constraint): void {
    this.rows[row] = { ...this.rows[row], ...limit };
  }

  /** The heaviest dose is as light as can be: a last aim, so that equal plans come out even. */
  beEven(): void {
    this.columns['heaviest'] = { heaviest: 1 };
    this.times.forEach((_, dose) => {
      this.rows[`even ${dose}`] = { max: 0 };
      (this.columns['heaviest'] ??= {})[`even ${dose}`] = -1;
    });
    for (const { dose, key } of this.slots) {
      const column = this.columns[key] ?? {};
      column[`even ${dose}`] = column['covered'] ?? 0;
    }
  }

  solve(direction: 'maximize' | 'minimize', objective: string): { value: number; doses: SetDose[] } {
    const found = solve(
      { direction, objective, constraints: this.rows, variables: this.columns, binaries: new Set(this.doseKeys) },
      { timeout: 2000 },
    );
    if (found.status !== 'optimal') throw new Refusal('No plan was found in time; try with fewer products.');
    const grams = new Map(found.variables);
    const doses = this.times.map(({ clockH, share }, dose): SetDose => ({
      clockH,
      share,
      parts: this.slots
        .filter((slot) => slot.dose === dose)
        .map(({ stocked, key }) => ({ product: stocked.product, gPerL: grams.get(key) ?? 0 }))
        .filter(({ gPerL }) => gPerL > 1e-9),
    }));
    return { value: found.result, doses: doses.filter(({ parts }) => parts.length > 0) };
  }
}

/** Prices per kilogram; what has none counts as dearer than all the rest, so that it is taken last. */
function pricesOf(stock: readonly Stocked[]): Map<Product, number> {
  const known = stock.flatMap(({ product }) => (product.pricePerKg === undefined ? [] : [product.pricePerKg]));
  const unknown = 2 * Math.max(1, ...known);
  return new Map(stock.map(({ product }) => [product, product.pricePerKg ?? unknown]));
}

/**
 * The cheapest plan, or the one with the fewest doses, from what there is: as much of the need as the caps, the school's
 * share of ammonium, the stock and its hours allow, exactly (a small linear program with whole doses). Among equals the
 * other aim decides, then the most even doses.
 * @param stock what may be used, grams; products without nitrogen are passed over
 * @throws Refusal where there is nothing to feed with
 */
export function workOutFeeding(toFeed: ToFeed, practice: FeedingPractice, stock: readonly Stocked[], wish: FeedingWish): WorkedOut {
  requireWithin('The share in one dose', wish.mostAtOnce, 0.1, 1);
  if (!(wish.volumeL > 0)) throw new Refusal('The vessel is empty; there is nothing to feed.');
  const usable = stock.filter(({ product, stockG }) => stockG > 0 && countedMgPerG(product, 1) > 0);
  for (const { product } of usable) checkProduct(product);
  if (usable.length === 0) throw new Refusal('There is no nutrient with nitrogen on the shelf; put in what you have, with its figures.');
  const times = timesOf(practice.school, practice.ownHours).length > 0 ? timesOf(practice.school, practice.ownHours) : timesOf('clock', []);
  const { missingMgPerL: toGive } = planFeeding(toFeed, { ...practice, school: 'none' });
  const prices = pricesOf(usable);
  const programWithout = (without: Bound | null) => new FeedingProgram(usable, times, { toGive, practice, wish, without, prices });
  const mostCovered = (without: Bound | null): number => programWithout(without).solve('maximize', 'covered').value;

  const program = programWithout(null);
  const covered = program.solve('maximize', 'covered').value;
  program.keep('covered', { min: covered - SLACK_MG_PER_L });
  const aims = wish.aim === 'cheapest' ? (['cost', 'doseCount'] as const) : (['doseCount', 'cost'] as const);
  for (const aim of aims) {
    const { value } = program.solve('minimize', aim);
    program.keep(aim, { max: value + SLACK_COST });
  }
  program.beEven();
  const { doses } = program.solve('minimize', 'heaviest');
  const totals = totalsOf(doses);
  const missing = toGive - covered > 0.5 ? toGive - covered : 0;
  const BOUNDS: Bound[] = ['stock', 'ammonium cap', 'ammonium share', 'packet cap', 'at once'];
  const used = totals.map(({ product }) => product);
  return {
    doses,
    totals,
    doseCount: doses.length,
    cost: totals.reduce((sum, { product, gPerL }) => sum + (gPerL * wish.volumeL * (product.pricePerKg ?? 0)) / 1000, 0),
    unpriced: used.filter(({ pricePerKg }) => pricePerKg === undefined),
    toGiveMgPerL: toGive,
    coveredMgPerL: covered,
    missingMgPerL: missing,
    heldBackBy: missing === 0 ? [] : BOUNDS.filter((bound) => mostCovered(bound) > covered + 0.5),
    lackingG: (missing * wish.volumeL) / Math.max(1, countedMgPerG(practice.organic, practice.organicCredit)),
    working: workingOf(totals, { covered, toGive, practice, wish, stock: usable }),
  };
}

interface Told {
  covered: number;
  toGive: number;
  practice: FeedingPractice;
  wish: FeedingWish;
  stock: readonly Stocked[];
}

function workingOf(totals: readonly DosePart[], { covered, toGive, practice, wish, stock }: Told): Working {
  const ammonium = totals.reduce((sum, { product, gPerL }) => sum + gPerL * nitrogenMgPerG(product).ammonium, 0);
  return {
    formula: `${wish.aim === 'cheapest' ? 'least cost, then fewest doses' : 'fewest doses, then least cost'}, then even doses; within every cap and what there is`,
    inputs: [
      { name: 'to be given', shown: say`${toGive.toFixed(0)} mg/L, covered ${covered.toFixed(0)}` },
      ...totals.map(({ product, gPerL }) => {
        const stockG = stock.find((each) => each.product === product)?.stockG ?? 0;
        return {
          name: productName(product),
          shown: say`${gPerL.toFixed(3)} g/L × ${countedMgPerG(product, practice.organicCredit).toFixed(0)} mg/g, ${grams(gPerL * wish.volumeL)} of ${grams(stockG)}`,
        };
      }),
      {
        name: 'ammonium nitrogen',
        shown: say`${ammonium.toFixed(0)} of at most ${ammoniumCapMgPerL(practice.dapCapGPerL).toFixed(0)} mg/L`,
      },
      { name: 'in one dose', shown: say`at most ${(100 * wish.mostAtOnce).toFixed(0)} % of it, which is a habit and no law` },
    ],
    source: 'Linear program with whole doses, solved exactly; the sum is proved by the rows above.',
    school: `ammonium covers at most ${(100 * practice.ammoniumShare).toFixed(0)} %, organic nitrogen counted ${practice.organicCredit} ×`,
  };
}
