import { Refusal, exactly, propagate, requireWithin, say, massG as grams, volumeL as liters } from '../quantities/index.ts';
import type { Ranged, Working } from '../quantities/index.ts';
import { BASE_SALTS } from '../record/index.ts';
import type { BaseSalt } from '../record/index.ts';

/** Above this, spoilage has it easier and sulfite does little, by usual advice. */
export const HIGHEST_PH = 3.8;
const PH_FIELD = { low: 2.5, high: 4.5 } as const;
/** Two buffers' worth of a kitchen pH meter, ± pH (our estimate). */
const METER_PLUS_MINUS = 0.05;
/** A trial in so small a sample says little about a vessel, ml. */
const SMALLEST_SAMPLE_ML = 20;

export interface BaseDose {
  salt: BaseSalt;
  /** All that the aim would take. */
  fullG: Ranged;
  /** What goes in first: half. Then measure. */
  firstG: number;
  potassiumMgPerL: number;
  working: Working;
}

const doseOf = (salt: BaseSalt, gPerL: Ranged, volumeL: number, working: Pick<Working, 'formula' | 'inputs'>): BaseDose => ({
  salt,
  fullG: { value: gPerL.value * volumeL, low: gPerL.low * volumeL, high: gPerL.high * volumeL },
  firstG: (gPerL.value * volumeL) / 2,
  potassiumMgPerL: gPerL.value * BASE_SALTS[salt].potassium * 1000,
  working: {
    ...working,
    source: 'Proportion from the trial; equivalent masses by stoichiometry. Half first, since must buffers unevenly.',
  },
});

const checkVolume = (volumeL: number): void => {
  if (!(volumeL > 0)) throw new Refusal('The vessel is empty; there is no pH to raise.');
};

/**
 * The salt for a batch from a trial in a glass that reached the pH that is wanted.
 * @param sampleMl 20 to 1000; @param addedG what the glass took, above 0
 * @throws Refusal for a trial that cannot be one
 */
export function baseFromTrial({
  salt,
  sampleMl,
  addedG,
  volumeL,
}: {
  salt: BaseSalt;
  sampleMl: number;
  addedG: number;
  volumeL: number;
}): BaseDose {
  checkVolume(volumeL);
  requireWithin('The sample', sampleMl, SMALLEST_SAMPLE_ML, 1000, 'ml');
  if (!(addedG > 0)) throw new Refusal('The trial took nothing; write down how many grams brought the glass to the pH you want.');
  const gPerL = (1000 * addedG) / sampleMl;
  if (gPerL > MOST_G_PER_L)
    throw new Refusal(
      `${gPerL.toFixed(1)} g/L is more than any must takes; check the grams and the milliliters. At most ${MOST_G_PER_L} g/L.`,
    );
  return doseOf(salt, exactly(gPerL), volumeL, {
    formula: 'grams in the glass ÷ its volume × the batch',
    inputs: [
      { name: BASE_SALTS[salt].name, shown: say`${grams(addedG)} in ${sampleMl.toFixed(0)} ml` },
      { name: 'in the vessel', shown: say`${liters(volumeL)}` },
    ],
  });
}
/** 5 g/L would bring two grams of potassium to a liter: far beyond use (our estimate). */
const MOST_G_PER_L = 5;

export interface PhPoints {
  salt: BaseSalt;
  before: number;
  after: number;
  /** What made the difference, g/L. */
  addedGPerL: number;
  target: number;
  volumeL: number;
}

/**
 * The salt still needed, from two pH readings and what was added between them, taken as straight between.
 * @throws Refusal where the pH did not rise, or the aim is below it or above 3.8
 */
export function baseFromPoints({ salt, before, after, addedGPerL, target, volumeL }: PhPoints): BaseDose {
  checkVolume(volumeL);
  for (const [name, ph] of [['The first pH', before] as const, ['The second pH', after] as const])
    requireWithin(name, ph, PH_FIELD.low, PH_FIELD.high);
  if (!(addedGPerL > 0)) throw new Refusal('Nothing was added between the two readings; write down how many grams a liter got.');
  if (after - before < METER_PLUS_MINUS)
    throw new Refusal(`The pH did not rise beyond the meter’s own error of ${METER_PLUS_MINUS}; add a little more and read again.`);
  if (target > HIGHEST_PH)
    throw new Refusal(`A pH above ${HIGHEST_PH} gives spoilage an easy time and sulfite a hard one; aim for 3.3 to ${HIGHEST_PH}.`);
  if (target <= after) throw new Refusal(`It reads ${after.toFixed(2)} already; there is nothing to raise to ${target.toFixed(2)}.`);
  const rise = { value: after - before, low: after - before - METER_PLUS_MINUS, high: after - before + METER_PLUS_MINUS };
  const gPerL = propagate([{ ...rise, low: Math.max(METER_PLUS_MINUS, rise.low) }], ([slope = 1]) => ({
    gPerL: ((target - after) * addedGPerL) / slope,
  })).gPerL;
  return doseOf(salt, gPerL, volumeL, {
    formula: '(aim − pH now) ÷ rise seen × grams that made it',
    inputs: [
      { name: 'seen', shown: say`${before.toFixed(2)} to ${after.toFixed(2)} by ${addedGPerL.toFixed(2)} g/L` },
      { name: 'aim', shown: say`${target.toFixed(2)}` },
    ],
  });
}

/** As much base as so many grams of the other salt. */
export const baseAsSalt = (grams: number, from: BaseSalt, to: BaseSalt): number =>
  (grams * BASE_SALTS[to].gPerEquivalent) / BASE_SALTS[from].gPerEquivalent;
