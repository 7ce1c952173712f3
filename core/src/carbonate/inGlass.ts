import { meadBottled, mixedOf } from '../record/index.ts';
import type { BottleRow, Filling, Ledger } from '../record/index.ts';
import type { Immutable } from '../quantities/index.ts';
import { bottlePressureBar, residualCo2Volumes } from './gas.ts';
import { primingSugarOf, volumesMade } from './priming.ts';

type Filled = Immutable<Filling>;
type Row = Immutable<BottleRow>;

/** Volumes that sugar makes in these bottles of a filling. */
function primedVolumes({ primings, each }: Pick<Filled, 'primings' | 'each'>, { primeG = 0, sizeMl }: Row): number {
  const stirred = primings.reduce((sum, of) => sum + volumesMade(primingSugarOf(of), of.gPerL), 0);
  return stirred + (each === null || primeG === 0 ? 0 : volumesMade(primingSugarOf(each), primeG / (sizeMl / 1000)));
}

export const isPrimed = ({ primings, each }: Pick<Filled, 'primings' | 'each'>): boolean =>
  each !== null || primings.some(({ gPerL }) => gPerL > 0);

/** A room, where nobody said how warm it was. */
const ROOM_C = 20;

/** Volumes of CO2 once the sugar is gone: what the warmest day left in it, and what the sugar makes. */
export const volumesIn = (filling: Pick<Filled, 'primings' | 'each' | 'warmestC'>, row: Row): number =>
  residualCo2Volumes(filling.warmestC ?? ROOM_C) + primedVolumes(filling, row);

/** Air under a crown or a cork, as a share of what a bottle holds (our estimate: 13 mm under a cork and 25 mm under a crown are 1 to 4 %). */
const HEADSPACE = 0.03;

/** Gauge pressure of a filled bottle at so many degrees once its sugar is gone, bar. @param tempC 0 to 40 °C @param closedAtC null where its air was driven out */
export const pressureIn = (volumes: number, tempC: number, sizeMl: number, abv: number, closedAtC: number | null = ROOM_C): number =>
  Math.max(
    0,
    bottlePressureBar({
      volumes,
      tempC,
      liquidMl: sizeMl * (1 - HEADSPACE),
      headspaceMl: sizeMl * HEADSPACE,
      abv: Math.min(22, abv),
      airFromC: closedAtC,
    }),
  );

/** The gas of what was closed last, from its least to its most gassy bottles; null where none was primed. */
export function gasOf(ledger: Ledger): { low: number; high: number; abv: number } | null {
  const filling = ledger.history.bottled?.fillings.at(-1);
  const mead = meadBottled(ledger);
  if (filling === undefined || mead === null || !isPrimed(filling)) return null;
  const all = filling.bottles.filter(({ count }) => count > 0).map((row) => volumesIn(filling, row));
  return all.length === 0 ? null : { low: Math.min(...all), high: Math.max(...all), abv: mixedOf(mead)?.abv ?? 0 };
}
