import { TypedRefusal } from '@hollow-bell/core/quantities';
import type { TypedBy } from '@hollow-bell/core/quantities';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { NOTHING_PRESSED, beginningsNear, pressedText, readPressed } from './pad.ts';
import type { Pressed } from './pad.ts';

const english: TypedBy = { units: 'metric', locale: 'en-GB' };
const german: TypedBy = { units: 'metric', locale: 'de-DE' };
const behind = (begins: string, digits: string, isChosen = false): Pressed => ({ begins, digits, isChosen });
const refusedFor = (pressed: Pressed, by = english): TypedRefusal => {
  try {
    readPressed('sg', 'Gravity', pressed, by);
  } catch (error) {
    if (error instanceof TypedRefusal) return error;
    throw error;
  }
  throw new Error('was taken');
};

describe('what stands ready on the pad', () => {
  it.each<[number, string[], string]>([
    [1.013, ['0.99', '1.00', '1.01', '1.02', '1.03'], '1.01'],
    [1.0199, ['0.99', '1.00', '1.01', '1.02', '1.03'], '1.01'],
    [1.02, ['1.00', '1.01', '1.02', '1.03', '1.04'], '1.02'],
    [0.9701, ['0.97', '0.98', '0.99', '1.00', '1.01'], '0.97'],
    [1.2, ['1.16', '1.17', '1.18', '1.19', '1.20'], '1.20'],
  ])('near a gravity of %d', (near, all, ready) => {
    expect(beginningsNear('sg', near, english)).toEqual({ all, ready });
  });

  it('is written as this maker writes, and is there for a pH too', () => {
    expect(beginningsNear('sg', 1.013, german).ready).toBe('1,01');
    expect(beginningsNear('ph', 3.42, english)).toEqual({ all: ['3.2', '3.3', '3.4', '3.5', '3.6'], ready: '3.4' });
    expect(beginningsNear('temp', 20, english).all).toEqual([]);
    expect(beginningsNear('sg', null, english).all).toEqual([]);
  });

  it('lets every gravity of three decimals be written by its beginning and one digit, in either language', () => {
    fc.assert(
      fc.property(fc.integer({ min: 970, max: 1200 }), fc.constantFrom(english, german), (thousandths, by) => {
        const sg = thousandths / 1000;
        const { ready } = beginningsNear('sg', sg, by);
        expect(readPressed('sg', 'Gravity', behind(ready, String(thousandths % 10)), by)).toBeCloseTo(sg, 6);
      }),
    );
  });
});

describe('what is pressed', () => {
  it('is nothing without a digit', () => {
    expect(readPressed('sg', 'Gravity', behind('1.01', ''), english)).toBeNull();
    expect(pressedText(NOTHING_PRESSED)).toBe('');
  });

  it('by a third digit, or a point, drops what stood ready', () => {
    expect(pressedText(behind('1.01', '101'))).toBe('101');
    expect(pressedText(behind('1.01', '1.'))).toBe('1.');
    expect(readPressed('sg', 'Gravity', behind('1.01', '1.048'), english)).toBe(1.048);
    expect(readPressed('sg', 'Gravity', behind('1,01', '1,048'), german)).toBe(1.048);
  });

  it('1012 is no gravity, and offers what it means', () => {
    const { offers } = refusedFor(behind('1.01', '1012'));
    expect(offers.map(({ value }) => value)).toEqual([1.012]);
  });

  it('two digits behind what only stood ready are asked about: points, or half a mark', () => {
    expect(refusedFor(behind('1.01', '48')).offers.map(({ value }) => value)).toEqual([1.048, 1.0148]);
    expect(refusedFor(behind('1,01', '48'), german).offers.map(({ value }) => value)).toEqual([1.048, 1.0148]);
  });

  it('two digits behind a beginning that was pressed are half a mark', () => {
    expect(readPressed('sg', 'Gravity', behind('1.01', '25', true), english)).toBe(1.0125);
  });
});
