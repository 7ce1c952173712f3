import { primingSugarOf, volumesMade } from '../carbonate/index.ts';
import { isAllBottled } from '../record/index.ts';
import type { EventContent, Ledger, Payloads } from '../record/index.ts';
import { GRAMS_PER, massG, plainly, say, volumeL, volumes } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { judgeBottling, whyNoGas } from '../glass/index.ts';

/** Sugar that makes less than this, in volumes, was hardly meant in grams (our estimate). */
const LEAST_MADE = 0.15;

/** What closed glass asks, or that it is shut: what has happened is written down all the same, and rings. */
function aboutGlass(ledger: Ledger, payload: Payloads['bottling'], at: number): Sentence[] {
  if (isAllBottled(ledger)) return [];
  const { verdict, why, missing, question } = judgeBottling(ledger, payload, at);
  if (verdict === 'ask') return payload.word === undefined ? [question ?? why] : [];
  if (verdict === 'open') return [];
  return [
    [
      'Glass is shut on it: ',
      ...why,
      ...(missing === null ? [] : [' What opens it: ', ...missing]),
      ' Write it down only if it is in glass already: it then rings until that is settled.',
    ],
  ];
}

/** An entry as it is written once its question was answered: the yes stands with the bottling. Any other is left as it is. */
export function answered(ledger: Ledger, content: EventContent, at: number): EventContent {
  if (content.kind !== 'bottling' || content.payload.word !== undefined || isAllBottled(ledger)) return content;
  const { verdict, why, question } = judgeBottling(ledger, content.payload, at);
  return verdict === 'ask' ? { ...content, payload: { ...content.payload, word: `${plainly(question ?? why)} Yes.` } } : content;
}

export const aboutBottling = (ledger: Ledger, payload: Payloads['bottling'], at: number): Sentence[] => [
  ...aboutGlass(ledger, payload, at),
  ...aboutPriming(ledger, payload),
];

/** Priming sugar of which a gram may be an ounce, or that nothing in it would eat. */
function aboutPriming(ledger: Ledger, { prime }: Payloads['bottling']): Sentence[] {
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
