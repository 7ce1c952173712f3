import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  correctedPh,
  electrodeSlope,
  ferment,
  instrumentPlusMinus,
  litersByWeight,
  mix,
  mixedFromRefractometer,
  phPlusMinus,
  provesAnEnd,
  refractometerBrix,
} from './index.ts';
import { ETHANOL_PER_EXTRACT } from './fermentation.ts';
import { DAY_MS } from '../quantities/index.ts';

describe('a refractometer in a must', () => {
  it('shows a sugar solution as what it is, and reads higher with every gram that became alcohol than the sugar left', () => {
    const must = { waterG: 750, extractG: 250, ethanolG: 0 };
    expect(refractometerBrix(must)).toBeCloseTo(25, 2);
    const half = ferment(must, 125);
    expect(refractometerBrix(half)).toBeGreaterThan((100 * half.extractG) / (half.waterG + half.extractG + half.ethanolG));
  });

  it('is turned back into the gravity that it was read at, whatever is fermented', () => {
    fc.assert(
      fc.property(fc.double({ min: 80, max: 320, noNaN: true }), fc.double({ min: 0, max: 1, noNaN: true }), (extractG, share) => {
        const must = { waterG: 1000 - extractG / 2, extractG, ethanolG: 0 };
        const now = ferment(must, extractG * share);
        expect(mixedFromRefractometer(must, Math.max(0, refractometerBrix(now)), ETHANOL_PER_EXTRACT).sg).toBeCloseTo(mix(now).sg, 4);
      }),
      { numRuns: 60 },
    );
  });

  it('is less to be trusted the more alcohol there is, and proves no end', () => {
    const errors = [0, 4, 8, 16].map((abv) => instrumentPlusMinus('refractometer', 20, abv));
    expect(errors).toEqual([...errors].sort((a, b) => a - b));
    expect(errors.at(-1)).toBeCloseTo(0.006, 3);
    expect(['hydrometer', 'refractometer', 'density meter', 'float'].filter((each) => provesAnEnd(each as 'float'))).toEqual([
      'hydrometer',
      'density meter',
    ]);
  });
});

describe('a pH meter', () => {
  const calibration = { at: 0, low: { buffer: 4, read: 4.1 }, high: { buffer: 7, read: 6.95 } };

  it('reads both buffers back as what they are', () => {
    expect(correctedPh(4.1, calibration)).toBeCloseTo(4, 10);
    expect(correctedPh(6.95, calibration)).toBeCloseTo(7, 10);
    expect(electrodeSlope(calibration)).toBeCloseTo(2.85 / 3, 10);
  });

  it('is trusted less as its calibration ages, least without one', () => {
    const errors = [phPlusMinus(calibration, DAY_MS / 2), phPlusMinus(calibration, 9 * DAY_MS), phPlusMinus(calibration, 90 * DAY_MS)];
    expect(errors).toEqual([...errors].sort((a, b) => a - b));
    expect(phPlusMinus(null, 0)).toBe(errors.at(-1));
  });

  it.each([
    [{ ...calibration, high: { buffer: 4.5, read: 4.6 } }, /at least one apart/],
    [{ ...calibration, high: { buffer: 7, read: 4.2 } }, /worn out/],
  ])('refuses a calibration that tells nothing, %#', (bad, sentence) => {
    expect(() => correctedPh(3.4, bad)).toThrow(sentence);
  });
});

describe('a volume by weight', () => {
  it('is what it weighs more than empty, over its density', () => {
    // 5 L of water at 20 °C weigh 4991 g; of a must of 1.100, 5490 g.
    expect(litersByWeight(1850 + 4991, 1850, 1)).toBeCloseTo(5, 3);
    expect(litersByWeight(1850 + 5490, 1850, 1.1)).toBeCloseTo(5, 3);
    expect(() => litersByWeight(1850, 1850, 1)).toThrow(/must weigh more/);
  });
});
