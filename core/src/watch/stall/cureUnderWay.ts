import { WARM_C_A_DAY } from '../../yeast/index.ts';
import { cureTold } from '../../record/index.ts';
import type { Ledger } from '../../record/index.ts';
import { HOUR_MS } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';

/** A change shows in the gravity after so long (our estimate, within the usual 24 to 72 hours); warming, once it is warm. */
export const READ_AGAIN_H = 48;
/** Hours that warming takes where no day brings more than it should. */
export const warmingH = (fromC: number, toC: number): number => (24 * Math.max(0, toC - fromC)) / WARM_C_A_DAY;
export const warmedReadAgainH = (fromC: number, toC: number): number => Math.max(READ_AGAIN_H, warmingH(fromC, toC));
/** A reading so little before its time judges a cure as well. */
const EARLY_H = 6;

/** The last thing that was tried and that no reading has judged yet: one change at a time. */
export function cureUnderWay({
  care: { cures },
  history: { readings, temps },
}: Ledger): { at: number; readAt: number; told: Sentence } | null {
  const last = cures.at(-1);
  if (last === undefined) return null;
  const fromC = temps.findLast(({ at }) => at <= last.at)?.tempC ?? null;
  const { cure, toC } = last;
  const waitH = cure === 'warm' && fromC !== null && toC !== null ? warmedReadAgainH(fromC, toC) : READ_AGAIN_H;
  const readAt = last.at + waitH * HOUR_MS;
  const isJudged = readings.some(({ at }) => at >= readAt - EARLY_H * HOUR_MS);
  return isJudged ? null : { at: last.at, readAt, told: cureTold(last) };
}
