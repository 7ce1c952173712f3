import { provesAnEnd } from '../liquid/index.ts';
import type { Ledger, ReadingPoint } from './ledger.ts';

/** Less sugar than this sweetens nothing: a spice’s own. */
export const LEAST_SUGAR_G = 1;

/** Everything that brought sugar, in the order of pouring: honey, and fruit, juice or syrup worth a gram of it. */
export const sugarPours = ({ history }: Ledger): { at: number; afterPitch: boolean }[] =>
  history.pours.filter(({ sugarG }) => sugarG > LEAST_SUGAR_G);

/** When sugar last went to the yeast after the pitch and before this moment, another batch that may bring it among that; null where none did. */
export const fedSugarAt = (ledger: Ledger, before: number): number | null =>
  [...sugarPours(ledger).filter(({ afterPitch }) => afterPitch), ...ledger.history.transfers.filter(({ direction }) => direction === 'in')]
    .map(({ at }) => at)
    .filter((at) => at < before)
    .reduce<number | null>((latest, at) => (latest === null || at > latest ? at : latest), null);

/** The most that its yeast had made at a reading before sugar last went to it, % vol; 0 where none did. Honey thins what it made. */
export function abvBeforeSugar(ledger: Ledger): number {
  const fedAt = fedSugarAt(ledger, Number.POSITIVE_INFINITY);
  const { pitch } = ledger.history;
  if (fedAt === null || pitch === null) return 0;
  const before = ledger.history.readings.filter(({ at, verdict }) => verdict === 'follows' && at >= pitch.at && at < fedAt);
  return Math.max(0, ...before.map(({ abv }) => abv));
}

/** Since when nothing can begin anew in it, by sulfite and sorbate in its present volume or by heat; null while it can. */
export const stabilizedAt = ({ history }: Ledger): number | null => history.guarded?.at ?? null;

/** When sugar went in after the mead was stabilized; null before. */
export function sweetenedAt(ledger: Ledger): number | null {
  const stable = stabilizedAt(ledger);
  return stable === null ? null : (sugarPours(ledger).findLast(({ at }) => at > stable)?.at ?? null);
}

/** Readings that can prove an end: a float drifts and alcohol fools a refractometer. */
export const provenReadings = ({ history }: Ledger): readonly ReadingPoint[] =>
  history.readings.filter(({ instrument }) => provesAnEnd(instrument));
