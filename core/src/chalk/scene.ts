import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { plannedFrom, pourOf } from '../must/index.ts';
import { normal } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { RANGE_SD } from '../quantities/index.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import type { Vessel } from '../vessel/index.ts';
import { yeastType } from '../yeast/index.ts';
import { drawsOf } from './draws.ts';
import { GLUCOSE_IN_HONEY, HONEY_BUFFER, volumeOf } from './law.ts';
import type { Hidden } from './hidden.ts';
import type { Must } from './law.ts';
import { troubleOf } from './troubles.ts';
import type { Depth, TroubleId } from './troubles.ts';

/** A must on the chalk floor, before anything is done to it. The same scene always goes the same way. */
export interface Scene {
  seed: number;
  honey: string;
  honeyG: number;
  waterL: number;
  /** Of the reference table. */
  fruit?: { rowId: string; massG: number };
  yeastId: string;
  pitchG: number;
  vessel: Vessel;
  roomC: number;
  /** What is wrong with it; null where nothing is. */
  trouble: TroubleId | null;
  depth: Depth;
}

const PITCHED_LIVING = 0.42;
/** Acid of a fruit must holds its pH (our estimate). */
const FRUIT_BUFFER_PER_KG = 6;
const START_PH = { honey: 3.75, fruit: 3.45 } as const;

/** A room that follows the days and the weeks. */
function usualRoom(meanC: number, rng: Rng): (hour: number) => number {
  const [night, wander, days, phase] = [0.4 + 0.6 * rng(), 0.3 + 0.7 * rng(), 6 + 12 * rng(), 6 * rng()];
  return (hour) =>
    meanC + night * Math.sin((2 * Math.PI * (hour - 9)) / 24) + wander * Math.sin((2 * Math.PI * hour) / (24 * days) + phase);
}

/** What is poured and pitched, as a record has it. */
export function recipeOf({ honey, honeyG, waterL, fruit, yeastId, pitchG }: Scene): EventContent[] {
  return [
    { kind: 'honey', payload: { name: honey, massG: honeyG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
    ...(fruit === undefined ? [] : [pourOf(plannedFrom(fruit.rowId, fruit.massG), fruit.massG)]),
    { kind: 'water', payload: { volumeL: waterL } },
    { kind: 'yeast', payload: { yeastId, name: yeastType(yeastId).name, massG: pitchG } },
  ];
}

/** How it stands at the pitch, with whatever is wrong with it. */
export function hiddenOf(scene: Scene): Hidden {
  const rng = drawsOf(scene.seed);
  const type = yeastType(scene.yeastId);
  const { liquid } = fold(
    eventsAt(
      0,
      recipeOf(scene).map((content) => [0, content]),
    ),
  );
  const masses = {
    waterG: liquid.waterG,
    glucoseG: GLUCOSE_IN_HONEY * liquid.sugarG,
    fructoseG: (1 - GLUCOSE_IN_HONEY) * liquid.sugarG,
    unfermentableG: liquid.unfermentableG,
    ethanolG: 0,
  };
  const { value, low, high } = type.toleranceAbv;
  const volumeL = volumeOf({ ...EMPTY, ...masses });
  const nitrogen = HONEY_NITROGEN.value + (liquid.broughtAmmoniumNMg + liquid.broughtAminoNMg) / volumeL;
  const fruitKg = (scene.fruit?.massG ?? 0) / 1000;
  const hidden: Hidden = {
    must: {
      ...EMPTY,
      ...masses,
      volumeL,
      living: (PITCHED_LIVING * scene.pitchG) / volumeL,
      nitrogen,
      ph: fruitKg > 0 ? START_PH.fruit : START_PH.honey,
      buffer: HONEY_BUFFER + (FRUIT_BUFFER_PER_KG * fruitKg * 10) / volumeL,
      tempC: scene.roomC + 1,
      pulp: Math.min(1, fruitKg / volumeL / 0.25),
    },
    setting: {
      yeast: type,
      bearsAbv: value + ((high - low) / (2 * RANGE_SD)) * normal(rng),
      vigor: Math.exp(0.12 * normal(rng)),
      stinks: type.demand === 'high' ? 2 : 1,
      headspaceL: (must) => Math.max(0, scene.vessel.capacityL - must.volumeL),
      gasWeighs: 0.1,
    },
    roomC: usualRoom(scene.roomC, rng),
    tauH: 7 * Math.cbrt(volumeL / 10),
    nutrientShare: 1,
    acids: [],
    floorG: 0,
    scaleSg: 0,
    lidLeaks: false,
  };
  if (scene.trouble !== null) troubleOf(scene.trouble).hides(hidden, scene.depth, rng);
  hidden.must.volumeL = volumeOf(hidden.must);
  return hidden;
}

const EMPTY: Must = {
  hour: 0,
  volumeL: 1,
  waterG: 0,
  glucoseG: 0,
  fructoseG: 0,
  unfermentableG: 0,
  ethanolG: 0,
  co2G: 0,
  restG: 0,
  goneCo2G: 0,
  takenG: 0,
  living: 0,
  resting: 0,
  sterol: 1,
  carriers: 1,
  nitrogen: 0,
  ammoniumShare: 0.3,
  ph: 3.75,
  buffer: HONEY_BUFFER,
  tempC: 20,
  so2: 0,
  sorbic: 0,
  sulfur: 0,
  haze: 0.6,
  leesG: 0,
  pulp: 0,
  isClosed: false,
  rate: 0,
  gas: 0,
  foamL: 0,
};
