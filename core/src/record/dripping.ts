import { drippingRange } from '../ingredients/index.ts';
import { within } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import type { Ledger } from './ledger.ts';

/**
 * What a bag weighs as it drips, by the kinds of fruit that are still in, g.
 * @param share of all the pulp that comes out, 0 to 1 @param of one ingredient alone, where its bag is named
 */
export function drippingOf({ history }: Pick<Ledger, 'history'>, share: number, of?: string): Ranged {
  const there = history.pours.filter(({ insolubleG, isOut }) => insolubleG > 0 && isOut !== true);
  const named = there.filter(({ name }) => name === of);
  const [bag, part] = named.length > 0 ? [named, 1] : [there, share];
  return bag
    .map(drippingRange)
    .reduce(
      (sum, { value, low, high }) => ({ value: sum.value + part * value, low: sum.low + part * low, high: sum.high + part * high }),
      within(0, 0),
    );
}
