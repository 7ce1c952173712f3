import { SCHOOL_IDS } from '@hollow-bell/core/feed';
import { RACK_SCHOOLS } from '@hollow-bell/core/clear';
import { STABILIZE_SCHOOLS } from '@hollow-bell/core/stabilize';
import { CALIBRATIONS_C } from '@hollow-bell/core/liquid';
import { DEGAS_PER_DAY } from '@hollow-bell/core/rounds';
import { SCALES_G, choice, flag, id, list, maybe, number, numberAbove, orNull, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { NUTRIENT_IDS, ownNutrientShape } from '@hollow-bell/core/record';

const productShape = record({
  source: choice(...NUTRIENT_IDS),
  own: maybe(ownNutrientShape),
  lotId: maybe(id),
  gPerTeaspoon: maybe(number(0.5, 12)),
  pricePerKg: maybe(number(0, 100_000)),
  capGPerL: maybe(numberAbove(0, 20, [1, 20])),
});

const setDoseShape = record({
  clockH: number(0, 720),
  share: orNull(number(0, 1)),
  parts: list(record({ product: productShape, gPerL: number(0, 20) }), 0, 10),
});

/** The maker's units and schools, set once and overridable per batch. */
export const practiceShape = record({
  units: choice('metric', 'us', 'uk'),
  region: choice('us', 'eu'),
  /** 1: organic nitrogen at face value; 3: the school that counts it threefold. */
  organicCredit: number(1, 4),
  dapShare: number(0, 1),
  school: choice(...SCHOOL_IDS),
  /** Hours after the pitch, for the school of one's own. */
  ownHours: list(number(0, 720), 0, 10),
  /** What was worked out from the shelf for one must. */
  setDoses: list(setDoseShape, 0, 10),
  organic: productShape,
  ammonium: productShape,
  roomTempC: number(0, 45),
  calibrationC: choice(...CALIBRATIONS_C),
  /** What fresh fruit meets before the yeast does. */
  fruit: choice('pasteurize', 'sulfite', 'none'),
  pecticEnzyme: flag,
  /** 50 mg/L of sulfite in the must a day before the pitch. */
  mustSulfite: flag,
  pitch: choice('rehydrate', 'sprinkle'),
  /** How often a must is degassed in its first week; once a day where nothing is said. */
  degasPerDay: maybe(choice(...DEGAS_PER_DAY)),
  /** How what is finished is kept from new life, and when it is first racked; as most do where nothing is said. */
  stabilizing: maybe(choice(...STABILIZE_SCHOOLS)),
  racking: maybe(choice(...RACK_SCHOOLS)),
  /** No sulfite goes into it: it is on the label, or a guest cannot drink it. */
  noSulfites: maybe(flag),
  /** What the house's scale tells apart, g; by the size of what is weighed where nothing is said. */
  scaleG: maybe(choice(...SCALES_G)),
  /** The top of the house's own scale for tastings. */
  scoreOf: maybe(choice(5, 10, 20, 100)),
  /** Sign written before or after amounts of money. */
  currency: text(4),
});
export type Practice = Fit<typeof practiceShape>;
/** What practices had before makers could choose it; older records are read with it. */
const PRACTICE_SINCE_MUST = { fruit: 'sulfite', pecticEnzyme: true, mustSulfite: false, pitch: 'rehydrate', currency: '€' } as const;

/** What was fed before makers could choose it. */
const PRACTICE_SINCE_FEEDING = {
  school: 'clock',
  ownHours: [24, 48, 72],
  setDoses: [],
  organic: { source: 'organic' },
  ammonium: { source: 'dap' },
} satisfies Partial<Practice>;

/** Named ways of working to begin from; every one can be changed afterwards. */
export const HOUSE_PRACTICES = [
  {
    id: 'measured',
    name: 'Measured',
    says: 'Organic nutrient and DAP share the feeding; organic nitrogen counts at face value.',
    organicCredit: 1,
    dapShare: 0.5,
  },
  {
    id: 'organic',
    name: 'Organic first',
    says: 'Mostly organic nutrient, its nitrogen counted threefold; a little DAP early.',
    organicCredit: 3,
    dapShare: 0.2,
  },
  { id: 'no-dap', name: 'No DAP', says: 'Organic nutrient alone, its nitrogen counted threefold.', organicCredit: 3, dapShare: 0 },
] as const;

/** What goes with a system of units: the temperature that hydrometers there are marked for, and the money. */
export function houseOf(units: Practice['units'], locale?: string): Pick<Practice, 'units' | 'calibrationC' | 'currency'> {
  const region = locale === undefined ? undefined : new Intl.Locale(locale).region;
  const currency = { metric: region === 'GB' ? '£' : '€', us: '$', uk: '£' }[units];
  return { units, calibrationC: units === 'us' ? SIXTY_F_C : AT_20_C, currency };
}
const [AT_20_C, SIXTY_F_C] = CALIBRATIONS_C;
/** The units that most makers of a place work in. */
export const unitsOf = (locale: string): Practice['units'] => (new Intl.Locale(locale).region === 'US' ? 'us' : 'metric');

export const DEFAULT_PRACTICE: Practice = {
  units: 'metric',
  region: 'eu',
  organicCredit: 1,
  dapShare: 0.5,
  roomTempC: 19,
  calibrationC: 20,
  ...PRACTICE_SINCE_MUST,
  ...PRACTICE_SINCE_FEEDING,
};
