import { isPrimed } from '../carbonate/index.ts';
import { LEAST_SUGAR_G, mixedOf } from '../record/index.ts';
import type { Ledger, ReadingPoint } from '../record/index.ts';
import { GRAVITY_INSTRUMENTS, provesAnEnd } from '../liquid/index.ts';

/** Two readings are equal within this, in SG: one home hydrometer's error. */
export const EQUAL_SG = 0.002;

/** Whether two readings may be of one gravity. An instrument's own fault cancels between its readings, not between two instruments. */
export function areEqual(a: ReadingPoint, b: ReadingPoint): boolean {
  const isAlike = a.instrument === b.instrument || (provesAnEnd(a.instrument) && provesAnEnd(b.instrument));
  return Math.abs(a.sg - b.sg) <= (isAlike ? EQUAL_SG : Math.hypot(a.plusMinus, b.plusMinus)) + 1e-9;
}

/** Readings that may open a gate: a float drifts and alcohol fools a refractometer, so neither closes a bottle. */
export const provenReadings = (ledger: Ledger): ReadingPoint[] =>
  ledger.history.readings.filter(({ instrument }) => provesAnEnd(instrument));

/** Another batch poured in may bring sugar and yeast alike. */
const blends = (ledger: Ledger): { at: number }[] => ledger.history.transfers.filter(({ direction }) => direction === 'in');

/** Since when nothing can begin anew in it, by sulfite and sorbate in its present volume or by heat, and no yeast since; null while it is not. */
export const stabilizedAt = (ledger: Ledger): number | null => ledger.history.guarded?.at ?? null;

/** Everything that brought sugar, in the order of pouring: honey, and fruit, juice or syrup worth a gram of it. */
export const sugarPours = (ledger: Ledger): { at: number; afterPitch: boolean }[] =>
  ledger.history.pours.filter(({ sugarG }) => sugarG > LEAST_SUGAR_G);

/** When sugar last went to the yeast after the pitch and before this moment; null where none did. */
export const fedSugarAt = (ledger: Ledger, before: number): number | null =>
  [...sugarPours(ledger).filter(({ afterPitch }) => afterPitch), ...blends(ledger)]
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

/** When sugar went in after the mead was stabilized; null before. */
export function sweetenedAt(ledger: Ledger): number | null {
  const stable = stabilizedAt(ledger);
  return stable === null ? null : (sugarPours(ledger).findLast(({ at }) => at > stable)?.at ?? null);
}

/**
 * A fall beyond the instrument's error since the mead was stabilized, sweetened or bottled: it ferments again. The first reading
 * after that is held against the last one before it, as what was poured since would have changed it, unless sugar was among that.
 */
export function fellSince(ledger: Ledger, at: number): boolean {
  const after = ledger.history.readings.filter((reading) => reading.at > at);
  const fellAmongThese = GRAVITY_INSTRUMENTS.some((instrument) => {
    const own = after.filter((reading) => reading.instrument === instrument);
    const [first, last] = [own[0], own.at(-1)];
    return first !== undefined && last !== undefined && first.sg - last.sg > EQUAL_SG + 1e-9;
  });
  const [first] = after;
  /** What was hot may have worked until then. */
  const before =
    ledger.history.guarded?.by === 'heat' && ledger.history.guarded.at === at
      ? undefined
      : ledger.history.readings.findLast((reading) => reading.at <= at && reading.verdict === 'follows');
  if (fellAmongThese || first === undefined || before === undefined) return fellAmongThese;
  const sweetenedBetween = sugarPours(ledger).some((pour) => pour.at > before.at && pour.at <= first.at);
  return !sweetenedBetween && first.sg < first.expectedSg && !areEqual(first, { ...before, sg: first.expectedSg });
}

/** It fell in closed bottles, by a reading of one that was opened. Priming sugar may go; what was there without it may not. */
export function fellInBottles(ledger: Ledger): boolean {
  const { bottled } = ledger.history;
  const filling = bottled?.fillings.at(-1);
  if (bottled === null || filling === undefined) return false;
  if (!isPrimed(filling)) return fellSince(ledger, bottled.at);
  const unprimedSg = mixedOf(filling.mead)?.sg ?? 1;
  return ledger.history.readings.some(({ at, sg }) => at > bottled.at && unprimedSg - sg > EQUAL_SG + 1e-9);
}
