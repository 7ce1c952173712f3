import { Refusal, requireWithin } from '../quantities/index.ts';

/** Concentrate and water for so many liters, in the product's own proportion. @throws Refusal for a proportion of nothing */
export function sanitizerFor(doseMl: number, perL: number, makeL: number): { concentrateMl: number; waterL: number } {
  if (!(perL > 0)) throw new Refusal('Say in how many liters the product’s dose goes.', 'perL');
  requireWithin('The dose', doseMl, 0, 100_000, 'ml');
  requireWithin('What is made', makeL, 0, 1000, 'L');
  const concentrateMl = (doseMl * makeL) / perL;
  return { concentrateMl, waterL: makeL - concentrateMl / 1000 };
}
