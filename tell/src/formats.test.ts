import { HOUR_MS, gravity, massG, readField, say, tempC } from '@hollow-bell/core/quantities';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { fieldText, shown, shownRange, shownSentence } from './formats.ts';
import type { Reader } from './formats.ts';

const now = new Date(2026, 10, 23, 14, 0).getTime();
const metric: Reader = { units: 'metric', locale: 'en-GB', now };
const us: Reader = { ...metric, units: 'us', locale: 'en-US' };
const german: Reader = { ...metric, locale: 'de-DE' };
const plain = (text: string): string => text.replaceAll('\u00a0', ' ');

describe('what the maker reads', () => {
  it.each([
    ['massG', 1577, metric, '1.58 kg'],
    ['massG', 3.216, metric, '3.2 g'],
    ['massG', 1577, us, '3.48 lb'],
    ['massG', 3.216, us, '3.2 g'],
    ['degrees', 5, us, '9 °F'],
    ['degrees', 2.5, metric, '2.5 °C'],
    ['volumeL', 3.785411784, us, '1.00 US gal'],
    ['volumeL', 4.54609, { ...metric, units: 'uk' as const }, '1.00 UK gal'],
    ['volumeL', 0.014, us, '14 ml'],
    ['volumeL', 0.19, us, '6.4 US fl oz'],
    ['volumeL', 0.472, us, '16.0 US fl oz'],
    ['volumeL', 0.4735, us, '0.50 US qt'],
    ['volumeL', 1.892, us, '2.00 US qt'],
    ['volumeL', 1.893, us, '0.50 US gal'],
    ['volumeL', 0.5683, { ...metric, units: 'uk' as const }, '1.00 UK pt'],
    ['bottleMl', 750, metric, '750 ml'],
    ['bottleMl', 750, us, '25.4 US fl oz'],
    ['bottleMl', 354.9, us, '12 US fl oz'],
    ['tempC', 14, us, '57 °F'],
    ['tempC', 20.2778, us, '68.5 °F'],
    ['tempC', 20, us, '68 °F'],
    ['sg', 1.0481, german, '1,048'],
    ['abv', -0.01, metric, '0.0 % vol'],
    ['hours', 96, metric, '4 days'],
  ] as const)('%s %f', (kind, value, reader, expected) => {
    expect(plain(shown(kind, value, reader))).toBe(expected);
  });

  it.each([
    [0.103, 'less than ⅛ tsp'],
    [0.105, '⅛ tsp'],
    [0.13, '⅛ tsp'],
    [0.26, '¼ tsp'],
    [0.36, '⅜ tsp'],
    [0.49, '0.5 tsp'],
    [1.1, '1 tsp'],
    [1.13, '1.25 tsp'],
  ])('measures %d teaspoons with a spoon that there is', (value, told) => {
    expect(plain(shown('teaspoons', value, metric))).toBe(told);
  });

  it('says when as one would', () => {
    expect(shown('when', now - HOUR_MS, metric)).toBe('today 13:00');
    expect(shown('when', now - 20 * HOUR_MS, metric)).toBe('yesterday 18:00');
    expect(shown('when', now + 20 * HOUR_MS, metric)).toBe('tomorrow 10:00');
    expect(shown('when', now - 4 * 24 * HOUR_MS, metric)).toBe('Thu 14:00');
    expect(shown('when', now - 30 * 24 * HOUR_MS, metric)).toBe('24 October');
    expect(shown('when', now - 400 * 24 * HOUR_MS, metric)).toBe('19 October 2025');
  });

  it('shows a range only where there is one to see', () => {
    expect(shownRange('sg', { value: 1.1, low: 1.097, high: 1.103 }, metric)).toBe('1.097 – 1.103');
    expect(shownRange('sg', { value: 1.1, low: 1.1, high: 1.1 }, metric)).toBe('');
    expect(shownRange('sg', { value: 1.1, low: 1.09999, high: 1.10001 }, metric)).toBe('');
  });

  it('tells a sentence in the maker’s units', () => {
    const sentence = say`${massG(454)} at ${gravity(1.048)} and ${tempC(20)}.`;
    expect(plain(shownSentence(sentence, us))).toBe('1.00 lb at 1.048 and 68 °F.');
    expect(plain(shownSentence(sentence, german))).toBe('454 g at 1,048 and 20 °C.');
  });
});

describe('what stands in a field', () => {
  it.each([
    ['temp', 21, us, '69.8'],
    ['temp', 21, german, '21,0'],
    ['sg', 1.048, metric, '1.048'],
    ['mass', 1577, us, '3.48'],
  ] as const)('%s %d', (kind, value, reader, text) => {
    expect(fieldText(kind, value, reader)).toBe(text);
  });

  it('is read as what it is, in every house and language', () => {
    const houses = fc.constantFrom(metric, us, german, { ...metric, units: 'uk' as const });
    fc.assert(
      fc.property(houses, fc.integer({ min: 5, max: 40 }), fc.integer({ min: 980, max: 1150 }), ({ units, locale }, tempC, thousandths) => {
        const by = { units, locale: locale ?? 'en-GB' };
        const again = (kind: 'temp' | 'sg', value: number): number => readField(fieldText(kind, value, by), { kind, named: 'It' }, by);
        expect(again('temp', tempC)).toBeCloseTo(tempC, 1);
        expect(again('sg', thousandths / 1000)).toBeCloseTo(thousandths / 1000, 6);
      }),
    );
  });
});
