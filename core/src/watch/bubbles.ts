import { containerOf, gasFan, holdsOf, mostVolumesFor, ratingOf, volumesIn, isPrimed } from '../carbonate/index.ts';
import type { Bubbling, GasFan } from '../carbonate/index.ts';
import { mixedOf } from '../record/index.ts';
import type { BottleRow, Filling, Ledger } from '../record/index.ts';
import { DAY_MS, bottleMl, say, volumes as inVolumes } from '../quantities/index.ts';
import type { Immutable, Sentence } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { expectedEnd, finishOf } from './finish.ts';
import { stabilizedAt } from './stabilized.ts';
import { DRY_BELOW_SG, LONG_STILL_DAYS, isStillFor } from './stillness.ts';

/* The one judgement of gas in closed glass: which mead may be primed, and what its bottles bear. */

/** Yeast this old, or so near what it tolerates, may be too tired to make gas (our estimates). */
const OLD_DAYS = 180;
const NEAR_LIMIT_ABV = 1;

/** Points that a finished mead may still fall by itself, against its expected end; 0 where long stillness speaks against it. */
function mayFallPoints(ledger: Ledger): number {
  const { last, stillness } = finishOf(ledger);
  const end = expectedEnd(ledger);
  if (last === null || end === null || isStillFor(stillness, LONG_STILL_DAYS, 3)) return 0;
  return Math.max(0, 1000 * (last.sg - end.sg.value));
}

/** Why priming sugar would be a danger in it; null where it would not. @param ledger before the sugar */
export function whyNotPrime(ledger: Ledger): Sentence | null {
  const { state, last } = finishOf(ledger);
  if (state !== 'finished') return say`It is not proven finished: sugar for gas comes on top of what still ferments. Wait for its proof.`;
  const end = expectedEnd(ledger);
  const sg = ledger.history.unsweetened === null ? (last?.sg ?? 1) : (mixedOf(ledger)?.sg ?? 1);
  const isEnd = end !== null && sg <= end.sg.high && isStillFor(finishOf(ledger).stillness, LONG_STILL_DAYS, 3);
  if (sg >= DRY_BELOW_SG && !(isEnd && stabilizedAt(ledger) === null && ledger.history.unsweetened === null))
    return say`It is sweet. Yeast that makes gas of the priming sugar eats the other sugar too, and bursts any glass. A sweet mead gets its gas in a keg.`;
  return null;
}

/** Why priming would do nothing, and what will; null where yeast can work. Nobody is hurt by it. */
export function whyNoGas(ledger: Ledger): Sentence | null {
  const { guarded, pitch } = ledger.history;
  if (guarded?.by === 'heat') return say`It was heated: nothing lives in it that would make gas. A keg still carbonates.`;
  if (guarded !== null)
    return say`Sulfite and sorbate hold its yeast back: it would make no gas, or some of it, some day. A keg carbonates.`;
  const limit = pitch === null ? null : yeastOf(pitch).toleranceAbv.value;
  if (limit !== null && (mixedOf(ledger)?.abv ?? 0) >= limit)
    return say`Its yeast has met its limit of alcohol, and will not work on more sugar. A keg carbonates.`;
  return null;
}

/** Why fresh yeast is wanted at the bottling: old, strong or fined; null where its own will do. */
export function wantsFreshYeast(ledger: Ledger, now: number): Sentence | null {
  const { pitch, finings, filters } = ledger.history;
  if (pitch === null || whyNoGas(ledger) !== null) return null;
  if (filters.length > 0) return say`It was filtered: give it fresh yeast with the sugar, a strong one, about 0.2 g/L.`;
  if (finings.some(({ fining }) => fining !== 'pectic enzyme'))
    return say`It was fined, and little yeast is left: give it fresh yeast with the sugar, about 0.2 g/L, or wait longer.`;
  if (now - pitch.at > OLD_DAYS * DAY_MS) return say`Its yeast is old: give it fresh yeast with the sugar, about 0.2 g/L, or wait longer.`;
  if ((mixedOf(ledger)?.abv ?? 0) > yeastOf(pitch).toleranceAbv.value - NEAR_LIMIT_ABV)
    return say`It is near what its yeast bears: a strong one for the bottle, about 0.2 g/L, or it may stay flat.`;
  return null;
}

/** What a bottling rests on, of a mead that stands so. */
export function bubblingOf(ledger: Ledger, volumes: number, volumeL: number, warmestC: number): Bubbling {
  const mixed = mixedOf(ledger);
  return { volumes, volumeL, warmestC, sg: mixed?.sg ?? 1, abv: mixed?.abv ?? 0, mayFallPoints: mayFallPoints(ledger) };
}

const told = ({ sizeMl, kind }: Immutable<BottleRow>): Sentence => say`${bottleMl(sizeMl)}${kind === undefined ? '' : ` (${kind})`}`;

/** A wine bottle, or a closure that gas pushes out. */
const bearsNone = ({ kind, closure }: Immutable<BottleRow>): Sentence =>
  kind === 'wine' || kind === undefined ? [containerOf('wine').says] : [`under a ${closure ?? 'cork'} it bears no gas`];

/** Why a kind of bottle does not bear its gas; null where it does. */
export function whyBarred(row: Immutable<BottleRow>, fan: GasFan, bubbling: Bubbling, isAgain: boolean): Sentence | null {
  const holds = holdsOf(row, fan);
  const rating = ratingOf(row);
  if (holds === 'holds' || (holds === 'again' && isAgain)) return null;
  if (holds === 'unknown' || rating === null)
    return [...say`What do the bottles of `, ...told(row), ' bear? Gas wants a kind, or its maker’s word in volumes.'];
  if (rating === 0 && row.kind !== undefined) return [...say`${bottleMl(row.sizeMl)}, `, ...bearsNone(row), '.'];
  const most = mostVolumesFor(rating, bubbling);
  const offer = most === null ? say`It bears no gas at all.` : say`At ${inVolumes(Math.floor(10 * most) / 10)} it would hold.`;
  if (holds === 'again')
    return [
      ...told(row),
      ...say` bears ${inVolumes(rating)}, and two slips together would make ${inVolumes(fan.two)}: measure the volume a second time first. `,
      ...offer,
    ];
  return [...told(row), ...say` bears ${inVolumes(rating)}, and one slip would make ${inVolumes(fan.one)}. `, ...offer];
}

/**
 * Why this filling’s gas may not be closed into its bottles; null where it may. Nothing overrides it.
 *
 * @param filling as the fold has it, with all sugar that is in
 */
export function whyNotGas({ mead, ...filling }: Immutable<Filling>): Sentence | null {
  if (!isPrimed(filling)) return null;
  const glass = filling.bottles.filter(({ kind, count }) => kind !== 'keg' && count > 0);
  if (glass.length === 0) return null;
  const sweet = whyNotPrime(mead);
  if (sweet !== null) return sweet;
  const litersIn = filling.bottles.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0);
  for (const row of glass) {
    const bubbling = bubblingOf(mead, volumesIn({ ...filling, mead }, row), filling.measured?.volumeL ?? litersIn, filling.warmestC ?? 20);
    const why =
      bubbling.volumes > BEYOND_ANY
        ? tooMuch(bubbling.volumes)
        : whyBarred(row, gasFan(bubbling), bubbling, filling.measured?.again === true);
    if (why !== null) return why;
  }
  return null;
}
/** No glass is made for more. */
const BEYOND_ANY = 8;
const tooMuch = (gas: number): Sentence =>
  say`That would make ${inVolumes(gas)} of gas: no glass bears it. Are these grams, and is this the volume?`;
