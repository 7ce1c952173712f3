import { DAY_MS, hours, massG, say } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { Ledger } from '../record/index.ts';

/** How a batch was fed, in a few words. */
export function fedTold({ history: { doses, pitch } }: Ledger): Sentence {
  const last = doses.at(-1);
  if (last === undefined) return ['not fed'];
  const grams = doses.reduce((sum, dose) => sum + dose.massG, 0);
  const times = new Set(doses.map(({ at }) => at)).size;
  const often = times === 1 ? 'once' : `${times} times`;
  return pitch === null
    ? say`${massG(grams)}, ${often}`
    : say`${massG(grams)}, ${often}, last ${hours(Math.max(0, (last.at - pitch.at) / DAY_MS) * 24)} after the pitch`;
}
