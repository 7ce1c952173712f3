import { SHOWN_UNITS, readMassG, readVolumeL, takeFigure, takeMeasure, takeParts, tempToC } from '@hollow-bell/core/quantities';
import type { TypedBy } from '@hollow-bell/core/quantities';

/** An amount somewhere in a line, and the words before and behind it. */
export interface Amount {
  /** As typed, with its unit. */
  text: string;
  of: 'mass' | 'volume' | 'spoon' | 'packet' | 'tablet' | 'bare' | 'piece';
  /** The number alone; of several parts the first. */
  count: number;
  before: string;
  after: string;
}

const COUNTS: Record<string, number> = { a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, half: 0.5, 'half a': 0.5 };
const PIECES = /^(packets?|packs?|sachets?|tablets?|tabs?|jars?|boxes|box|cans?|tins?|drops?|mugs?|handfuls?|pinch(?:es)?)\b\s*/;
const COUNTED = new RegExp(
  `\\b(half an?|half|an?|one|two|three|four|five|six)\\s+(?:level\\s+)?(?=(?:packet|pack|sachet|tablet|tab|jar|box|can|tin|drop|mug|handful|pinch|tsp|teaspoon|tbsp|tablespoon|cup|pint|quart|gallon|gal|liter|litre|pound|ounce|kilo)s?\\b|(?:[a-z-]+ ){0,2}(?:tablets?|packets?|sachets?)\\b|(?:[a-z-]+ )?(?:pods?|sticks?|cloves?|bags?|beans?|oranges?|lemons?|limes?|apples?|pears?|peaches|peach|plums?)$)`,
);

const pieceOf = (word: string): Amount['of'] => (/^(?:packet|pack|sachet)/.test(word) ? 'packet' : /^tab/.test(word) ? 'tablet' : 'piece');

/** The first amount in the words; null where there is none. “one packet” counts, “12” in a name of something does too. */
export function findAmount(words: string, by: TypedBy): Amount | null {
  const spelled = COUNTED.exec(words);
  const digits = /(?:^|\s)(?=[\d.,]*\d)/.exec(words);
  if (spelled !== null && (digits === null || spelled.index <= digits.index)) {
    const number = COUNTS[spelled[1] ?? 'a'] ?? 1;
    return amountAt(`${words.slice(0, spelled.index)}${number} ${words.slice(spelled.index + spelled[0].length)}`, spelled.index, by);
  }
  return digits === null ? null : amountAt(words, digits.index + digits[0].length, by);
}

function amountAt(words: string, index: number, by: TypedBy): Amount | null {
  const before = words.slice(0, index).trim();
  const from = words.slice(index);
  const taken = takeParts(from, by);
  if (taken === null) return null;
  const [first] = taken.parts;
  const { measure } = first ?? { measure: null };
  const count = first?.figure.values.at(-1) ?? 0;
  const text = from.slice(0, from.length - taken.rest.length).trim();
  const after = taken.rest.trim().replace(/^[.,]\s*/, '');
  if (measure === null) {
    const piece = PIECES.exec(after);
    return piece === null
      ? { text, of: 'bare', count, before, after }
      : { text: `${text} ${piece[1] ?? ''}`, of: pieceOf(piece[1] ?? ''), count, before, after: after.slice(piece[0].length) };
  }
  const of = measure.of === 'mass' ? 'mass' : measure.of === 'spoon' ? 'spoon' : measure.of === 'temperature' ? 'bare' : 'volume';
  return { text, of, count, before, after };
}

/** Grams of a typed mass; a bare number is grams. */
export const gramsOf = (text: string, by: TypedBy, gPerTsp?: number | null): number => readMassG(text, by, { unit: 'g', gPerTsp });
/** Liters of a typed volume; a bare number is in the house's unit. */
export const litersOf = (text: string, by: TypedBy): number => readVolumeL(text, by, { unit: SHOWN_UNITS[by.units].volume });

/** A temperature behind “to” or “at”, in °C by the house's degree; null where there is none. */
export function findTempC(words: string, by: TypedBy): number | null {
  const behind = /\b(?:to|at)\s+(?:about\s+)?(?=[\d.,])/.exec(words);
  if (behind === null) return null;
  const taken = takeFigure(words.slice(behind.index + behind[0].length), by.locale);
  if (taken === null) return null;
  const unit = takeMeasure(taken.rest, by.units);
  const degree = unit?.measure.of === 'temperature' ? unit.measure.unit : SHOWN_UNITS[by.units].temp;
  const value = taken.figure.values.at(-1) ?? 0;
  return tempToC(value, degree);
}

/** Whether the words hold a number at all. */
export const holdsNumber = (words: string): boolean => /\d/.test(words) || COUNTED.test(words);
