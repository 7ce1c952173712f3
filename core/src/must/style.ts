import type { StyleMark } from '../ingredients/index.ts';
import type { PlannedIngredient } from './plan.ts';

/** What names a mead: what was poured, or is to be. */
export type Making = Pick<PlannedIngredient, 'family' | 'makes' | 'massG' | 'composition'>;
interface Made {
  ingredients: readonly Making[];
}

export interface Style {
  name: string;
  /** Share of the fermentable sugar that honey brings, 0 to 1. */
  honeyShare: number;
  isMead: boolean;
}

/** At least this much of the sugar from honey makes a mead (common rule of competitions and of several laws). */
const MEAD_HONEY_SHARE = 0.5;
/** % vol below which a mead is a hydromel, and above which a sack (usual lines; they differ by a point or so). */
const HYDROMEL_BELOW_ABV = 7.5;
const SACK_ABOVE_ABV = 14;
/** A spice flavors at a gram; juice or malt that brings less than this share of the sugar only seasons, and so does fruit of less than the other share of what is poured but water (our estimates). */
const LEAST_SUGAR_SHARE = 0.05;
const LEAST_FRUIT_SHARE = 0.1;
/** Less of the sugar from honey than this is none to speak of. */
const LEAST_HONEY_SHARE = 0.01;

const NAMES: [StyleMark, string][] = [
  ['malt', 'braggot'],
  ['apple', 'cyser'],
  ['grape', 'pyment'],
  ['maple', 'acerglyn'],
  ['fruit', 'melomel'],
  ['spice', 'metheglin'],
  ['caramel', 'bochet'],
];

/** The name of the mead that a plan makes, and how much of it is honey's. @param abv % vol that it will have */
export function styleOf(plan: Made, abv: number): Style {
  const sugarOf = (marks: readonly StyleMark[]): number =>
    plan.ingredients
      .filter(({ makes }) => marks.includes(makes))
      .reduce((sum, { massG, composition }) => sum + massG * composition.sugar, 0);
  const all = plan.ingredients.reduce((sum, { massG, composition }) => sum + massG * composition.sugar, 0);
  const honeyShare = all > 0 ? sugarOf(['honey', 'caramel']) / all : 0;
  const counts = (mark: StyleMark): boolean =>
    mark === 'spice'
      ? plan.ingredients.some(({ makes, massG }) => makes === mark && massG > 0)
      : sugarOf([mark]) >= LEAST_SUGAR_SHARE * all || (mark === 'fruit' && fruitShare(plan) >= LEAST_FRUIT_SHARE);
  const names = NAMES.filter(([mark]) => counts(mark)).map(([, name]) => name);
  const strength = abv > 0 && abv < HYDROMEL_BELOW_ABV ? 'hydromel' : Math.round(abv * 10) / 10 > SACK_ABOVE_ABV ? 'sack' : '';
  const isMead = honeyShare >= MEAD_HONEY_SHARE;
  if (!isMead) return { name: `${wineName(plan)}${honeyShare < LEAST_HONEY_SHARE ? '' : ' with honey'}`, honeyShare, isMead };
  const base =
    names.length === 0 ? (strength === 'hydromel' ? 'hydromel' : strength === 'sack' ? 'sack mead' : 'traditional mead') : listed(names);
  const prefix = names.length > 0 && strength !== '' ? `${strength} ` : '';
  return { name: prefix + base, honeyShare, isMead };
}

/** Of all that is poured but water, the share that fruit makes by mass. */
function fruitShare({ ingredients }: Made): number {
  const massOf = (some: readonly Making[]): number => some.reduce((sum, { massG }) => sum + massG, 0);
  const all = massOf(ingredients);
  return all > 0 ? massOf(ingredients.filter(({ makes }) => makes === 'fruit')) / all : 0;
}

function wineName(plan: Made): string {
  const biggest = plan.ingredients
    .filter(({ family }) => family !== 'honey')
    .sort((a, b) => b.massG * b.composition.sugar - a.massG * a.composition.sugar)[0];
  if (biggest === undefined) return 'no mead yet';
  if (biggest.makes === 'malt') return 'ale';
  if (biggest.makes === 'apple') return 'cider';
  return biggest.family === 'sugar' || biggest.family === 'syrup' ? 'sugar wine' : 'fruit wine';
}

/** A mead of several kinds bears all their names. */
const listed = (names: string[]): string => names.join(' and ');
