import { plainly, say, tempC, volumeL } from './sentence.ts';
import type { Quantity, Sentence } from './sentence.ts';

/**
 * Input that cannot be computed with. `said` is a sentence for a person, what is wrong and what is allowed, to be shown in the
 * maker's own units; the message is the same in SI.
 */
export class Refusal extends Error {
  readonly field: string | undefined;
  readonly said: Sentence;
  /** The same for the same refusal whatever its numbers: its words, with each quantity by its kind. */
  readonly id: string;

  constructor(sentence: string | Sentence, field?: string) {
    const said = typeof sentence === 'string' ? [sentence] : sentence;
    super(plainly(said));
    this.name = 'Refusal';
    this.said = said;
    this.id = said.map((part) => (typeof part === 'string' ? part : `{${part.kind}}`)).join('');
    this.field = field;
  }
}

/** Units that a maker may read in others: such a number is told as a quantity. */
const TOLD_AS: Record<string, (value: number) => Quantity> = {
  '°C': tempC,
  L: volumeL,
  ml: (value) => volumeL(value / 1000),
};

/**
 * Checks a number against its valid range.
 *
 * @param name what the maker calls it, e.g. "The sample temperature"
 * @throws Refusal naming the range when the value is not finite or outside it
 */
export function requireWithin(name: string, value: number, low: number, high: number, unit = ''): number {
  if (Number.isFinite(value) && value >= low && value <= high) return value;
  const told = TOLD_AS[unit];
  if (told !== undefined && Number.isFinite(value))
    throw new Refusal(say`${name} is ${told(value)}; it must lie between ${told(low)} and ${told(high)}.`);
  const shown = Number.isFinite(value) ? String(Number(value.toPrecision(6))) : 'not a number';
  const suffix = unit === '' ? '' : ` ${unit}`;
  throw new Refusal(`${name} is ${shown}${suffix}; it must lie between ${low} and ${high}${suffix}.`);
}
