import { honeysPoured, isAllBottled, viewOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { HOUR_MS, gPerL, gravity, hours, points, say, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { whyNotGas } from './bubbles.ts';
import { expectedEnd, finishOf, maltExplains } from './finish.ts';
import type { Finish } from './finish.ts';
import { EQUAL_SG, fellInBottles, fellSince, provenReadings, stabilizedAt, sugarPours, sweetenedAt } from './stabilized.ts';
import { DRY_BELOW_SG, LONG_STILL_DAYS, isStillFor } from './stillness.ts';

/* The one judgement of closed glass. Browser and server ask it of every bottling, however it comes. */

/** Sulfite and sorbate work for a day before honey goes in. */
export const WAIT_H = 24;
/** Readings that prove the honey stays honey: one once it is in, one so long after it. */
export const VERIFY_H = 48;
/** Two readings that prove something lie at least so far apart. */
const APART_H = 24;
/** Below what honey should have made it by more than this, two readings two days apart do not do: honey's water is not known so well (our estimate). */
const HONEY_DOUBT_SG = 0.004;
const DOUBTED_APART_H = 7 * 24;

/** What may still fall below the reading before glass minds, against the lowest expected end: a point makes half a volume of gas (our estimate). */
export const MAY_STILL_FALL_SG = 0.004;

/** How a sweetened mead was read since: null where two readings prove it steady. */
function whyNotSweetened(ledger: Ledger, honeyAt: number, now: number): Sentence | null {
  const read = provenReadings(ledger).filter(({ at }) => at > honeyAt);
  const [first, last] = [read[0], read.at(-1)];
  const verifyAt = honeyAt + VERIFY_H * HOUR_MS;
  if (first === undefined || last === undefined)
    return say`Honey went in ${when(honeyAt)}. Bottled while it still ferments, the glass bursts: read the gravity once it is stirred in, and again ${hours(VERIFY_H)} after the honey.`;
  /** A first one over honey that was not stirred in yet reads low, and would hide a fall from the next. */
  const highestSg = Math.max(...read.map(({ sg }) => sg));
  if (highestSg - last.sg > EQUAL_SG + 1e-9)
    return say`It fell from ${gravity(highestSg)} to ${gravity(last.sg)} since the honey: it ferments, and closed glass would burst. Leave it under an airlock.`;
  const isBelow = first.expectedSg - first.sg > HONEY_DOUBT_SG;
  const wantedAt = Math.max(verifyAt, first.at + (isBelow ? DOUBTED_APART_H : APART_H) * HOUR_MS);
  if (last.at >= wantedAt) return null;
  const nowOrThen = now < wantedAt ? when(wantedAt) : 'now';
  return isBelow
    ? say`It reads ${gravity(first.sg)}, below the ${gravity(first.expectedSg)} that the honey should have made it. If it ferments, closed glass would burst: read it again ${nowOrThen}.`
    : say`One reading since the honey proves nothing: read it again ${nowOrThen}, before any glass is closed.`;
}

/** Proven still, and either dry, or so little above its lowest end, or for so long, that nothing in it can burst glass. */
function isDryAndStill(ledger: Ledger, { last, stillness }: Finish): boolean {
  const end = expectedEnd(ledger);
  if (last === null || end === null || last.sg >= DRY_BELOW_SG) return false;
  /** Where nobody wrote down what it was, its end is a guess: only time tells. */
  const isKnown = ledger.history.found === null;
  const isNearEnd = isKnown && (last.sg - end.sg.low <= MAY_STILL_FALL_SG + 1e-9 || last.sg <= end.sg.value);
  return isNearEnd || isStillFor(stillness, LONG_STILL_DAYS, 3);
}

/** A braggot may rest sweet by itself: malt's own sugars, and four weeks of stillness to show for it. */
const isMaltAndStill = (ledger: Ledger, { last, stillness }: Finish): boolean => {
  const end = expectedEnd(ledger);
  return (
    ledger.care.staysHereAt !== null &&
    last !== null &&
    end !== null &&
    maltExplains(ledger, last.sg, end.sg.high) &&
    isStillFor(stillness, LONG_STILL_DAYS, 3)
  );
};

/** Whether its stabilizing has had its day and was read after it; null where it may be relied on. */
function whyNotStabilized(ledger: Ledger, stable: number, now: number): Sentence | null {
  const waitEnds = stable + WAIT_H * HOUR_MS;
  if (provenReadings(ledger).some(({ at }) => at >= waitEnds)) return null;
  return now < waitEnds
    ? say`Sulfite and sorbate went in ${when(stable)} and want their ${hours(WAIT_H)}: read the gravity ${when(waitEnds)}, then bottle.`
    : say`Sulfite and sorbate have had their ${hours(WAIT_H)}; read the gravity once more before any glass is closed.`;
}

/** After heat it rests, h: 10 to 12 by the schools. */
export const HEAT_REST_H = 12;
/** Heated while it still worked, only this many days of stillness show that nothing lived (our estimate). */
const KILLED_STILL_DAYS = 7;

/** How a heated mead was read since: null where its readings show that nothing lived on. */
function whyNotHeated(ledger: Ledger, heatedAt: number, wasFinished: boolean, now: number): Sentence | null {
  const restEnds = heatedAt + HEAT_REST_H * HOUR_MS;
  const read = provenReadings(ledger).filter(({ at }) => at >= restEnds);
  const [first, last] = [read[0], read.at(-1)];
  if (first === undefined || last === undefined)
    return now < restEnds
      ? say`It was heated ${when(heatedAt)} and rests: read the gravity ${when(restEnds)}, before any glass is closed.`
      : say`It was heated ${when(heatedAt)}; read the gravity before any glass is closed.`;
  const wantedAt = first.at + (wasFinished ? VERIFY_H : KILLED_STILL_DAYS * 24) * HOUR_MS;
  if (last.at >= wantedAt) return null;
  return [
    ...(wasFinished ? say`One reading since the heat proves nothing` : say`It still worked when it was heated`),
    ...say`: read it again ${now < wantedAt ? when(wantedAt) : 'now'}, before any glass is closed.`,
  ];
}

/**
 * Why no bottle may be closed on it; null where it may. What ferments on in closed glass bursts it.
 *
 * @param ledger as it stands at the bottling
 * @param now of the bottling, ms since 1970 UTC
 */
export function whyNotBottle(ledger: Ledger, now: number): Sentence | null {
  const finish = finishOf(ledger);
  const stable = stabilizedAt(ledger);
  const honeyAt = sweetenedAt(ledger);
  const steadyFrom = honeyAt ?? stable;
  if (steadyFrom !== null && fellSince(ledger, steadyFrom))
    return say`The gravity has fallen since ${when(steadyFrom)}: it is fermenting. Closed glass would burst. Leave it under an airlock.`;
  if (ledger.history.guarded?.by === 'heat') {
    if (honeyAt === null && finish.state === 'finished' && isDryAndStill(ledger, finish)) return null;
    const why = whyNotHeated(ledger, ledger.history.guarded.at, finish.state === 'finished', now);
    return why ?? (honeyAt === null ? null : whyNotSweetened(ledger, honeyAt, now));
  }
  if (finish.state !== 'finished') return unproven(ledger, finish, stable);
  if (honeyAt !== null) return whyNotSweetened(ledger, honeyAt, now);
  if (isDryAndStill(ledger, finish) || isMaltAndStill(ledger, finish)) return null;
  if (stable !== null) return whyNotStabilized(ledger, stable, now);
  return stoppedIsNotStable(ledger, finish);
}

function unproven(ledger: Ledger, finish: Finish, stable: number | null): Sentence {
  const proof: Sentence =
    finish.provenAt === null
      ? ['two readings two weeks apart, or three over a week, on one level']
      : say`an equal reading by hydrometer on or after ${when(finish.provenAt)}`;
  if (stable !== null)
    return [
      ...say`It was not proven still before sulfite and sorbate, and they stop no living yeast. Closed glass would burst: wait for `,
      ...proof,
      '.',
    ];
  if (honeysPoured(ledger).some(({ afterPitch }) => afterPitch))
    return [...say`Honey went into a mead that is not stabilized. Closed glass would burst: wait for `, ...proof, '.'];
  return [...say`The gravity is not proven steady. What ferments on in closed glass bursts it: wait for `, ...proof, '.'];
}

function stoppedIsNotStable(ledger: Ledger, { last }: Finish): Sentence {
  const sg = last?.sg ?? 1;
  const end = expectedEnd(ledger);
  if (sg >= DRY_BELOW_SG)
    return say`It stands still at ${gravity(sg)}, with about ${gPerL(viewOf(ledger)?.sugarGPerL ?? 0)} of sugar: stopped is not stable, and what wakes up in closed glass bursts it. Stabilize it first.`;
  const fall = 1000 * (sg - (end?.sg.low ?? sg));
  return say`It stands still at ${gravity(sg)}, but may end ${points(fall)} lower, at half a volume of gas for each: stabilize it, or let three readings over four weeks show that it stays.`;
}

/**
 * What is wrong with closed glass, by all that is on record now; null where nothing is, or nothing is closed. Readings taken back,
 * powders that turn out not to have gone in, honey that is told of later: each is judged as if it had been known.
 */
export function glassAlarm(ledger: Ledger): Sentence | null {
  const { bottled } = ledger.history;
  if (bottled === null) return null;
  if (fellInBottles(ledger))
    return say`A bottle reads ${gravity(ledger.history.readings.at(-1)?.sg ?? 1)}, less than when it was bottled: it ferments in closed glass, which may burst in the hand. ${CARE}`;
  const sugarAt = bottled.stays ? undefined : sugarPours(ledger).findLast(({ at }) => at >= bottled.at)?.at;
  if (sugarAt !== undefined)
    return say`Sugar is written down ${when(sugarAt)}, after the bottling. If it went into closed glass, that may burst in the hand. ${CARE}`;
  const why = firstWhy(bottled.fillings);
  return why === null ? null : [...say`By what is on record now these bottles should not have been closed. `, ...why, ` ${CARE}`];
}

/** What stands against the first of these sessions that should not have been. */
function firstWhy(fillings: NonNullable<Ledger['history']['bottled']>['fillings']): Sentence | null {
  for (const filling of fillings) {
    const isGlass = filling.bottles.some(({ kind, count }) => kind !== 'keg' && count > 0);
    const why = isGlass ? (whyNotBottle(filling.mead, filling.at) ?? whyNotGas(filling)) : null;
    if (why !== null) return why;
  }
  return null;
}

const CARE =
  'Leave the bottles where they are, covered with a thick cloth; cool them. Guard eyes and hands before you let the gas out, slowly, one by one; ask someone who knows, when in doubt.';

/** Whether a batch wants looking after: until it is bottled, and again when something is wrong with its bottles. */
export const isOpen = (ledger: Ledger): boolean => !isAllBottled(ledger) || glassAlarm(ledger) !== null;
