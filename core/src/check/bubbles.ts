import { primingSugarOf, volumesMade } from '../carbonate/index.ts';
import type { Ledger, Payloads } from '../record/index.ts';
import { GRAMS_PER, massG, say, volumeL, volumes } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { whyNoGas } from '../watch/index.ts';

/** Sugar that makes less than this, in volumes, was hardly meant in grams (our estimate). */
const LEAST_MADE = 0.15;

/** Priming sugar of which a gram may be an ounce, or that nothing in it would eat. */
export function aboutBottling(ledger: Ledger, { prime }: Payloads['bottling']): Sentence[] {
  if (prime === undefined || prime.massG <= 0) return [];
  const made = volumesMade(primingSugarOf(prime), prime.massG / prime.volumeL);
  const ounces = prime.massG * GRAMS_PER.oz;
  const noGas = whyNoGas(ledger);
  return [
    ...(made < LEAST_MADE
      ? [
          say`${massG(prime.massG)} in ${volumeL(prime.volumeL)} make ${volumes(made)} of gas, next to nothing. Were it ounces, it would be ${massG(ounces)}: correct it, if it was.`,
        ]
      : []),
    ...(noGas === null ? [] : [noGas]),
  ];
}
