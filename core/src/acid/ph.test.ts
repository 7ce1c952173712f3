import { describe, expect, it } from 'vitest';
import { baseAsSalt, baseFromPoints, baseFromTrial } from './ph.ts';

describe('raising the pH', () => {
  it('carries a trial in a glass to the vessel, half of it first', () => {
    // 0.10 g in 100 ml is 1 g/L: 5 g for 5 L; potassium is 39.098 / 100.115 of the bicarbonate.
    const dose = baseFromTrial({ salt: 'bicarbonate', sampleMl: 100, addedG: 0.1, volumeL: 5 });
    expect(dose.fullG.value).toBeCloseTo(5, 9);
    expect(dose.firstG).toBeCloseTo(2.5, 9);
    expect(dose.potassiumMgPerL).toBeCloseTo(390.5, 1);
  });

  it('goes on along two points, with the meter’s error in the range', () => {
    const dose = baseFromPoints({ salt: 'carbonate', before: 3, after: 3.2, addedGPerL: 0.4, target: 3.4, volumeL: 10 });
    expect(dose.fullG.value).toBeCloseTo(4, 6);
    expect(dose.fullG.low).toBeCloseTo((0.2 * 0.4 * 10) / 0.25, 6);
    expect(dose.fullG.high).toBeCloseTo((0.2 * 0.4 * 10) / 0.15, 6);
  });

  it('swaps one salt for the other by what they neutralize, and back', () => {
    expect(baseAsSalt(100.115, 'bicarbonate', 'carbonate')).toBeCloseTo(69.1025, 6);
    expect(baseAsSalt(baseAsSalt(3, 'carbonate', 'bicarbonate'), 'bicarbonate', 'carbonate')).toBeCloseTo(3, 12);
  });

  it.each([
    [() => baseFromTrial({ salt: 'carbonate', sampleMl: 5, addedG: 0.1, volumeL: 5 }), /sample/],
    [() => baseFromTrial({ salt: 'carbonate', sampleMl: 100, addedG: 0, volumeL: 5 }), /took nothing/],
    [() => baseFromTrial({ salt: 'carbonate', sampleMl: 100, addedG: 3, volumeL: 5 }), /more than any must takes/],
    [() => baseFromTrial({ salt: 'carbonate', sampleMl: 100, addedG: 0.1, volumeL: 0 }), /vessel is empty/],
    [() => baseFromPoints({ salt: 'carbonate', before: 3.2, after: 3.2, addedGPerL: 0.4, target: 3.4, volumeL: 5 }), /did not rise/],
    [() => baseFromPoints({ salt: 'carbonate', before: 3, after: 3.4, addedGPerL: 0.4, target: 3.3, volumeL: 5 }), /already/],
    [() => baseFromPoints({ salt: 'carbonate', before: 3, after: 3.2, addedGPerL: 0.4, target: 4.2, volumeL: 5 }), /spoilage/],
    [() => baseFromPoints({ salt: 'carbonate', before: 3, after: 3.2, addedGPerL: 0, target: 3.4, volumeL: 5 }), /Nothing was added/],
  ])('refuses what cannot be, %#', (run, why) => expect(run).toThrow(why));
});
