/** A mead of the given collection as its maker knew it, as entries of a record. */
import { MEAN_HONEY, honeyComposition, referenceIngredient } from '@hollow-bell/core/ingredients';
import type { Composition, Ingredient } from '@hollow-bell/core/ingredients';
import type { Pulse } from '@hollow-bell/core/course';
import type { CalibrationC } from '@hollow-bell/core/liquid';
import { eventsAt } from '@hollow-bell/core/record';
import type { BatchEvent, EventContent, Mark, NutrientId } from '@hollow-bell/core/record';

interface Timed {
  t_h: number;
  planned?: boolean;
}
interface GivenReading extends Timed {
  kind: 'sg' | 'brix';
  value: number;
  sample_temp_c: number | null;
  calibration_temp_c: number | null;
}
export interface Given {
  id: string;
  at_h: number;
  targets_h?: number[];
  known: {
    volume_l: number;
    honey_kg: number;
    water_l: number;
    malt_extract_kg: number;
    fruit: (Timed & { kind: string; kg: number; label: string | null })[];
    yeast: { tolerance_abv: number; demand: 'low' | 'medium' | 'high'; temp_min_c: number; temp_max_c: number; pitch_g: number };
    nutrients: (Timed & { kind: 'organic' | 'complex' | 'ammonium'; grams: number })[];
    events: (Timed & { type: string; kg?: number; l?: number; racked?: boolean; kind?: string; grams?: number })[];
    room_temp: { t_h: number; c: number }[];
  };
  readings: GivenReading[];
  ph: (Timed & { value: number })[];
  notes: (Timed & { text: string })[];
}

/** What the collection's words are in the table. */
const FRUIT: Record<string, string> = {
  'apple juice': 'juice-apple',
  'grape juice': 'juice-grape-white',
  'cherry juice': 'juice-cherry',
  'sour cherry': 'cherry-sour',
};
const SOURCES: Record<'organic' | 'complex' | 'ammonium', NutrientId> = { organic: 'organic', complex: 'complex', ammonium: 'dap' };
/** Their ammonium salt holds 210 mg/g, ours 212. */
const yeastIdOf = (tolerance: number): string => (tolerance >= 16 ? 'strong' : tolerance <= 11 ? 'ale' : 'allround');

const pour = (row: Ingredient, massG: number): EventContent => {
  const { name, family, makes, composition, sugarSpread } = row;
  return family === 'honey'
    ? { kind: 'honey', payload: { name, massG, moisture: MEAN_HONEY.moisture, unfermentable: composition.unfermentable } }
    : { kind: 'ingredient', payload: { name, family, makes, massG, composition, sugarSpread } };
};
const honey = (kg: number): EventContent => ({
  kind: 'honey',
  payload: { name: 'honey', massG: 1000 * kg, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
});
function rowOf(kind: string): Ingredient {
  const row = referenceIngredient(FRUIT[kind] ?? kind);
  if (row === undefined) throw new Error(`no row is known for ${kind}`);
  return row;
}
const fruit = (kind: string, kg: number): EventContent[] => [pour(rowOf(kind), 1000 * kg)];

/** What the dip line makes of such words. */
const MARKS: readonly { says: RegExp; mark: Mark }[] = [
  { says: /no bubbles|^quiet|nothing seems/, mark: 'quiet' },
  { says: /foam/, mark: 'foam' },
  { says: /bubble/, mark: 'bubbling' },
  { says: /eggs|sulphur/, mark: 'sulfur' },
  { says: /clear/, mark: 'clear' },
];

/** The pitch is at this moment. */
const PITCHED_AT = Date.UTC(2026, 2, 1, 18);
const HOUR = 3_600_000;

/** What is announced and not yet done at the moment of the question. */
export function announcedOf({ known, at_h: atH }: Given): {
  pours: { hour: number; massG: number; composition: Composition }[];
  doses: Pulse[];
} {
  const isAhead = ({ t_h: at, planned }: Timed): boolean => planned === true && at > atH;
  const fruits = known.fruit
    .filter(isAhead)
    .flatMap(({ kind, kg, t_h: hour }) => ({ hour, massG: 1000 * kg, composition: rowOf(kind).composition }));
  const honeys = known.events
    .filter((event) => event.type === 'add_honey' && isAhead(event))
    .map(({ kg = 0, t_h: hour }) => ({
      hour,
      massG: 1000 * kg,
      composition: honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable),
    }));
  const doses = known.nutrients
    .filter(isAhead)
    .map(({ kind, grams, t_h: hour }) => ({ hour, scale: 1, sugarGPerL: 0, nitrogenMgPerL: (grams * MG_N_PER_G[kind]) / known.volume_l }));
  return { pours: [...fruits, ...honeys], doses };
}
/** As the collection counts nitrogen. */
const MG_N_PER_G = { organic: 40, complex: 100, ammonium: 210 } as const;

/** @param withAnnounced as if what is announced were in it already */
export function eventsOf({ known, readings, ph, notes, at_h: atH }: Given, withAnnounced = false): BatchEvent[] {
  const rows: [number, EventContent][] = [
    [-0.2, honey(known.honey_kg)],
    [-0.2, { kind: 'water', payload: { volumeL: known.water_l } }],
  ];
  if (known.malt_extract_kg > 0) rows.push(...fruit('malt-dry', known.malt_extract_kg).map((each): [number, EventContent] => [-0.2, each]));
  const early = known.fruit.filter(({ t_h: at }) => at <= 0);
  for (const { kind, kg } of early) rows.push(...fruit(kind, kg).map((each): [number, EventContent] => [-0.2, each]));
  for (const { kind, kg, t_h: at } of known.fruit.filter((each) => each.t_h > 0 && each.t_h <= atH))
    rows.push(...fruit(kind, kg).map((each): [number, EventContent] => [at, each]));
  const { yeast } = known;
  rows.push([
    0,
    {
      kind: 'yeast',
      payload: {
        yeastId: yeastIdOf(yeast.tolerance_abv),
        name: 'its yeast',
        massG: yeast.pitch_g,
        own: {
          toleranceAbv: { value: yeast.tolerance_abv, low: yeast.tolerance_abv - 1.5, high: yeast.tolerance_abv + 1.5 },
          demand: yeast.demand,
          tempC: { low: yeast.temp_min_c, high: yeast.temp_max_c },
        },
      },
    },
  ]);
  for (const { t_h: at, kind, grams } of known.nutrients.filter((each) => each.t_h <= atH))
    rows.push([Math.max(0.01, at), { kind: 'nutrient', payload: { source: SOURCES[kind], massG: grams } }]);
  for (const event of known.events.filter((each) => each.t_h <= atH)) {
    if (event.type === 'add_honey') rows.push([event.t_h, honey(event.kg ?? 0)]);
    if (event.type === 'add_water') rows.push([event.t_h, { kind: 'water', payload: { volumeL: event.l ?? 0 } }]);
    if (event.type === 'aerate') rows.push([event.t_h, { kind: 'note', payload: { text: 'aerated', mark: 'aerated' } }]);
    if (event.type === 'add_acid')
      rows.push(...[pour(rowOf('acid-tartaric'), event.grams ?? 0)].map((each): [number, EventContent] => [event.t_h, each]));
    if (event.type === 'add_base')
      rows.push([
        event.t_h,
        { kind: 'base', payload: { salt: event.kind?.includes('bi') === true ? 'bicarbonate' : 'carbonate', massG: event.grams ?? 0 } },
      ]);
    if (event.type === 'loss') rows.push([event.t_h, { kind: 'removal', payload: { volumeL: event.l ?? 0, reason: 'spill' } }]);
  }
  for (const { t_h: at, text } of notes.filter((each) => each.t_h <= atH)) {
    const mark = MARKS.find(({ says }) => says.test(text))?.mark;
    rows.push([Math.max(0.03, at), { kind: 'note', payload: mark === undefined ? { text } : { text, mark } }]);
  }
  for (const { t_h: at, c: tempC } of known.room_temp.filter((each) => each.t_h <= atH))
    rows.push([Math.max(0.02, at), { kind: 'reading', payload: { tempC } }]);
  for (const { t_h: at, value } of ph.filter((each) => each.t_h <= atH))
    rows.push([at === 0 ? -0.05 : at, { kind: 'reading', payload: { ph: value } }]);
  for (const { t_h: at, kind, value, sample_temp_c: warm, calibration_temp_c: marked } of readings.filter((each) => each.t_h <= atH)) {
    const calibrationC: CalibrationC = marked !== null && marked < 18 ? 15.56 : 20;
    const payload = { ...(kind === 'sg' ? { sg: value, calibrationC } : { brix: value }), ...(warm === null ? {} : { tempC: warm }) };
    rows.push([at === 0 ? -0.05 : at, { kind: 'reading', payload }]);
  }
  if (withAnnounced)
    for (const { kind, kg, t_h: at } of known.fruit.filter((each) => each.planned === true && each.t_h > Math.max(0, atH)))
      rows.push(...fruit(kind, kg).map((each): [number, EventContent] => [at, each]));
  if (withAnnounced)
    for (const event of known.events.filter((each) => each.planned === true && each.type === 'add_honey' && each.t_h > atH))
      rows.push([event.t_h, honey(event.kg ?? 0)]);
  return eventsAt(
    PITCHED_AT,
    rows.sort((a, b) => a[0] - b[0]),
  );
}
export const momentOfHour = (hour: number): number => PITCHED_AT + hour * HOUR;
