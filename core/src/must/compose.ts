import { honeySolids } from '../ledger/index.ts';
import type { Assumptions } from '../ledger/index.ts';
import { WATER_20_KG_PER_M3 } from '../liquid/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Fermentable } from '../yeast/index.ts';
import type { PlannedHoney } from './plan.ts';

/**
 * The must that these honeys and this water make, by mass.
 * @throws Refusal for negative amounts or moistures no honey has
 */
export function composeMust(honeys: readonly PlannedHoney[], waterL: number, assumptions: Assumptions): Fermentable {
  if (!(waterL >= 0)) throw new Refusal('Water cannot be less than nothing.', 'waterL');
  const must: Fermentable = { waterG: waterL * assumptions.waterScale * WATER_20_KG_PER_M3, sugarG: 0, unfermentableG: 0, ethanolG: 0 };
  for (const honey of honeys) {
    if (!(honey.massG >= 0)) throw new Refusal(`${honey.name} cannot weigh less than nothing.`, 'massG');
    const solids = honeySolids(
      honey.massG,
      honey.moisture + assumptions.moistureShift,
      honey.unfermentable * assumptions.unfermentableScale,
    );
    must.waterG += solids.waterG;
    must.sugarG += solids.sugarG;
    must.unfermentableG += solids.unfermentableG;
  }
  return must;
}
