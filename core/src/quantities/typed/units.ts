import { LITERS_PER } from '../units.ts';
import type { MassUnit, TempUnit, UnitSystem, VolumeUnit } from '../units.ts';

/** What a word behind a number measures. A measure that differs between countries has a volume for each that may be meant. */
export type Measure =
  | { of: 'mass'; unit: MassUnit }
  | { of: 'volume'; unit: VolumeUnit }
  | { of: 'volume by country'; us: VolumeUnit; uk: VolumeUnit | null }
  | { of: 'spoon'; spoons: 'tsp' | 'tbsp' }
  | { of: 'temperature'; unit: TempUnit };

const words = (measure: Measure, ...names: string[]): [string, Measure][] => names.map((name) => [name, measure]);
const byCountry = (us: VolumeUnit, uk: VolumeUnit | null): Measure => ({ of: 'volume by country', us, uk });

const WORDS = new Map<string, Measure>([
  ...words({ of: 'mass', unit: 'mg' }, 'mg', 'milligram', 'milligrams'),
  ...words({ of: 'mass', unit: 'g' }, 'g', 'gr', 'gram', 'grams', 'gramme', 'grammes'),
  ...words({ of: 'mass', unit: 'kg' }, 'kg', 'kgs', 'kilo', 'kilos', 'kilogram', 'kilograms', 'kilogramme', 'kilogrammes'),
  ...words({ of: 'mass', unit: 'lb' }, 'lb', 'lbs', 'pound', 'pounds'),
  ...words({ of: 'mass', unit: 'oz' }, 'oz', 'ozs', 'ounce', 'ounces'),
  ...words({ of: 'volume', unit: 'ml' }, 'ml', 'mls', 'milliliter', 'milliliters', 'millilitre', 'millilitres'),
  ...words({ of: 'volume', unit: 'cl' }, 'cl', 'cls'),
  ...words({ of: 'volume', unit: 'dl' }, 'dl', 'dls', 'deciliter', 'decilitre'),
  ...words({ of: 'volume', unit: 'l' }, 'l', 'ls', 'ltr', 'ltrs', 'liter', 'liters', 'litre', 'litres'),
  ...words(byCountry('us_gal', 'uk_gal'), 'gal', 'gals', 'gallon', 'gallons'),
  ...words(byCountry('us_qt', 'uk_qt'), 'qt', 'qts', 'quart', 'quarts'),
  ...words(byCountry('us_pt', 'uk_pt'), 'pt', 'pts', 'pint', 'pints'),
  ...words(byCountry('us_cup', null), 'cup', 'cups'),
  ...words(byCountry('us_floz', 'uk_floz'), 'fl oz', 'floz', 'fl ozs', 'fluid ounce', 'fluid ounces'),
  ...words({ of: 'spoon', spoons: 'tsp' }, 'tsp', 'tsps', 'teaspoon', 'teaspoons', 'level tsp', 'level teaspoon', 'level teaspoons'),
  ...words(
    { of: 'spoon', spoons: 'tbsp' },
    'tbsp',
    'tbsps',
    'tbs',
    'tablespoon',
    'tablespoons',
    'level tbsp',
    'level tablespoon',
    'level tablespoons',
  ),
  ...words({ of: 'temperature', unit: 'c' }, 'c', '°c', '° c', 'deg c', 'degc', 'degrees c', 'celsius', 'degrees celsius', 'centigrade'),
  ...words({ of: 'temperature', unit: 'f' }, 'f', '°f', '° f', 'deg f', 'degf', 'degrees f', 'fahrenheit', 'degrees fahrenheit'),
]);

/** Whose a measure is, where it is said: “uk gal”, “US gallons”, “imperial pints”. */
const COUNTRY = /^(?:(us|u\.s\.|american)|(uk|u\.k\.|imp|imperial|british))\.?\s*(.+)$/;

const clean = (word: string): string => word.replace(/\./g, ' ').trim().replace(/ +/g, ' ');

/** What a word measures to this maker; undefined for what is no measure. In a metric house a gallon may be of either country. */
function measureOf(word: string, system: UnitSystem): Measure | undefined {
  const country = COUNTRY.exec(word.trim());
  const found = WORDS.get(clean(word)) ?? (country === null ? undefined : WORDS.get(clean(country[3] ?? '')));
  if (found?.of !== 'volume by country') return found;
  const isUk = country === null ? system === 'uk' : country[2] !== undefined;
  if (country === null && system === 'metric') return found;
  return { of: 'volume', unit: isUk && found.uk !== null ? found.uk : found.us };
}

/** The longest measure that text begins with, word by word; null where it begins with none. */
export function takeMeasure(text: string, system: UnitSystem): { measure: Measure; rest: string } | null {
  const lead = /^\s*/.exec(text)?.[0].length ?? 0;
  const parts = /^((?:°\s?)?[a-z.]+)(?:\s+([a-z.]+))?(?:\s+([a-z.]+))?/.exec(text.slice(lead));
  if (parts === null) return null;
  for (let count = 3; count > 0; count--) {
    const taken = parts.slice(1, count + 1).filter((part: string | undefined) => part !== undefined);
    if (taken.length < count) continue;
    const word = new RegExp(`^${taken.map((part) => part.replace(/[.°]/g, '\\$&')).join('\\s+')}`).exec(text.slice(lead))?.[0] ?? '';
    const measure = measureOf(word, system);
    if (measure !== undefined) return { measure, rest: text.slice(lead + word.length) };
  }
  return null;
}

/** Liters in a leveled spoon of liquid: US customary, elsewhere the metric spoons. */
export const spoonL = (spoons: 'tsp' | 'tbsp', system: UnitSystem): number =>
  (spoons === 'tbsp' ? 3 : 1) * (system === 'us' ? LITERS_PER.us_tsp : LITERS_PER.metric_tsp);
