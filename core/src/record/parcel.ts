import { Refusal, say, volumeL as liters } from '../quantities/index.ts';
import { breakGuard } from './guard.ts';
import { DISSOLVED, shareOf } from './inVessel.ts';
import { copyOf } from './ledger.ts';
import type { Folding, Ledger } from './ledger.ts';
import { mixedOf } from './view.ts';

/** Two measures of what is there may differ by this much, L. */
const UNSEEN_L = 0.005;

/**
 * What a siphon takes over from a batch: this much of its liquid with all that is dissolved in it, and its history.
 * Pulp and yeast stay behind on the bottom.
 *
 * @param volumeL above 0, at most what is there
 * @throws Refusal for more than there is
 */
export function parcelOf(ledger: Ledger, volumeL: number): Ledger {
  const presentL = mixedOf(ledger)?.volumeL ?? 0;
  if (!(volumeL > 0) || volumeL > presentL + UNSEEN_L)
    throw new Refusal(say`${liters(volumeL)} cannot be taken over: there is ${liters(presentL)}.`, 'volumeL');
  const { version, liquid, history, care } = copyOf(ledger);
  return {
    version,
    liquid: shareOf(liquid, Math.min(1, volumeL / presentL)),
    /** What was done to the vessel stays with it; what was done to the liquid goes along. */
    history: {
      ...history,
      transfers: [],
      vessels: [],
      place: null,
      lees: [],
      bottled: null,
      bottlesOut: [],
      bottlesFound: [],
      bottlesKept: { at: 0, count: 0, until: null },
    },
    care,
    taken: {},
  };
}

/** Guarded both, and in the one way: what holds them is in both, and what it comes to in the two together is judged afterwards. */
export const areBothGuarded = (ledger: Ledger, parcel: Ledger): boolean =>
  ledger.history.guarded !== null && ledger.history.guarded.by === parcel.history.guarded?.by;

/** A ledger that begins with a parcel, or one that has it poured in. The masses add; a history is taken over only by an empty vessel. */
export function receive(ledger: Folding, parcel: Ledger): 'born' | 'in' {
  const isFresh = ledger.history.lastEventAt === null;
  const { waterG, sugarG, unfermentableG, ethanolG, saltsG } = parcel.liquid;
  /** A history of its own: what comes later is written into it, never into the event that brought it. */
  if (isFresh) Object.assign(ledger, copyOf(parcel));
  else {
    for (const field of DISSOLVED) ledger.liquid[field] += parcel.liquid[field];
    /** It may bring sugar and yeast alike. */
    if (!areBothGuarded(ledger, parcel)) breakGuard(ledger);
  }
  ledger.liquid.pouredG += waterG + sugarG + unfermentableG + ethanolG + saltsG;
  return isFresh ? 'born' : 'in';
}
