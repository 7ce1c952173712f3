import { describe, expect, it } from 'vitest';
import { checkEvents } from '@hollow-bell/core/check';
import { HAPPENINGS, fold, massImbalanceG } from '@hollow-bell/core/record';
import type { BatchEvent, EventContent, Ledger } from '@hollow-bell/core/record';
import { GRAMS_PER, LITERS_PER } from '@hollow-bell/core/quantities';
import type { UnitSystem } from '@hollow-bell/core/quantities';
import { INGREDIENTS, MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { commonProducts, readDipLine } from './index.ts';
import type { DipContext } from './index.ts';

/* Twelve invented histories as their makers would type them, beside the same in SI. */

const { lb: LB, oz: OZ } = GRAMS_PER;
const { us_gal: GAL, us_qt: QT, us_cup: CUP, us_pt: PT, us_tsp: TSP, uk_pt: UK_PT, uk_gal: UK_GAL, uk_floz: UK_FLOZ } = LITERS_PER;
/** kg/L of honey of 17.2 % water and of a juice of 12 °Bx, by the tables of sucrose (NBS Circular 440): 1.4178 and 1.0465 to 20 °C. */
const [HONEY_KG_PER_L, APPLE_KG_PER_L] = [1.428, 1.0466];

const honey = (massG: number): EventContent => ({
  kind: 'honey',
  payload: { name: 'honey', massG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
});
const water = (volumeL: number): EventContent => ({ kind: 'water', payload: { volumeL } });
const yeast = (massG: number): EventContent => ({ kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG } });
const sg = (value: number, tempC?: number): EventContent => ({
  kind: 'reading',
  payload: { sg: value, calibrationC: 20, ...(tempC === undefined ? {} : { tempC }) },
});
const fed = (source: 'organic' | 'dap', massG: number): EventContent => ({ kind: 'nutrient', payload: { source, massG } });
const racked = (volumeL: number): EventContent => ({ kind: 'rack', payload: { volumeL } });
const gone = (volumeL: number, reason: 'foam' | 'sample' | 'drunk' | 'spill'): EventContent => ({
  kind: 'removal',
  payload: { volumeL, reason },
});
const of = (name: string, massG: number): EventContent => {
  const row = INGREDIENTS.find((each) => each.name === name);
  if (row === undefined || row.family === 'honey') throw new Error(`no ${name} in the table`);
  const { family, makes, composition, sugarSpread } = row;
  return { kind: 'ingredient', payload: { name, family, makes, massG, composition, sugarSpread } };
};
const pulp = (massG: number): EventContent => ({ kind: 'strain', payload: { massG, share: 1 } });
const sulfite = (massG: number): EventContent => ({ kind: 'sulfite', payload: { salt: 'potassium', massG } });
const sorbate = (massG: number): EventContent => ({ kind: 'sorbate', payload: { massG } });
const base = (massG: number): EventContent => ({ kind: 'base', payload: { salt: 'bicarbonate', massG } });
const fining = (id: 'bentonite' | 'pectic enzyme' | 'chitosan', massG: number): EventContent => ({
  kind: 'fining',
  payload: { fining: id, name: id, massG },
});

type Row = readonly [line: string, ...inSi: EventContent[]];
type History = readonly [name: string, house: UnitSystem, locale: string, rows: readonly Row[]];

const HISTORIES: readonly History[] = [
  [
    'a traditional',
    'metric',
    'en-GB',
    [
      ['1.5 kg honey', honey(1500)],
      ['4 l water', water(4)],
      ['pitched 5 g', yeast(5)],
      ['fed 1.6 g organic + 0.7 g dap', fed('organic', 1.6), fed('dap', 0.7)],
      ['1.040 24c', sg(1.04, 24)],
      ['lost 0.3 l to foam', gone(0.3, 'foam')],
      ['racked 4 l', racked(4)],
      ['topped up with 0.2 l water', water(0.2)],
    ],
  ],
  [
    'a melomel in a bag',
    'metric',
    'de-DE',
    [
      ['honig: 1,25 kg honey', honey(1250)],
      ['3,5 l water', water(3.5)],
      ['1,2 kg raspberries in a bag for 5 days', of('raspberries', 1200)],
      ['pectic enzyme 2 g', fining('pectic enzyme', 2)],
      ['pitched 4 g', yeast(4)],
      ['bag out 280 g', pulp(280)],
      ['1,020', sg(1.02)],
      ['racked 3,9 l through a cloth', racked(3.9)],
    ],
  ],
  [
    'a cyser by the jug',
    'metric',
    'en-GB',
    [
      ['4 l apple juice', of('apple juice', 4000 * APPLE_KG_PER_L)],
      ['250 ml honey', honey(250 * HONEY_KG_PER_L)],
      ['pitched 5 g', yeast(5)],
      ['1.010', sg(1.01)],
      ['3 g tartaric acid', of('tartaric acid', 3)],
      ['sampled 0.1 l', gone(0.1, 'sample')],
      ['oak chips 8 g', of('oak chips', 8)],
    ],
  ],
  [
    'one stabilized and sweetened',
    'metric',
    'fr-FR',
    [
      ['1,4 kg honey', honey(1400)],
      ['4 l water', water(4)],
      ['pitched 5 g', yeast(5)],
      ['0,994', sg(0.994)],
      ['racked 4,3 l to the 5 l jug', racked(4.3)],
      ['0,4 g metabisulfite and 0,9 g sorbate', sulfite(0.4), sorbate(0.9)],
      ['200 g honey', honey(200)],
      ['drank 0,2 l', gone(0.2, 'drunk')],
    ],
  ],
  [
    'a gallon in pounds',
    'us',
    'en-US',
    [
      ['3 lb 5 oz honey', honey(3 * LB + 5 * OZ)],
      ['3 qt water', water(3 * QT)],
      ['pitched 5 g', yeast(5)],
      ['fed 1/4 tsp dap', fed('dap', 0.25 * 4)],
      ['1.050 70f', sg(1.05, (70 - 32) / 1.8)],
      ['lost 1 cup to foam', gone(CUP, 'foam')],
      ['racked 3 1/2 qt', racked(3.5 * QT)],
      ['topped up with 12 fl oz water', water(1.5 * CUP)],
    ],
  ],
  [
    'five gallons of show mead',
    'us',
    'en-US',
    [
      ['15 lb honey', honey(15 * LB)],
      ['4 gal water', water(4 * GAL)],
      ['pitched 10 g', yeast(10)],
      ['1.030', sg(1.03)],
      ['racked 4.5 gal to the 23 l carboy', racked(4.5 * GAL)],
      ['bentonite 8 g', fining('bentonite', 8)],
      ['sampled 1/2 cup', gone(CUP / 2, 'sample')],
    ],
  ],
  [
    'fruit by the pound and acid by the spoon',
    'us',
    'en-US',
    [
      ['2 1/2 lb honey', honey(2.5 * LB)],
      ['2 1/2 qt water', water(2.5 * QT)],
      ['1 lb 8 oz blackberries', of('blackberries', 1.5 * LB)],
      ['pitched 5 g', yeast(5)],
      ['strained 10 oz', pulp(10 * OZ)],
      ['1 tsp acid blend', of('acid blend', 4.5)],
      ['1/2 tsp potassium bicarbonate', base(2.4)],
    ],
  ],
  [
    'a pint of syrup and a mug spilled',
    'us',
    'en-US',
    [
      ['2 lb honey', honey(2 * LB)],
      ['3 qt water', water(3 * QT)],
      ['1 pt maple syrup', of('maple syrup', PT * 1328)],
      ['pitched 5 g', yeast(5)],
      ['1.010', sg(1.01)],
      ['spilled 1 cup', gone(CUP, 'spill')],
      ['10 ml 10% sulfite solution', sulfite(1)],
    ],
  ],
  [
    'a UK gallon',
    'uk',
    'en-GB',
    [
      ['3 lb honey', honey(3 * LB)],
      ['6 pints water', water(6 * UK_PT)],
      ['pitched 5 g', yeast(5)],
      ['fed 2 g organic', fed('organic', 2)],
      ['1.020 19c', sg(1.02, 19)],
      ['racked 6 1/2 pints', racked(6.5 * UK_PT)],
      ['topped up with 10 fl oz water', water(10 * UK_FLOZ)],
    ],
  ],
  [
    'two UK gallons with plums',
    'uk',
    'en-GB',
    [
      ['5 lb 8 oz honey', honey(5.5 * LB)],
      ['1 gal 2 pints water', water(UK_GAL + 2 * UK_PT)],
      ['3 lb plums', of('plums', 3 * LB)],
      ['pitched 8 g', yeast(8)],
      ['foamed over 1 pint', gone(UK_PT, 'foam')],
      ['bag out 1 lb', pulp(LB)],
      ['1.000', sg(1)],
    ],
  ],
  [
    'ounces of honey at the end',
    'uk',
    'en-GB',
    [
      ['3 lb honey', honey(3 * LB)],
      ['6 pints water', water(6 * UK_PT)],
      ['pitched 5 g', yeast(5)],
      ['0.996', sg(0.996)],
      ['2 campden tablets and 1 g sorbate', sulfite(0.88), sorbate(1)],
      ['12 oz honey', honey(12 * OZ)],
      ['drank 5 fl oz', gone(5 * UK_FLOZ, 'drunk')],
    ],
  ],
  [
    'spoons of this and that',
    'us',
    'en-US',
    [
      ['2 lb 12 oz honey', honey(2.75 * LB)],
      ['3 1/4 qt water', water(3.25 * QT)],
      ['1 tbsp honey', honey(3 * TSP * 1000 * HONEY_KG_PER_L)],
      ['pitched 5 g', yeast(5)],
      ['fed 1 tsp organic', fed('organic', 2.8)],
      ['1.015', sg(1.015)],
      ['chitosan 4 ml', fining('chitosan', 4)],
      ['1 oz oak cubes', of('oak cubes', OZ)],
    ],
  ],
];

const START = Date.UTC(2026, 8, 1, 12);
const DAY = 86_400_000;
const eventOf = (content: EventContent, i: number, at: number): BatchEvent => ({
  ...content,
  id: `00000000-0000-4000-8000-${String(i + 1).padStart(12, '0')}`,
  seq: i + 1,
  happenedAt: at,
  enteredAt: at,
});
/** What stands on the Shelf: nutrients are weighed, tablets hold 0.44 g. */
const products = commonProducts({ yeastId: 'allround' })
  .map((each) => (each.name === 'sulfite tablets' ? { ...each, gPerTablet: 0.44 } : each))
  .map((each) => (each.name === 'potassium bicarbonate' ? { ...each, gPerTsp: 4.8 } : each));
const contextOf = (units: UnitSystem, locale: string, ledger: Ledger, now: number): DipContext => ({
  now,
  units,
  locale,
  instruments: { calibrationC: 20, phMeter: null },
  rules: { dapCapGPerL: 0.96 },
  ledger,
  products,
  vessels: USUAL_VESSELS,
  plannedDose: null,
  doseFor: () => undefined,
});

function typed([, units, locale, rows]: History): BatchEvent[] {
  const events: BatchEvent[] = [];
  rows.forEach(([line], day) => {
    const now = START + day * DAY;
    const read = readDipLine(line.replace(/^honig: /, ''), contextOf(units, locale, fold(events), now));
    const fresh = read.events.map((content, i) => eventOf(content, events.length + i, now));
    checkEvents(events, fresh, now);
    events.push(...fresh);
  });
  return events;
}
const inSi = ([, , , rows]: History): BatchEvent[] => {
  const events: BatchEvent[] = [];
  rows.forEach(([, ...contents], day) => contents.forEach((content) => events.push(eventOf(content, events.length, START + day * DAY))));
  return events;
};
const MASSES = [
  'waterG',
  'sugarG',
  'unfermentableG',
  'ethanolG',
  'saltsG',
  'acidG',
  'ammoniumNMg',
  'aminoNMg',
  'so2Mg',
  'sorbicMg',
  'removedG',
] as const;

describe.each(HISTORIES.map((history) => [history[0], history[1], history] as const))('%s, in a house of %s', (_name, _house, history) => {
  const events = typed(history);
  const ledger = fold(events);

  it('comes out as the same masses, within a thousandth, and none of it as a note', () => {
    const plain = fold(inSi(history));
    for (const mass of MASSES)
      expect(Math.abs(ledger.liquid[mass] - plain.liquid[mass]), mass).toBeLessThanOrEqual(0.001 * plain.liquid[mass] + 1e-6);
    expect(events.filter(({ kind }) => kind === 'note')).toEqual([]);
    expect(Math.abs(massImbalanceG(ledger.liquid))).toBeLessThan(1e-6);
  });

  it('can be struck out and corrected, entry by entry', () => {
    const now = START + 40 * DAY;
    const amended = (eventId: string, replacement: object | null): BatchEvent =>
      ({
        ...eventOf({ kind: 'note', payload: { text: '-' } }, events.length, now),
        kind: 'amendment',
        payload: { eventId, replacement },
      }) as unknown as BatchEvent;
    for (const event of events) {
      if (event.kind === 'amendment') continue;
      const struck = amended(event.id, null);
      /** Must, yeast and what the rest stands on cannot be taken from under it. */
      if (!['honey', 'water', 'yeast'].includes(event.kind)) checkEvents(events, [struck], now);
      expect(Math.abs(massImbalanceG(fold([...events, struck]).liquid))).toBeLessThan(1e-6);
      const [first] = HAPPENINGS[event.kind].corrects;
      if (first === undefined || event.kind === 'reading') continue;
      const payload = { ...event.payload, [first.name]: 0.98 * (event.payload as Record<string, number>)[first.name]! };
      const corrected = amended(event.id, { kind: event.kind, payload, happenedAt: event.happenedAt });
      if (event.kind !== 'rack') checkEvents(events, [corrected], now);
      expect(Math.abs(massImbalanceG(fold([...events, corrected]).liquid))).toBeLessThan(1e-6);
    }
  });
});
