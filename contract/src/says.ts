import type { Shape } from '@hollow-bell/core/quantities';

/** What a value would have to be, in the words of a form: the same at the server’s door and in the browser. */
export const SAYS = {
  number: 'A number is wanted.',
  whole: 'It is counted in whole ones.',
  words: 'Words are wanted.',
  blank: 'Something has to stand here.',
  unkeepable: 'A sign in it cannot be kept; type it anew, without what is no letter.',
  list: 'A list is wanted.',
  id: 'An id is wanted: 32 signs from 0 to 9 and a to f, in groups of 8, 4, 4, 4 and 12.',
  moment: 'A moment is wanted, between 2000 and 2200.',
  flag: 'Yes or no is wanted.',
  parts: 'Something with named parts is wanted.',
  long: (most: number): string => `At most ${most} letters fit here.`,
  few: (least: number): string => `At least ${least} must be listed.`,
  many: (most: number): string => `At most ${most} can be listed.`,
  values: (count: number): string => `${count} values are wanted.`,
  choice: (values: readonly unknown[]): string => `It must be ${values.join(', ')}.`,
  own: (what: string): string => `What is wanted is ${what}.`,
  between: ({ low, high, above }: Extract<Shape, { is: 'number' }>): string =>
    above ? `It must lie above ${low} and be at most ${high}.` : `It must lie between ${low} and ${high}.`,
  unknown: (names: readonly string[]): string =>
    `${names.map((name) => `“${name}”`).join(', ')} is nothing that belongs here; leave it out.`,
} as const;

/** What a unit at the end of a name is called. */
const UNITS: Readonly<Record<string, string>> = {
  G: 'in grams',
  L: 'in liters',
  C: 'in °C',
  H: 'in hours',
  Ml: 'in milliliters',
  Mm: 'in millimeters',
  Mg: 'in milligrams',
  GPerL: 'in g/L',
  MgPerL: 'in mg/L',
  NMgPerL: 'nitrogen in mg/L',
  PerKg: 'per kg',
};
/** What cannot be read off a name. */
const NAMES: Readonly<Record<string, string>> = {
  sg: 'gravity',
  brix: '°Brix',
  ph: 'pH',
  taGPerL: 'titratable acid in g/L',
  freeSo2MgPerL: 'free SO2 in mg/L',
  happenedAt: 'when it happened',
  events: 'entry',
  items: 'row',
  readings: 'reading',
  children: 'part',
};
/** Steps that hold others and say nothing themselves. */
const SILENT = new Set(['payload', 'detail', 'item', 'must', 'recipe', 'plan']);

function wordOf(name: string): string {
  const known = NAMES[name];
  if (known !== undefined) return known;
  const unit = Object.keys(UNITS)
    .filter((end) => name.endsWith(end) && name.length > end.length)
    .toSorted((a, b) => b.length - a.length)[0];
  const stem = unit === undefined ? name : name.slice(0, -unit.length);
  const words = stem.replace(/([a-z])([A-Z])/g, '$1 $2').toLowerCase();
  return unit === undefined ? words : `${words} ${UNITS[unit] ?? ''}`;
}

/**
 * Where in a form something is, in its words.
 *
 * @param path such as `events`, 1, `payload`, `massG`
 * @returns such as “entry 2, mass in grams”; empty where the whole is meant
 */
export function whereInWords(path: readonly (string | number)[]): string {
  const words: string[] = [];
  for (const step of path) {
    if (typeof step === 'string') {
      if (!SILENT.has(step)) words.push(wordOf(step));
    } else words.push(`${words.pop() ?? 'no.'} ${step + 1}`);
  }
  return words.join(', ');
}
