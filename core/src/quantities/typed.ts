import { Refusal, requireWithin } from './refusal.ts';
import { massToG, tempToC, unitFromWord, volumeToL } from './units.ts';
import type { MassUnit, TempUnit, UnitSystem, VolumeUnit } from './units.ts';

/** A number as typed, with comma or point, and the unit word behind it if there is one. */
export function readNumber(typed: string): { value: number; word: string } {
  const match = /^\s*([+-]?(?:\d+(?:[.,]\d*)?|[.,]\d+))\s*([^\d\s][^\d]*)?\s*$/.exec(typed);
  const digits = match?.[1];
  if (digits === undefined) {
    const reason = typed.trim() === '' ? 'Nothing is typed here yet' : `“${typed.trim()}” is not a number`;
    throw new Refusal(`${reason}; write digits with a point or a comma, such as 1.048 or 4,2.`);
  }
  return { value: Number(digits.replace(',', '.')), word: match?.[2]?.trim() ?? '' };
}

/** Mass in grams from typed text; `unit` is used when none is typed. Valid 0 to 1000 kg. */
export function readMassG(typed: string, unit: MassUnit, system: UnitSystem): number {
  const { value, word } = readNumber(typed);
  const typedUnit = word === '' ? unit : unitFromWord(word, system).mass;
  if (typedUnit === undefined) throw new Refusal(`“${word}” does not measure mass; use g, kg, lb or oz.`);
  return requireWithin('The mass', massToG(value, typedUnit), 0, 1e6, 'g');
}

/** Volume in liters from typed text; `unit` is used when none is typed. Valid 0 to 2000 L. */
export function readVolumeL(typed: string, unit: VolumeUnit, system: UnitSystem): number {
  const { value, word } = readNumber(typed);
  const typedUnit = word === '' ? unit : unitFromWord(word, system).volume;
  if (typedUnit === undefined) throw new Refusal(`“${word}” does not measure volume; use ml, L or gal.`);
  return requireWithin('The volume', volumeToL(value, typedUnit), 0, 2000, 'L');
}

/** Temperature in °C from typed text. Valid 0 to 60 °C for a sample; outside, the sentence offers the other scale when that fits. */
export function readSampleTempC(typed: string, unit: TempUnit, system: UnitSystem): number {
  const { value, word } = readNumber(typed);
  const typedUnit = word === '' ? unit : unitFromWord(word, system).temp;
  if (typedUnit === undefined) throw new Refusal(`“${word}” does not measure temperature; use °C or °F.`);
  const tempC = tempToC(value, typedUnit);
  if (tempC >= 0 && tempC <= 60) return tempC;
  const otherC = tempToC(value, typedUnit === 'c' ? 'f' : 'c');
  const offer = otherC >= 0 && otherC <= 60 ? ` Did you mean ${value} °${typedUnit === 'c' ? 'F' : 'C'}?` : '';
  throw new Refusal(
    `A sample at ${value} °${typedUnit.toUpperCase()} cannot be read; it must lie between 0 and 60 °C (32 and 140 °F).${offer}`,
    'tempC',
  );
}

/** Lowest and highest specific gravity that a must, mead or its sample can show on a hydrometer. */
export const SG_RANGE = { low: 0.97, high: 1.2 } as const;

/** What was probably meant by a gravity outside the scale, or undefined: 1048 → 1.048, 10,48 → 1.048, 48 → 1.048. */
export function offeredSg(value: number): number | undefined {
  const candidates = [value / 1000, value / 100, value / 10, 1 + value / 1000];
  return candidates.map((sg) => Math.round(sg * 1e4) / 1e4).find((sg) => sg >= SG_RANGE.low && sg <= SG_RANGE.high);
}

/** A refused gravity that carries the one that was probably meant. */
export class GravityRefusal extends Refusal {
  readonly offered: number | undefined;

  constructor(sentence: string, offered: number | undefined) {
    super(sentence, 'sg');
    this.name = 'GravityRefusal';
    this.offered = offered;
  }
}

/** Specific gravity from typed text. Valid 0.970 to 1.200; throws GravityRefusal with an offer where one is plain. */
export function readSg(typed: string): number {
  const { value, word } = readNumber(typed);
  if (word !== '') throw new GravityRefusal(`A specific gravity has no unit; “${word}” is one too many.`, undefined);
  if (value >= SG_RANGE.low && value <= SG_RANGE.high) return value;
  const offered = offeredSg(value);
  const offer = offered === undefined ? '' : ` Did you mean ${offered.toFixed(3)}?`;
  throw new GravityRefusal(`${typed.trim()} is no specific gravity; it must lie between 0.970 and 1.200.${offer}`, offered);
}
