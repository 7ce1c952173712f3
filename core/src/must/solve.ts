import { CENTRAL_ASSUMPTIONS } from '../ledger/index.ts';
import { WATER_20_KG_PER_M3, mix } from '../liquid/index.ts';
import { findRoot } from '../numerics/index.ts';
import { Refusal } from '../quantities/index.ts';
import { DRY_SUGAR_G_PER_L, stopsAt, yeastType } from '../yeast/index.ts';
import type { Stop } from '../yeast/index.ts';
import { composeMust } from './compose.ts';
import type { PlannedHoney } from './plan.ts';

/** What the maker may hold fixed; the rest follows. `abv` and `sweetness` (g/L of sugar left) are what the yeast ends with. */
export interface Holds {
  volumeL?: number;
  og?: number;
  abv?: number;
  sweetnessGPerL?: number;
  honeyG?: number;
}

export type Hold = keyof Holds;
const STRENGTHS = ['og', 'abv', 'sweetnessGPerL'] as const;
type Strength = (typeof STRENGTHS)[number];

export const HOLD_NAMES: Record<Hold, string> = {
  volumeL: 'volume',
  og: 'original gravity',
  abv: 'alcohol',
  sweetnessGPerL: 'sweetness',
  honeyG: 'honey',
};

/** Holding this second thing beside the first leaves nothing to solve, or too much. */
export function holdsContradict(a: Hold, b: Hold): boolean {
  const isStrength = (hold: Hold): boolean => (STRENGTHS as readonly string[]).includes(hold);
  return a === b || (isStrength(a) && isStrength(b));
}

export interface Solved {
  honeyG: number;
  waterL: number;
}

/** Gravity above which no must can be mixed or fermented; the solver looks no further. */
const STRONGEST_SG = 1.2;

/**
 * Honey and water that meet exactly two holds, with the yeast and the honeys' ratio given.
 *
 * @param honeys give the ratio and make-up; their masses may be scaled, equal parts where all are 0
 * @throws Refusal naming what contradicts or which hold to loosen
 */
export function solveMust(holds: Holds, honeys: readonly PlannedHoney[], yeastId: string): Solved {
  const held = (Object.keys(holds) as Hold[]).filter((hold) => holds[hold] !== undefined);
  const [first, second] = held;
  if (held.length !== 2 || first === undefined || second === undefined)
    throw new Refusal('Hold exactly two things fixed; the rest follows from them.');
  if (holdsContradict(first, second)) {
    throw new Refusal(
      `The ${HOLD_NAMES[first]} and the ${HOLD_NAMES[second]} both set how strong the must is; let one of them go and hold the volume or the honey.`,
    );
  }
  if (honeys.length === 0) throw new Refusal('A must needs a honey; choose one.');
  const blend = blendOf(honeys);
  const strength = STRENGTHS.find((name) => holds[name] !== undefined);
  if (strength === undefined) return waterForVolume(blend, holds.honeyG ?? 0, holds.volumeL ?? 0);
  const share = honeyShareFor(blend, strength, holds[strength] ?? 0, yeastId);
  if (holds.honeyG !== undefined) return { honeyG: holds.honeyG, waterL: (holds.honeyG * (1 / share - 1)) / WATER_20_KG_PER_M3 };
  const kilo = kiloOf(blend, share);
  const massG = (1000 * (holds.volumeL ?? 0)) / kilo.mixed.volumeL;
  return { honeyG: massG * share, waterL: (massG * (1 - share)) / WATER_20_KG_PER_M3 };
}

type Blend = Pick<PlannedHoney, 'moisture' | 'unfermentable'>;

function blendOf(honeys: readonly PlannedHoney[]): Blend {
  const total = honeys.reduce((sum, honey) => sum + honey.massG, 0);
  const weight = (honey: PlannedHoney): number => (total > 0 ? honey.massG / total : 1 / honeys.length);
  return {
    moisture: honeys.reduce((sum, honey) => sum + honey.moisture * weight(honey), 0),
    unfermentable: honeys.reduce((sum, honey) => sum + honey.unfermentable * weight(honey), 0),
  };
}

/** One kilogram of must with this share of honey by mass. */
function kiloOf(blend: Blend, share: number) {
  const must = composeMust(
    [{ name: 'honey', massG: 1000 * share, ...blend }],
    (1000 * (1 - share)) / WATER_20_KG_PER_M3,
    CENTRAL_ASSUMPTIONS,
  );
  return { must, mixed: mix({ waterG: must.waterG, extractG: must.sugarG + must.unfermentableG, ethanolG: 0 }) };
}

function honeyShareFor(blend: Blend, strength: Strength, wanted: number, yeastId: string): number {
  const yeast = yeastType(yeastId);
  const shareForOg = (og: number): number => findRoot((share) => kiloOf(blend, share).mixed.sg - og, 0, 1, 1e-10).x;
  const strongest = Math.min(1, shareForOg(STRONGEST_SG));
  if (strength === 'og') {
    if (!(wanted > 1 && wanted <= STRONGEST_SG)) {
      throw new Refusal(
        `A must of gravity ${wanted.toFixed(3)} cannot be planned; it must lie above 1.000 and not above ${STRONGEST_SG.toFixed(3)}.`,
        'og',
      );
    }
    return shareForOg(wanted);
  }
  const end = (share: number): Stop =>
    stopsAt(kiloOf(blend, share).must, yeast.toleranceAbv.value, DRY_SUGAR_G_PER_L.value, CENTRAL_ASSUMPTIONS);
  if (strength === 'abv') {
    const most = yeast.toleranceAbv.value;
    if (!(wanted > 0)) throw new Refusal('The alcohol wanted must be more than 0 % vol.', 'abv');
    if (wanted >= most)
      throw new Refusal(`The ${yeast.name} stops near ${most} % vol; want less than that, or choose a stronger yeast.`, 'abv');
    return findRoot((share) => end(share).abv - wanted, 1e-4, strongest, 1e-9).x;
  }
  const driest = DRY_SUGAR_G_PER_L.value;
  if (!(wanted > driest)) {
    throw new Refusal(
      `A dry mead leaves the strength open; hold its gravity or alcohol instead, or want more than ${driest} g/L of sugar left.`,
      'sweetnessGPerL',
    );
  }
  const sweetest = end(strongest).sugarGPerL;
  if (wanted > sweetest)
    throw new Refusal(
      `Even a must of ${STRONGEST_SG.toFixed(3)} leaves only ${Math.round(sweetest)} g/L with this yeast; want less, or sweeten afterwards.`,
      'sweetnessGPerL',
    );
  return findRoot((share) => end(share).sugarGPerL - wanted, 1e-4, strongest, 1e-9).x;
}

function waterForVolume(blend: Blend, honeyG: number, volumeL: number): Solved {
  const volumeWith = (waterL: number): number => {
    const must = composeMust([{ name: 'honey', massG: honeyG, ...blend }], waterL, CENTRAL_ASSUMPTIONS);
    return mix({ waterG: must.waterG, extractG: must.sugarG + must.unfermentableG, ethanolG: 0 }).volumeL;
  };
  if (!(volumeL > 0)) throw new Refusal('The volume must be more than nothing.', 'volumeL');
  const bare = honeyG > 0 ? volumeWith(0) : 0;
  if (bare >= volumeL) throw new Refusal(`That much honey alone fills ${bare.toFixed(2)} L; hold more volume or less honey.`, 'volumeL');
  return { honeyG, waterL: findRoot((waterL) => volumeWith(waterL) - volumeL, 1e-6, volumeL * 1.1, 1e-9).x };
}
