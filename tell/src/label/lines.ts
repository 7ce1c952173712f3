import type { LabelFacts, LabelLine } from '@hollow-bell/core/bottle';
import type { Filling } from '@hollow-bell/core/record';
import type { Immutable } from '@hollow-bell/core/quantities';
import { shown, shownDate } from '../formats.ts';
import type { Reader } from '../formats.ts';

/** What of the facts a maker wants on it, and what they add. */
export interface LabelChoice {
  name: string;
  showsHoney: boolean;
  showsRange: boolean;
  showsSweetness: boolean;
  showsDrinkBy: boolean;
  own: string;
  region: 'us' | 'eu';
}

const strength = (
  { abv: { shown: abv }, reckoned: { low, high } }: LabelFacts,
  { region, showsRange }: LabelChoice,
  reader: Reader,
): string => {
  const number = (value: number): string => value.toLocaleString(reader.locale, { minimumFractionDigits: 1, maximumFractionDigits: 1 });
  const range = showsRange ? ` (${number(low)} – ${number(high)})` : '';
  return region === 'us' ? `ALC. ${number(abv)}% BY VOL.${range}` : `${number(abv)} % vol${range}`;
};

/** “Contains sulfites, fish.” in the words of the region. */
export function containsLine(allergens: readonly string[], region: 'us' | 'eu'): string | null {
  if (allergens.length === 0) return null;
  const all = region === 'eu' ? allergens.map((each) => (each === 'sulfites' ? 'sulphites' : each)) : allergens;
  return `Contains ${all.join(', ')}.`;
}

/** The lines of a bottle's label, the largest first. @param sizeMl of this bottle; null for one that says none */
export function labelLines(
  facts: LabelFacts,
  choice: LabelChoice,
  { sizeMl, code, drinkBy }: { sizeMl: number | null; code: string; drinkBy: number | null },
  reader: Reader,
): LabelLine[] {
  const kind = [facts.gas, choice.showsSweetness ? facts.sweetness : null, facts.style]
    .filter((part) => part !== null && part !== '')
    .join(' ');
  const share = facts.honeyShare < 0.995 ? ` (${shown('percent', 100 * facts.honeyShare, reader)} of its sugar)` : '';
  const made = [
    choice.showsHoney && facts.honeys.length > 0 ? `of ${facts.honeys.join(' and ')}${share}` : '',
    facts.others.length > 0 ? `with ${facts.others.join(', ')}` : '',
  ]
    .filter((part) => part !== '')
    .join(' ');
  const size = sizeMl === null ? '' : shown('bottleMl', sizeMl, reader);
  const by = choice.showsDrinkBy && drinkBy !== null ? `drink by ${shownDate(drinkBy, { month: 'long', year: 'numeric' }, reader)}` : '';
  const lines: (LabelLine | null)[] = [
    { text: choice.name, points: 13, bold: true },
    { text: `${kind} ${made}`.trim(), points: 8 },
    {
      text: [strength(facts, choice, reader).replaceAll(' ', '\u00a0'), size, String(facts.year)]
        .filter((part) => part !== '')
        .join('\u00a0· '),
      points: 9,
      bold: true,
    },
    choice.own.trim() === '' ? null : { text: choice.own.trim(), points: 8 },
    containsLine(facts.allergens, choice.region) === null
      ? null
      : { text: containsLine(facts.allergens, choice.region) ?? '', points: 7.5 },
    { text: [code, by, 'homemade, not for sale'].filter((part) => part !== '').join('\u00a0· '), points: 6.5 },
  ];
  return lines.filter((line): line is LabelLine => line !== null);
}

/** What is tied to a jug or a bucket: name, day, OG, what is in it. */
export function vesselLines(
  {
    name,
    pitchedAt,
    og,
    within,
    vessel,
  }: { name: string; pitchedAt: number | null; og: number | null; within: readonly string[]; vessel: string },
  reader: Reader,
): LabelLine[] {
  const day =
    pitchedAt === null ? 'no yeast yet' : `yeast in ${shownDate(pitchedAt, { day: 'numeric', month: 'long', year: 'numeric' }, reader)}`;
  return [
    { text: name, points: 18, bold: true },
    {
      text: [day, og === null ? '' : `OG ${shown('sg', og, reader)}`].filter((part) => part !== '').join('\u00a0· '),
      points: 11,
      bold: true,
    },
    { text: within.join(', '), points: 9 },
    { text: vessel, points: 8 },
  ].filter(({ text }) => text !== '');
}

/** The bottles of a filling one by one, ml. */
export const eachBottleMl = (fillings: readonly Immutable<Filling>[]): number[] =>
  fillings.flatMap(({ bottles }) => bottles.flatMap(({ sizeMl, count }) => Array.from({ length: count }, () => sizeMl)));
