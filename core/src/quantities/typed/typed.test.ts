import { describe, expect, it } from 'vitest';
import { typedFields } from '../../reference/typed.ts';
import { TypedRefusal, readField } from './index.ts';

/** What a whole text gives: its value, or what is offered instead. */
function outcome(read: () => number): { value: number } | { offers: number[]; said: string } {
  try {
    return { value: read() };
  } catch (error) {
    if (!(error instanceof TypedRefusal)) throw error;
    return { offers: error.offers.map(({ value }) => value), said: error.message };
  }
}

describe('what makers type into fields', () => {
  it.each(typedFields.map((entry) => [entry.id, entry.text, entry] as const))('%s “%s”', (_id, text, entry) => {
    const { kind, house: units, locale, limits, gPerTsp, currency, expect: wanted } = entry;
    const [low, high] = limits;
    const got = outcome(() => readField(text, { kind, named: 'It', limits: { low, high }, gPerTsp, currency }, { units, locale }));
    const near = (a: number, b: number): boolean => Math.abs(a - b) <= Math.max(wanted.tolerance ?? 0, 1e-6 * Math.abs(b));
    if ('value' in got) {
      const taken = wanted.value ?? (wanted.or?.includes('value') === true ? (wanted.offer ?? wanted.ask?.[0]) : undefined);
      expect(taken, `nothing of this was to be taken, but ${got.value} was`).toBeDefined();
      expect(near(got.value, taken ?? 0), `${got.value} for ${String(taken)}`).toBe(true);
      return;
    }
    expect(got.said).toMatch(/[.?]$/);
    for (const wrong of wanted.mustNotOffer ?? []) expect(got.offers).not.toContain(wrong);
    const offered = [...(wanted.ask ?? []), ...(wanted.offer === undefined ? [] : [wanted.offer])];
    for (const value of offered)
      expect(
        got.offers.some((offer) => near(offer, value)),
        `${value} among ${got.offers.join(', ')}`,
      ).toBe(true);
    if (wanted.value !== undefined) {
      expect(wanted.or ?? []).toContain(got.offers.length > 0 ? 'ask' : 'refuse');
      if (got.offers.length > 0) expect(got.offers.some((offer) => near(offer, wanted.value ?? 0))).toBe(true);
    }
  });

  it.each([
    ['1,250 g', 'en-GB', 'smallMass', [1250, 1.25]],
    ['1.048', 'de-DE', 'sg', 1.048],
    ['1', 'en-GB', 'sg', [1.001]],
    ['1200', 'en-GB', 'sg', [1.2]],
    ['1201', 'en-GB', 'sg', []],
    ['0970', 'en-GB', 'sg', [0.97]],
    ['0.969', 'en-GB', 'sg', []],
    ['1.2', 'en-GB', 'sg', 1.2],
    ['1.2001', 'en-GB', 'sg', []],
    ['60', 'en-GB', 'temp', 60],
    ['60.1', 'en-GB', 'temp', [15.611]],
    ['5.01', 'en-GB', 'ph', []],
    ['2.5', 'en-GB', 'ph', 2.5],
    ['1 lb 12', 'en-GB', 'mass', [793.787]],
    ['1 lb 2 kg', 'en-GB', 'mass', []],
    ['2 tsp', 'en-GB', 'mass', []],
    ['4 kg of it', 'en-GB', 'mass', []],
  ] as const)('“%s” in %s as %s', (text, locale, kind, wanted) => {
    const got = outcome(() => readField(text, { kind, named: 'It' }, { units: 'metric', locale }));
    if (typeof wanted === 'number') expect(got).toEqual({ value: wanted });
    else expect('offers' in got ? got.offers.map((offer) => Number(offer.toFixed(3))) : got).toEqual(wanted);
  });
});
