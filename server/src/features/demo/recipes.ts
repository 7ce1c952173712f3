import type { Practice } from '@hollow-bell/contract';
import type { EventContent } from '@hollow-bell/core/record';
import { plannedFrom } from '@hollow-bell/core/must';
import type { PlannedIngredient } from '@hollow-bell/core/must';
import { seeded } from '@hollow-bell/core/numerics';
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { probeReadings } from '@hollow-bell/core/simulate';
import { yeastType } from '@hollow-bell/core/yeast';
import { LOTS } from './shelf.ts';
import type { LotName } from './shelf.ts';

/*
 * The lamp room of a disused signal box beside an allotment field: honey from a linden avenue, a heather moor and a borage
 * field. All invented; times are relative to the day it is loaded.
 */

export const DAY_H = 24;

export interface Recipe {
  name: string;
  honeys: { lot: LotName; massG: number; moisture?: number }[];
  others?: PlannedIngredient[];
  waterL: number;
  yeastId: string;
  vessel: string;
  /** Hours before now at which the must was mixed; everything else is hours after that. */
  mixedHoursAgo: number | null;
  then: [atHour: number, ...contents: EventContent[]][];
  practice?: Partial<Practice>;
}

export const sg = (value: number, tempC = 19): EventContent => ({ kind: 'reading', payload: { sg: value, tempC, calibrationC: 20 } });
const ph = (value: number): EventContent => ({ kind: 'reading', payload: { ph: value } });
export const fed = (dose: number, organicG: number, dapG = 0): EventContent[] => [
  { kind: 'nutrient', payload: { source: 'organic', massG: organicG, dose } },
  ...(dapG > 0 ? [{ kind: 'nutrient', payload: { source: 'dap', massG: dapG, dose } } as const] : []),
];
const mark = (name: 'degassed' | 'clear' | 'stirred', text: string): EventContent => ({ kind: 'note', payload: { text, mark: name } });
const note = (text: string): EventContent => ({ kind: 'note', payload: { text } });
export const pitched = (yeastId: string, massG: number): EventContent => ({
  kind: 'yeast',
  payload: { yeastId, name: yeastType(yeastId).name, massG },
});
const stabilizedWith = (sulfiteG: number, sorbateG: number): EventContent[] => [
  { kind: 'sulfite', payload: { salt: 'potassium', massG: sulfiteG } },
  { kind: 'sorbate', payload: { massG: sorbateG } },
];

/** A pot on a flame, read every few minutes: the core follows the bath. */
const heated = (fromHour: number): Recipe['then'] =>
  probeReadings({ startAt: 0, startC: 18, bathC: 64, lagMin: 17, minutes: 78 }, seeded(11))
    .filter((_, minute) => minute % 3 === 0)
    .map(({ at, coreC, bathC }) => [fromHour + at / HOUR_MS, { kind: 'core', payload: { coreC, ...(bathC === null ? {} : { bathC }) } }]);

export const RECIPES: Recipe[] = [
  {
    name: 'Gooseberry, clearing',
    honeys: [{ lot: 'linden avenue', massG: 1500, moisture: 0.171 }],
    others: [{ ...plannedFrom('gooseberry', 900), name: 'gooseberries' }],
    waterL: 4.3,
    yeastId: 'allround',
    vessel: '10 L bucket',
    mixedHoursAgo: 40 * DAY_H,
    then: [
      [0.5, sg(1.083, 20)],
      [1, pitched('allround', 3)],
      [25, ...fed(1, 4.2, 1)],
      [49, ...fed(2, 4.2, 1)],
      [73, ...fed(3, 4.2, 1)],
      [7 * DAY_H, sg(1.038, 19), { kind: 'strain', payload: { massG: 200, share: 1, of: 'gooseberries' } }],
      [15 * DAY_H, sg(1.004, 18), { kind: 'look', payload: { through: 'dark', beside: [] } }],
      [
        22 * DAY_H,
        sg(0.996, 18),
        { kind: 'look', payload: { through: 'glow', beside: [] } },
        { kind: 'tongue', payload: { prickle: 'strong' } },
      ],
      [30 * DAY_H, sg(0.996, 18), { kind: 'tongue', payload: { prickle: 'some' } }],
      [38 * DAY_H, sg(0.996, 17), { kind: 'reading', payload: { leesMm: 16 } }, { kind: 'look', payload: { through: 'edge', beside: [] } }],
    ],
  },
  {
    name: 'Linden, heated',
    honeys: [{ lot: 'linden avenue', massG: 1600, moisture: 0.171 }],
    waterL: 3.2,
    yeastId: 'ale',
    vessel: '5 L jug',
    mixedHoursAgo: 54 * DAY_H,
    practice: { stabilizing: 'heat' },
    then: [
      [0.5, sg(1.114, 20)],
      [1, pitched('ale', 4)],
      [25, ...fed(1, 4.6, 1.2)],
      [49, ...fed(2, 4.6, 1.2)],
      [73, ...fed(3, 4.6, 1.2)],
      [10 * DAY_H, sg(1.058, 19)],
      [24 * DAY_H, sg(1.034, 18)],
      [36 * DAY_H, sg(1.03, 18), { kind: 'rack', payload: { volumeL: 3.95 } }],
      [44 * DAY_H, sg(1.03, 18)],
      [52 * DAY_H, sg(1.03, 18), { kind: 'word', payload: { gate: 'degassed', says: 'no prickle left' } }],
      ...heated(53.7 * DAY_H),
    ],
  },
  {
    name: 'Linden for spring',
    honeys: [{ lot: 'linden avenue', massG: 1450, moisture: 0.171 }],
    waterL: 3.9,
    yeastId: 'allround',
    vessel: '10 L bucket',
    mixedHoursAgo: null,
    then: [],
  },
  {
    name: 'Sour cherry for autumn',
    honeys: [
      { lot: 'heather moor', massG: 1500, moisture: 0.19 },
      { lot: 'linden avenue', massG: 700, moisture: 0.171 },
    ],
    others: [{ ...plannedFrom('cherry-sour', 1400, { form: 'frozen', bagDays: 8, lotId: LOTS['sour cherries'].id, pricePerKg: 4.5 }) }],
    waterL: 4.4,
    yeastId: 'strong',
    vessel: '10 L bucket',
    mixedHoursAgo: null,
    then: [],
  },
  {
    name: 'Gooseberry, two honeys',
    honeys: [
      { lot: 'linden avenue', massG: 1050, moisture: 0.171 },
      { lot: 'heather moor', massG: 420, moisture: 0.19 },
    ],
    others: [
      {
        ...plannedFrom('gooseberry', 1600, { form: 'frozen', bagDays: 7, pricePerKg: 3.2, lotId: LOTS.gooseberries.id }),
        name: 'gooseberries',
      },
    ],
    waterL: 3.6,
    yeastId: 'white',
    vessel: '10 L bucket',
    mixedHoursAgo: 3,
    then: [
      [0.4, { kind: 'note', payload: { text: 'stirred five minutes, floor scraped', mark: 'stirred', step: 'stir' } }],
      [0.6, sg(1.0785, 20)],
    ],
  },
  {
    name: 'Heather, strong',
    honeys: [{ lot: 'heather moor', massG: 3050, moisture: 0.19 }],
    waterL: 6.4,
    yeastId: 'strong',
    vessel: '15 L bucket',
    mixedHoursAgo: 14,
    then: [
      [0.5, sg(1.107, 22)],
      [1, pitched('strong', 7)],
    ],
  },
  {
    name: 'Borage, even',
    honeys: [{ lot: 'borage field', massG: 2150 }],
    waterL: 6.2,
    yeastId: 'allround',
    vessel: '10 L carboy',
    mixedHoursAgo: 56,
    then: [
      [0.5, sg(1.09, 21)],
      [1, pitched('allround', 4), note('rehydrated, stirred in air')],
      [25, mark('degassed', 'degassed before feeding'), ...fed(1, 5.5, 1.4)],
      [34, { kind: 'removal', payload: { volumeL: 0.6, reason: 'foam' } }],
      [47, sg(1.079, 20)],
    ],
  },
  {
    name: 'Linden, plain',
    honeys: [{ lot: 'linden avenue', massG: 5900, moisture: 0.171 }],
    waterL: 14.8,
    yeastId: 'strong',
    vessel: '23 L carboy',
    mixedHoursAgo: 19 * DAY_H,
    then: [
      [0.5, sg(1.101, 21)],
      [1, pitched('strong', 12)],
      [25, ...fed(1, 16, 4.5)],
      [49, ...fed(2, 16, 4.5)],
      [73, ...fed(3, 16, 4.5)],
      [4 * DAY_H, sg(1.078, 18)],
      [5 * DAY_H, ...fed(4, 16)],
      [8 * DAY_H, sg(1.058, 16)],
      [13 * DAY_H, sg(1.046, 14), note('frost on the allotment, the room fell to 12 °C at night')],
      [18.5 * DAY_H, sg(1.046, 14)],
    ],
  },
  {
    name: 'Borage hydromel',
    honeys: [{ lot: 'borage field', massG: 950 }],
    waterL: 4.4,
    yeastId: 'ale',
    vessel: '5 L jug',
    mixedHoursAgo: 24 * DAY_H,
    then: [
      [0.5, sg(1.058, 20)],
      [1, pitched('ale', 2.5)],
      [25, ...fed(1, 2.4, 0.6)],
      [49, ...fed(2, 2.4, 0.6)],
      [6 * DAY_H, sg(1.014, 19)],
      [12 * DAY_H, sg(1.001, 18)],
      [19 * DAY_H, sg(0.994, 18)],
      [22 * DAY_H, sg(0.994, 18)],
    ],
  },
  {
    name: 'Borage and malt',
    honeys: [{ lot: 'borage field', massG: 640 }],
    others: [{ ...plannedFrom('malt-dry', 560), name: 'pale dried malt' }],
    waterL: 4,
    yeastId: 'ale',
    vessel: '5 L jug',
    mixedHoursAgo: 27 * DAY_H,
    then: [
      [0.5, sg(1.083, 20)],
      [1, pitched('ale', 4)],
      [25, ...fed(1, 2.4, 0.6)],
      [49, ...fed(2, 2.4)],
      [5 * DAY_H, sg(1.046, 19)],
      [12 * DAY_H, sg(1.026, 18)],
      [20 * DAY_H, sg(1.02, 18)],
      [24 * DAY_H, sg(1.02, 18)],
      [26.5 * DAY_H, sg(1.02, 18)],
    ],
  },
  {
    name: 'Heather, waiting',
    honeys: [{ lot: 'heather moor', massG: 1350, moisture: 0.19 }],
    waterL: 4.2,
    yeastId: 'allround',
    vessel: '5 L jug',
    mixedHoursAgo: 62 * DAY_H,
    then: [
      [0.5, sg(1.083, 20)],
      [1, pitched('allround', 2.5)],
      [25, ...fed(1, 3.6, 0.9)],
      [49, ...fed(2, 3.6, 0.9)],
      [73, ...fed(3, 3.6, 0.9)],
      [10 * DAY_H, sg(1.016, 18)],
      [24 * DAY_H, sg(0.993, 18)],
      [33 * DAY_H, sg(0.993, 18), { kind: 'rack', payload: { volumeL: 4.75 } }],
      [58 * DAY_H, mark('clear', 'print can be read through it'), ph(3.42)],
      [60 * DAY_H, mark('degassed', 'no prickle on the tongue'), sg(0.993, 17)],
      [61.4 * DAY_H, ...stabilizedWith(0.36, 0.71)],
    ],
  },
  {
    name: 'Linden B',
    honeys: [{ lot: 'linden avenue', massG: 1480, moisture: 0.171 }],
    waterL: 4.1,
    yeastId: 'allround',
    vessel: '5 L jug',
    mixedHoursAgo: 71 * DAY_H,
    then: [
      [0.5, sg(1.093, 20)],
      [1, pitched('allround', 3)],
      [25, ...fed(1, 4.2, 1)],
      [49, ...fed(2, 4.2, 1)],
      [73, ...fed(3, 4.2, 1)],
      [9 * DAY_H, sg(1.03, 18)],
      [28 * DAY_H, sg(0.994, 18)],
      [40 * DAY_H, sg(0.994, 18), { kind: 'rack', payload: { volumeL: 4.72 } }],
      [62 * DAY_H, mark('clear', 'bright'), ph(3.38)],
      [64 * DAY_H, mark('degassed', 'stirred until still')],
      [66 * DAY_H, ...stabilizedWith(0.33, 0.62)],
      [68 * DAY_H, sg(0.994, 17)],
    ],
  },
];
