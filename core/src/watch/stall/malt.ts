import type { Ledger } from '../../record/index.ts';

/** Malt that brought so much of the sugar may leave more of it than its table says, up to so much above the expected end (our estimates). */
export const MALT_SHARE = 0.08;
export const MALT_LEAVES_SG = 0.012;

/** Of all that was poured but water, the share that malt made. */
export function maltShareOf({ history: { pours } }: Ledger): number {
  const malt = pours.filter(({ family }) => family === 'malt').reduce((sum, { massG }) => sum + massG, 0);
  const poured = pours.reduce((sum, { massG, insolubleG }) => sum + massG - insolubleG, 0);
  return poured > 0 ? malt / poured : 0;
}
