import { co2FromSugarVolumes, containerOf, gasFan, holdsOf, isPrimed, mostVolumesFor, ratingOf, volumesIn } from '../carbonate/index.ts';
import type { Bubbling, GasFan } from '../carbonate/index.ts';
import { mixedOf } from '../record/index.ts';
import type { BottleRow, Ledger } from '../record/index.ts';
import { DAY_MS, bottleMl, say, volumes as inVolumes } from '../quantities/index.ts';
import type { Immutable, Sentence } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { factsOf } from './facts.ts';
import type { GasAnswer, GlassPlan } from './plan.ts';
import { isStillFor, levelOf } from './level.ts';
import { BEYOND_ANY_VOLUMES, FIRM, KEG, POINTS, STILL } from './limits.ts';
import { stillVerdict } from './still.ts';
import type { StillVerdict } from './still.ts';

/* Gas in closed glass: which mead may be primed, and what its bottles and kegs bear. */

/** Yeast this old, or so near what it tolerates, may be too tired to make gas (our estimates). */
const OLD_DAYS = 180;
const NEAR_LIMIT_ABV = 1;

/** Points that a mead may still fall by itself, against its likely end; 0 where long stillness speaks against it. */
function mayFallPoints(ledger: Ledger): number {
  const facts = factsOf(ledger);
  const level = facts === null ? null : levelOf(facts);
  return level === null || isStillFor(level, STILL.long) ? 0 : Math.max(0, level.points);
}

/** Why priming sugar would be a danger in a mead that stands so; null where it would not. */
function whyNotPrimed({ history: { guarded } }: Ledger, { verdict, ground }: StillVerdict): Sentence | null {
  const level = 'level' in ground ? ground.level : null;
  if (guarded !== null && level !== null && level.points <= POINTS.near)
    return say`It is guarded: its yeast would make no gas, or some day all of it at once. A keg carbonates.`;
  if (ground.row === 'guarded' || ground.row === 'at its limit' || ground.row === 'sweetened' || ground.row === 'stays')
    return say`It is sweet. Yeast that makes gas of the priming sugar eats the other sugar too, and bursts any glass. A sweet mead gets its gas in a keg.`;
  const isFirm = verdict === 'open' && level !== null && (level.count >= FIRM.looks || isStillFor(level, { ...FIRM, looks: 2 }));
  if (isFirm) return null;
  return verdict === 'open'
    ? say`It is proven by two readings alone: gas on top wants a third, or two weeks of stillness.`
    : say`It is not proven finished: sugar for gas comes on top of what still ferments. Wait for its proof.`;
}

/** Why priming sugar would be a danger in it; null where it would not. @param ledger before the sugar */
export function whyNotPrime(ledger: Ledger): Sentence | null {
  const facts = factsOf(ledger);
  return facts === null ? say`There is nothing to prime.` : whyNotPrimed(ledger, stillVerdict(facts));
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
  kind === 'wine' || kind === undefined ? [containerOf('wine').says] : [`under a ${closure ?? 'cork'} it bears no gas: it is pushed out`];

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

const tooMuch = (gas: number): Sentence =>
  say`That would make ${inVolumes(gas)} of gas: no glass bears it. Are these grams, and is this the volume?`;

const litersOf = (bottles: GlassPlan['bottles']): number => bottles.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0);

/** Whether glass may be closed over priming sugar. @param mead before it @param still what it is by itself */
export function sparklingAnswer(mead: Ledger, still: StillVerdict, plan: GlassPlan): GasAnswer {
  const sweet = whyNotPrimed(mead, still);
  if (sweet !== null) return { verdict: 'shut', why: sweet };
  for (const row of plan.bottles.filter(({ kind, count }) => kind !== 'keg' && count > 0)) {
    const volumes = volumesIn(plan, row);
    const bubbling = bubblingOf(mead, volumes, plan.measured?.volumeL ?? litersOf(plan.bottles), plan.warmestC ?? 20);
    const why = volumes > BEYOND_ANY_VOLUMES ? tooMuch(volumes) : whyBarred(row, gasFan(bubbling), bubbling, plan.measured?.again === true);
    if (why !== null) return { verdict: 'shut', why };
  }
  return still.signs.length > 0
    ? { verdict: 'ask', why: say`Since its last reading it showed life. Is it to be bottled over more sugar all the same?` }
    : { verdict: 'open', why: say`Its bottles bear what its sugar makes, and one slip more.` };
}

/** Whether kegs bear it: by their rating, its sugar, and what still lives in it. */
export function kegAnswer(mead: Ledger, { verdict }: StillVerdict, plan: GlassPlan): GasAnswer {
  const mixed = mixedOf(mead);
  const gas = Math.max(...plan.bottles.map((row) => volumesIn(plan, row)));
  const bears = Math.min(...plan.bottles.map(({ ratedVolumes }) => ratedVolumes ?? KEG.bearsVolumes));
  if (isPrimed(plan) && gas > bears)
    return {
      verdict: 'shut',
      why: say`That sugar would make ${inVolumes(gas)} of gas; a keg bears about ${inVolumes(bears)}. Are these grams, and is this the volume?`,
    };
  const small = plan.bottles.find(({ sizeMl, ratedVolumes }) => sizeMl < KEG.askBelowMl && ratedVolumes === undefined);
  if (verdict === 'shut' && mixed !== null) {
    const all = co2FromSugarVolumes(mead.liquid.sugarG / mixed.volumeL);
    return {
      verdict: 'ask',
      why: say`It lives, and its sugar could make about ${inVolumes(all)} of gas: only a keg with a relief valve bears that, and wants it let off. It stays on Rounds. Is it such a keg?`,
    };
  }
  if (small !== undefined && isPrimed(plan))
    return {
      verdict: 'ask',
      why: say`What does a keg of ${bottleMl(small.sizeMl)} bear? Small ones often bear less than a large one. Has it a relief valve, and is it made for ${inVolumes(gas)}?`,
    };
  return { verdict: 'open', why: say`A keg may be filled with it.` };
}
