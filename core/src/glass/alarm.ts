import { isPrimed } from '../carbonate/index.ts';
import { provesAnEnd } from '../liquid/index.ts';
import { LEAST_SUGAR_G, bottlesLeft, isAllBottled, mixedOf } from '../record/index.ts';
import type { Filling, Ledger, ReadingPoint } from '../record/index.ts';
import { DAY_MS, gravity, onDay, say, when } from '../quantities/index.ts';
import type { Immutable, Sentence } from '../quantities/index.ts';
import { judge } from './judge.ts';
import { EQUAL_SG, STILL } from './limits.ts';

/** What to do first where closed glass may burst, in its order. */
const GLASS_CARE =
  'Leave the bottles where they are, covered with a thick cloth, and cool the whole room; never warm them. Guard eyes and hands before you let the gas out, outdoors, slowly, one by one. Ask someone who knows, when in doubt.';

/** Hand readings of a bottle that was opened after the filling. */
const readSince = (ledger: Ledger, since: number): readonly ReadingPoint[] =>
  ledger.history.readings.filter(({ at, instrument }) => at > since && provesAnEnd(instrument));

/**
 * When it fell in closed bottles, by a reading of one that was opened, or of what stayed in the vessel with nothing added; null where it
 * did not. Priming sugar may go; what was there without it may not.
 */
function fellAt(ledger: Ledger): number | null {
  const { bottled, turns } = ledger.history;
  const filling = bottled?.fillings.at(-1);
  if (bottled === null || filling === undefined || (bottled.stays && turns.some(({ at }) => at > filling.at))) return null;
  const closedSg = mixedOf(filling.mead)?.sg ?? 1;
  const read = readSince(ledger, filling.at);
  const highest = isPrimed(filling) ? closedSg : Math.max(closedSg, ...read.map(({ sg }) => sg));
  return read.findLast(({ sg }) => highest - sg > EQUAL_SG + 1e-9)?.at ?? null;
}

export const fellInBottles = (ledger: Ledger): boolean => fellAt(ledger) !== null;

/** Read twice from opened bottles since, as far apart as a proof wants, on the level that was closed; what the vessel reads proves nothing of them. */
function provenSince(ledger: Ledger, filling: Immutable<Filling>): boolean {
  const { bottled } = ledger.history;
  if (bottled === null || bottled.stays || isPrimed(filling)) return false;
  const closedSg = mixedOf(filling.mead)?.sg ?? 1;
  const read = readSince(ledger, bottled.at);
  const [first, last] = [read[0], read.at(-1)];
  if (first === undefined || last === undefined || last.at - first.at < STILL.atEnd.days * DAY_MS) return false;
  return read.every(({ sg }) => Math.abs(sg - closedSg) <= EQUAL_SG + 1e-9);
}

/** Settled by a deed after what speaks against it: no bottle is left, or the gas of all was let out. */
const isSettled = (ledger: Ledger, since: number): boolean =>
  bottlesLeft(ledger) <= 0 || (ledger.history.marks.vented ?? Number.NEGATIVE_INFINITY) > since;

/** What stands against a session of bottling by all that is on record now; null where nothing does. */
function whyWrong(filling: Immutable<Filling>): Sentence | null {
  const { verdict, why, question } = judge(filling.mead, filling.at, filling);
  if (verdict === 'open' || (verdict === 'ask' && filling.word !== null)) return null;
  return verdict === 'ask' ? [...(question ?? why), ' Nobody was asked.'] : why;
}

/** A bottle that burst or gushed says the same of its sisters. */
function sisterTold({ history: { bottlesOut } }: Ledger, since: number): { at: number; sentence: Sentence } | null {
  const told = bottlesOut.findLast(({ at, end }) => at >= since && (end === 'burst' || end === 'gushed'));
  if (told === undefined) return null;
  return {
    at: told.at,
    sentence: say`A bottle ${told.end === 'burst' ? 'burst' : 'gushed'}, ${onDay(told.at)}: what was filled with it is alike, and each of them may burst in the hand. ${GLASS_CARE}`,
  };
}

/**
 * What is wrong with closed glass, by all that is on record now; null where nothing is, nothing is closed, or a deed has settled it.
 * Readings taken back, powders that turn out not to have gone in, honey that is told of later, a bottling that was only written down:
 * each is judged as if it had been known.
 */
export function glassAlarm(ledger: Ledger): Sentence | null {
  const { bottled } = ledger.history;
  const first = bottled?.fillings[0];
  if (bottled === null || first === undefined) return null;
  const sister = sisterTold(ledger, first.at);
  if (sister !== null && !isSettled(ledger, sister.at)) return sister.sentence;
  const fell = fellAt(ledger);
  if (fell !== null && !isSettled(ledger, fell))
    return say`A bottle reads ${gravity(ledger.history.readings.at(-1)?.sg ?? 1)}, less than when it was bottled: it ferments in closed glass, which may burst in the hand. ${GLASS_CARE}`;
  const sugarAt = bottled.stays
    ? undefined
    : ledger.history.pours.findLast(({ at, sugarG }) => at >= bottled.at && sugarG > LEAST_SUGAR_G)?.at;
  if (sugarAt !== undefined && !isSettled(ledger, sugarAt))
    return say`Sugar is written down ${when(sugarAt)}, after the bottling. If it went into closed glass, that may burst in the hand. ${GLASS_CARE}`;
  const wrong = bottled.fillings
    .map((filling) => (isSettled(ledger, filling.at) || provenSince(ledger, filling) ? null : whyWrong(filling)))
    .find((why) => why !== null);
  return wrong === undefined
    ? null
    : [...say`By what is on record these bottles should not have been closed. `, ...wrong, ` ${GLASS_CARE}`];
}

/** Whether a batch wants looking after: until it is bottled, and again when something is wrong with its bottles. */
export const isOpen = (ledger: Ledger): boolean => !isAllBottled(ledger) || glassAlarm(ledger) !== null;
