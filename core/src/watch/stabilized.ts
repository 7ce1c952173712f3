import type { Ledger, ReadingPoint } from '../ledger/index.ts';
import { GRAVITY_INSTRUMENTS, provesAnEnd } from '../liquid/index.ts';

/** Two readings are equal within this, in SG: one home hydrometer's error. */
export const EQUAL_SG = 0.002;

/** Whether two readings may be of one gravity. An instrument's own fault cancels between its readings, not between two instruments. */
export function areEqual(a: ReadingPoint, b: ReadingPoint): boolean {
  const isAlike = a.instrument === b.instrument || (provesAnEnd(a.instrument) && provesAnEnd(b.instrument));
  return Math.abs(a.sg - b.sg) <= (isAlike ? EQUAL_SG : Math.hypot(a.plusMinus, b.plusMinus));
}

/** Readings that may open a gate: a float drifts and alcohol fools a refractometer, so neither closes a bottle. */
export const provenReadings = (ledger: Ledger): ReadingPoint[] => ledger.readings.filter(({ instrument }) => provesAnEnd(instrument));

/** Another batch poured in may bring sugar and yeast alike. */
const blends = (ledger: Ledger): { at: number }[] => ledger.transfers.filter(({ direction }) => direction === 'in');

/** When another batch was last poured into this one; null where none was. */
const blendedAt = (ledger: Ledger): number | null => blends(ledger).at(-1)?.at ?? null;

/**
 * When sulfite and sorbate were both in, after the pitch; null before. A blend brings yeast and sugar of its own and thins
 * what was dosed, so what was given before it no longer counts.
 */
export function stabilizedAt(ledger: Ledger): number | null {
  const since = Math.max(ledger.pitch?.at ?? Number.POSITIVE_INFINITY, blendedAt(ledger) ?? Number.NEGATIVE_INFINITY);
  const sulfite = ledger.sulfites.findLast(({ at }) => at > since);
  const sorbate = ledger.sorbates.findLast(({ at }) => at > (blendedAt(ledger) ?? Number.NEGATIVE_INFINITY));
  return sulfite !== undefined && sorbate !== undefined ? Math.max(sulfite.at, sorbate.at) : null;
}

/** Everything that brought sugar, in the order of pouring: honey, and fruit, juice or syrup worth a gram of it. */
const sugarPours = (ledger: Ledger): { at: number; afterPitch: boolean }[] =>
  [...ledger.honeys, ...ledger.additions.filter(({ sugarG }) => sugarG > 1)].sort((a, b) => a.at - b.at);

/** When sugar last went to the yeast after the pitch and before this moment; null where none did. */
export const fedSugarAt = (ledger: Ledger, before: number): number | null =>
  [...sugarPours(ledger).filter(({ afterPitch }) => afterPitch), ...blends(ledger)]
    .map(({ at }) => at)
    .filter((at) => at < before)
    .reduce<number | null>((latest, at) => (latest === null || at > latest ? at : latest), null);

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
  const after = ledger.readings.filter((reading) => reading.at > at);
  const fellAmongThese = GRAVITY_INSTRUMENTS.some((instrument) => {
    const own = after.filter((reading) => reading.instrument === instrument);
    const [first, last] = [own[0], own.at(-1)];
    return first !== undefined && last !== undefined && first.sg - last.sg > EQUAL_SG + 1e-9;
  });
  const [first] = after;
  const before = ledger.readings.findLast((reading) => reading.at <= at && reading.verdict === 'follows');
  if (fellAmongThese || first === undefined || before === undefined) return fellAmongThese;
  const sweetenedBetween = sugarPours(ledger).some((pour) => pour.at > before.at && pour.at <= first.at);
  return !sweetenedBetween && first.sg < first.expectedSg && !areEqual(first, { ...before, sg: first.expectedSg });
}

/** It fell in closed bottles, by a reading of one that was opened. */
export const fellInBottles = (ledger: Ledger): boolean => ledger.bottled !== null && fellSince(ledger, ledger.bottled.at);

/** Whether a batch wants looking after: until it is bottled, and again when it ferments in its bottles. */
export const isOpen = (ledger: Ledger): boolean => ledger.bottled === null || fellInBottles(ledger);
