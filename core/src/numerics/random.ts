import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Uniform draws from 0 up to, not including, 1. */
export type Rng = () => number;

/** A generator whose draws are fixed by its seed (xoroshiro128+). */
export function seeded(seed: number): Rng {
  const generator = xoroshiro128plus(seed);
  return () => uniformFloat64(generator);
}

/** A draw from the standard normal distribution (Box & Muller, Ann. Math. Statist. 29 (1958) 610–611). */
export const normal = (rng: Rng): number => Math.sqrt(-2 * Math.log(1 - rng())) * Math.cos(2 * Math.PI * rng());

/** The same things in another order (Fisher and Yates), by the generator's draws. */
export function shuffled<T>(things: readonly T[], rng: Rng): T[] {
  const order = [...things];
  for (let i = order.length - 1; i > 0; i--) {
    const k = Math.floor(rng() * (i + 1));
    [order[i], order[k]] = [order[k] as T, order[i] as T];
  }
  return order;
}
