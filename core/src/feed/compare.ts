import { countedMgPerG, nitrogenMgPerG } from '../nitrogen/index.ts';
import type { Product } from '../nitrogen/index.ts';
import { AMMONIUM_CUTOFF_ABV } from '../yeast/index.ts';
import { doseMgPerL, planFeeding, totalsOf } from './schedule.ts';
import type { FeedingPractice, PlannedDose, ToFeed } from './schedule.ts';
import type { SchoolId } from './schoolIds.ts';
import { TOO_LATE_SHARE } from '../yeast/index.ts';

/** What a school's plan means on one must. */
export interface SchoolOutcome {
  school: SchoolId;
  doseCount: number;
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
 * Schools side by side on one must.
 * @param hourAt hours after the pitch at which a share of the sugar is gone
 * @param abvDry % vol when all the sugar is gone
 */
export function compareSchools(
  toFeed: ToFeed,
  practice: FeedingPractice,
  schools: readonly SchoolId[],
  { hourAt, abvDry }: { hourAt: (share: number) => number; abvDry: number },
): SchoolOutcome[] {
  const hourOf = ({ clockH, share }: PlannedDose): number => (share === null ? clockH : Math.min(clockH, hourAt(share)));
  const cutoffH = hourAt(AMMONIUM_CUTOFF_ABV / abvDry);
  const halfH = hourAt(TOO_LATE_SHARE);
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
      doseCount: plan.doses.length,
      totals,
      costPerL: totals.reduce((sum, { product, gPerL }) => sum + (gPerL / 1000) * (product.pricePerKg ?? 0), 0),
      unpriced: totals.filter(({ product }) => product.pricePerKg === undefined).map(({ product }) => product),
      lateMgPerL,
      missingMgPerL: plan.missingMgPerL,
      steps,
    };
  });
}
