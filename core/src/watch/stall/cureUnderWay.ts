import { WARM_C_A_DAY } from '../../feed/index.ts';
import type { CureMade, Ledger } from '../../record/index.ts';
import { HOUR_MS, say, tempC } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';

/** A change shows in the gravity after so long (our estimate, within the usual 24 to 72 hours); warming, once it is warm. */
export const READ_AGAIN_H = 48;
/** Hours that warming takes where no day brings more than it should. */
export const warmingH = (fromC: number, toC: number): number => (24 * Math.max(0, toC - fromC)) / WARM_C_A_DAY;
export const warmedReadAgainH = (fromC: number, toC: number): number => Math.max(READ_AGAIN_H, warmingH(fromC, toC));
/** A reading so little before its time judges a cure as well. */
const EARLY_H = 6;

/** What was done, as the log and Rounds say it. */
export function cureTold({ cure, toC }: { cure: CureMade; toC?: number | null | undefined }): Sentence {
  switch (cure) {
    case 'warm':
      return toC === undefined || toC === null ? ['warming it'] : say`warming it to ${tempC(toC)}`;
    case 'cool':
      return toC === undefined || toC === null ? ['cooling it'] : say`cooling it to ${tempC(toC)}`;
    case 'rouse':
      return ['degassed and roused'];
    case 'raise pH':
      return ['raised its pH by the first half'];
    case 'feed':
      return ['fed for the stall'];
  }
}

/** The last thing that was tried and that no reading has judged yet: one change at a time. */
export function cureUnderWay({ cures, readings, temps }: Ledger): { at: number; readAt: number; told: Sentence } | null {
  const last = cures.at(-1);
  if (last === undefined) return null;
  const fromC = temps.findLast(({ at }) => at <= last.at)?.tempC ?? null;
  const { cure, toC } = last;
  const waitH = cure === 'warm' && fromC !== null && toC !== null ? warmedReadAgainH(fromC, toC) : READ_AGAIN_H;
  const readAt = last.at + waitH * HOUR_MS;
  const isJudged = readings.some(({ at }) => at >= readAt - EARLY_H * HOUR_MS);
  return isJudged ? null : { at: last.at, readAt, told: cureTold(last) };
}
