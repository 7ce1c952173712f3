import { bottlesIn } from './count.ts';
import { meadBottled } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import type { MustPlan } from '../must/index.ts';

/** What the shelf says of prices, by lot: of a kilogram, or of a piece. */
export interface Prices {
  perKg: ReadonlyMap<string, number>;
  each: ReadonlyMap<string, number>;
  /** Lots by the name of what they are. */
  lotsCalled: ReadonlyMap<string, string>;
}

export interface BottledCost {
  total: number;
  /** Of the mead itself, and of a bottle of the usual size, closures with it. */
  perL: number;
  perBottle: number;
  /** What has no price; the cost is then too low. */
  unpriced: string[];
}

/** What a batch that came from a split bears of the whole: its share of the sugar that was poured. */
function shareOfWhole(mead: Ledger): number {
  const isPart = mead.history.transfers.some(({ direction }) => direction !== 'in');
  const poured = mead.history.pours.reduce((sum, { sugarG }) => sum + sugarG, 0);
  return !isPart || poured <= 0 ? 1 : Math.min(1, mead.liquid.sugarBasisG / poured);
}

/**
 * What was really bottled has cost: what was poured by its lot or its plan’s price, what else was taken from the shelf, bottles and
 * closures, labels and gas. Null where nothing is bottled.
 */
export function costOfBottled(ledger: Ledger, plan: Pick<MustPlan, 'ingredients' | 'otherCost'>, prices: Prices): BottledCost | null {
  const mead = meadBottled(ledger);
  const { bottled } = ledger.history;
  if (mead === null || bottled === null) return null;
  const isChild = mead.history.transfers.some(({ direction }) => direction === 'born');
  const unpriced = new Set<string>();
  const share = shareOfWhole(mead);
  const poured = mead.history.pours.reduce((sum, { name, massG }) => {
    const line = plan.ingredients.find((each) => each.name === name);
    const lotId = line?.lotId ?? prices.lotsCalled.get(name);
    if (lotId !== undefined && !isChild && ledger.taken[lotId] !== undefined) return sum;
    const perKg = (lotId === undefined ? undefined : prices.perKg.get(lotId)) ?? line?.pricePerKg;
    if (perKg === undefined && massG > 0) unpriced.add(name);
    return sum + (massG / 1000) * (perKg ?? 0);
  }, 0);
  const pieces = new Set(bottled.bottles.flatMap(({ lotId, closureLotId }) => [lotId ?? [], closureLotId ?? []].flat()));
  const taken = Object.entries(ledger.taken).filter(([lotId]) => !pieces.has(lotId));
  for (const [lotId, massG] of taken)
    if (massG > 0 && !prices.perKg.has(lotId)) for (const [name, id] of prices.lotsCalled) if (id === lotId) unpriced.add(name);
  const fromShelf = taken.reduce((sum, [lotId, massG]) => sum + (massG / 1000) * (prices.perKg.get(lotId) ?? 0), 0);
  const glass = [...pieces].reduce((sum, lotId) => sum + (ledger.taken[lotId] ?? 0) * (prices.each.get(lotId) ?? 0), 0);
  const others = bottled.fillings.reduce((sum, { otherCost }) => sum + otherCost, 0);
  const total = share * (poured + fromShelf + plan.otherCost) + glass + others;
  const { bottles, liters } = bottlesIn(ledger);
  return {
    total,
    perL: liters > 0 ? total / liters : 0,
    perBottle: bottles > 0 ? total / bottles : 0,
    unpriced: [...unpriced],
  };
}
