import { NUTRIENTS } from '../ledger/index.ts';
import { countedMgPerG, nitrogenMgPerG } from './products.ts';
import type { Product } from './products.ts';
import { AMMONIUM_CUTOFF_ABV } from './progress.ts';
import { doseMgPerL, planFeeding } from './schedule.ts';
import type { FeedingPractice, PlannedDose, ToFeed } from './schedule.ts';
import { THIRD_BREAK } from './schools.ts';
import type { SchoolId } from './schools.ts';

/** How fast a must usually goes: a third of its sugar gone after three days at 20 °C, half as fast for every 10 °C less (our estimate). */
const USUAL_BREAK_H = 72;

/** Hours to the third break that may be expected at this temperature. */
export const usualBreakH = (tempC: number): number => USUAL_BREAK_H * 2 ** ((20 - tempC) / 10);

/** What a school's plan means on one must. */
export interface SchoolOutcome {
  school: SchoolId;
  visits: number;
  totals: { product: Product; gPerL: number }[];
  costPerL: number;
  /** Products without a price; the cost is then too low. */
  unpriced: Product[];
  /** Counted mg N/L that would come after 9 % vol as ammonium, or after half of the sugar is gone. */
  lateMgPerL: number;
  /** What the school leaves uncovered. */
  missingMgPerL: number;
  /** Hours after the pitch and counted mg N/L given until then, for drawing. */
  steps: { hour: number; mgPerL: number }[];
}

/**
 * Schools side by side on one must, at a usual pace.
 * @param breakH hours to the third break
 * @param abvDry % vol when all the sugar is gone
 */
export function compareSchools(
  toFeed: ToFeed,
  practice: FeedingPractice,
  schools: readonly SchoolId[],
  { breakH, abvDry }: { breakH: number; abvDry: number },
): SchoolOutcome[] {
  /** Sugar falls off exponentially, a third of it in breakH. */
  const rate = -Math.log(1 - THIRD_BREAK) / breakH;
  const hourAt = (share: number): number => (share >= 1 ? Number.POSITIVE_INFINITY : -Math.log(1 - share) / rate);
  const hourOf = ({ clockH, share }: PlannedDose): number => (share === null ? clockH : Math.min(clockH, hourAt(share)));
  const cutoffH = hourAt(AMMONIUM_CUTOFF_ABV / abvDry);
  const halfH = hourAt(0.5);
  return schools.map((school) => {
    const plan = planFeeding(toFeed, { ...practice, school });
    const steps: SchoolOutcome['steps'] = [];
    let mgPerL = plan.creditMgPerL;
    let lateMgPerL = 0;
    for (const dose of plan.doses) {
      const hour = hourOf(dose);
      mgPerL += doseMgPerL(dose, practice);
      steps.push({ hour, mgPerL });
      for (const { product, gPerL } of dose.parts) {
        if (hour > halfH) lateMgPerL += gPerL * countedMgPerG(product, practice.organicCredit);
        else if (hour > cutoffH) lateMgPerL += gPerL * nitrogenMgPerG(product).ammonium;
      }
    }
    const totals = totalsOf(plan.doses);
    return {
      school,
      visits: plan.doses.length,
      totals,
      costPerL: totals.reduce((sum, { product, gPerL }) => sum + (gPerL / 1000) * (product.pricePerKg ?? 0), 0),
      unpriced: totals.filter(({ product }) => product.pricePerKg === undefined).map(({ product }) => product),
      lateMgPerL,
      missingMgPerL: plan.missingMgPerL,
      steps,
    };
  });
}

function totalsOf(doses: readonly PlannedDose[]): { product: Product; gPerL: number }[] {
  const totals: { product: Product; gPerL: number }[] = [];
  for (const { product, gPerL } of doses.flatMap(({ parts }) => parts)) {
    const found = totals.find((total) => total.product === product);
    if (found === undefined) totals.push({ product, gPerL });
    else found.gPerL += gPerL;
  }
  return totals;
}

/** What to know of a product before it is fed; null where there is nothing. */
export const productCaution = ({ source }: Product): string | null => NUTRIENTS[source].caution;
