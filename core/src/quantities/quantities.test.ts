import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { referenceCases } from '../reference/cases.ts';
import {
  GRAMS_PER,
  LITERS_PER,
  celsiusToF,
  exactly,
  massFromG,
  propagate,
  readMassG,
  readNumber,
  readSg,
  readVolumeL,
  volumeFromL,
  within,
  weighedG,
} from './index.ts';
import { massToG } from './units.ts';
import { volumeToL } from './units.ts';
import { fahrenheitToC } from './units.ts';
import type { MassUnit, TypedBy, UnitSystem, VolumeUnit } from './index.ts';

const by = (units: UnitSystem): TypedBy => ({ units, locale: 'en-GB' });

describe('units', () => {
  it('come back as they went', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -1e4, max: 1e4, noNaN: true }),
        fc.constantFrom(...(Object.keys(GRAMS_PER) as MassUnit[])),
        fc.constantFrom(...(Object.keys(LITERS_PER) as VolumeUnit[])),
        (x, mass, volume) => {
          expect(massFromG(massToG(x, mass), mass)).toBeCloseTo(x, 8);
          expect(volumeFromL(volumeToL(x, volume), volume)).toBeCloseTo(x, 8);
          expect(fahrenheitToC(celsiusToF(x))).toBeCloseTo(x, 8);
        },
      ),
      { seed: 1 },
    );
  });

  it('keep US and UK gallons apart', () => {
    expect(readVolumeL('1 uk gal', by('us'), { unit: 'l' }) / readVolumeL('1 us gal', by('uk'), { unit: 'l' })).toBeCloseTo(1.20095, 5);
    expect(() => readMassG('2 stone', by('uk'), { unit: 'lb' })).toThrow(/not a unit/);
  });
});

describe('kitchen measures agree with the reference values', () => {
  const spelled = (unit: string): string => unit.replace('_', ' ').replace('floz', 'fl oz');
  it.each(referenceCases('kitchen').map((c) => [c.id, c] as const))('%s', (_id, c) => {
    const { value, unit_from, unit_to } = c.inputs as Record<'value' | 'unit_from' | 'unit_to', string>;
    const per = readVolumeL(`1 ${spelled(unit_to)}`, by('metric'), { unit: 'l' });
    expect(c.differences(() => readVolumeL(`${value} ${spelled(unit_from)}`, by('metric'), { unit: 'l' }) / per)).toEqual([]);
  });
});

describe('typed numbers', () => {
  it.each([
    ['1,5', 1.5],
    ['1.5', 1.5],
    ['.5', 0.5],
    ['7,', 7],
    ['-3', -3],
  ])('%s', (typed, value) => {
    expect(readNumber(typed, by('metric'))).toBe(value);
  });

  it('are refused with a sentence when they are none', () => {
    expect(() => readNumber('abc', by('metric'))).toThrow(/“abc” is not a number/);
    expect(() => readNumber('1.2.3', by('metric'))).toThrow(/not a number/);
    expect(() => readSg('1.048 l', by('metric'))).toThrow(/no unit/);
    expect(() => readMassG('-5', by('metric'), { unit: 'g' })).toThrow(/less than nothing/);
  });

  it('take their unit from what is typed before the field’s own', () => {
    expect(readMassG('2 lb', by('metric'), { unit: 'kg' })).toBeCloseTo(907.18474, 6);
    expect(readMassG('2', by('metric'), { unit: 'kg' })).toBe(2000);
  });
});

describe('ranges', () => {
  it('of a sum grow as root of squares, and exact inputs add none', () => {
    const { sum } = propagate([within(10, 3), within(5, 4), exactly(2)], ([a = 0, b = 0, c = 0]) => ({ sum: a + b + c }));
    expect(sum.value).toBe(17);
    expect(sum.high - sum.value).toBeCloseTo(5, 12);
    expect(sum.value - sum.low).toBeCloseTo(5, 12);
  });
});

describe('grams that can be weighed', () => {
  it.each([
    [0.356, undefined, 0.36],
    [3.216, undefined, 3.2],
    [123.4, undefined, 123],
    [0.91, 0.1, 0.9],
    [0.91, 1, 1],
    [3.49, 1, 3],
    [0.5, 1, 1],
    [0.49, 1, 0.49],
    [0.05, 0.1, 0.1],
    [0.04, 0.1, 0.04],
    [0, 1, 0],
  ] as const)('%f g on a scale that tells %s apart: %f g', (massG, scaleG, weighed) => {
    expect(weighedG(massG, scaleG)).toBe(weighed);
  });
});
