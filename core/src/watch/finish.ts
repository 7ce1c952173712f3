import { DRY_SUGAR_G_PER_L, stopsAt, yeastOf } from '../yeast/index.ts';
import { ASSUMPTION_RANGES, honeysPoured, mixedOf } from '../record/index.ts';
import type { Ledger, ReadingPoint } from '../record/index.ts';
import { DAY_MS, propagate, say, massG as grams } from '../quantities/index.ts';
import type { Ranged, Working } from '../quantities/index.ts';
import { EQUAL_SG, abvBeforeSugar, areEqual, fedSugarAt } from './stabilized.ts';
import { STILL, isStillFor, judgedReadings, stillnessOf } from './stillness.ts';
import type { Stillness } from './stillness.ts';

/** Where this batch should stop, as a gravity and the sugar left, with their 10–90 % ranges. */
export function expectedEnd(ledger: Ledger): ExpectedEnd | null {
  if (ledger.history.pitch === null || ledger.liquid.waterG <= 0) return null;
  const known = ends.get(ledger) ?? endOf(ledger, ledger.history.pitch);
  ends.set(ledger, known);
  return known;
}

export interface ExpectedEnd {
  sg: Ranged;
  abv: Ranged;
  sugarGPerL: Ranged;
}
/** State, finish and stall all ask for the end of one and the same ledger, which no one changes once it is folded. */
const ends = new WeakMap<Ledger, ExpectedEnd>();

function endOf(ledger: Ledger, pitch: NonNullable<Ledger['history']['pitch']>): ExpectedEnd {
  const { toleranceAbv: typed } = yeastOf(pitch);
  /** It tolerates at least what it has made. */
  const made = abvBeforeSugar(ledger);
  const shown = (abv: number): number => Math.max(abv, made);
  const toleranceAbv = { value: shown(typed.value), low: shown(typed.low), high: shown(typed.high) };
  const { ethanolYield, glycerolYield, unfermentableScale } = ASSUMPTION_RANGES;
  /** The range is honey’s; what malt and fruit leave, and what the yeast itself made, is no surer or less sure for it. */
  const ofHoneyG = Math.min(
    ledger.liquid.unfermentableG,
    honeysPoured(ledger).reduce((sum, { massG, composition }) => sum + massG * composition.unfermentable, 0),
  );
  const inputs = [toleranceAbv, DRY_SUGAR_G_PER_L, ethanolYield, glycerolYield, unfermentableScale];
  const found = propagate(inputs, ([tolerance = 0, dry = 0, ethanol = 0, glycerol = 0, unfermentable = 1]) => {
    const moved = ofHoneyG * (unfermentable - 1);
    const { liquid } = ledger;
    const start = { ...liquid, unfermentableG: liquid.unfermentableG + moved, sugarG: Math.max(0, liquid.sugarG - moved) };
    const stop = stopsAt(start, tolerance, dry, { ethanolYield: ethanol, glycerolYield: glycerol });
    return { sg: stop.sg, abv: stop.abv, sugarGPerL: stop.sugarGPerL };
  });
  /** A first-order range may reach below nothing. */
  const { sugarGPerL } = found;
  return { ...found, sugarGPerL: { ...sugarGPerL, low: Math.max(0, sugarGPerL.low) } };
}

type FinishedBy = 'gravity' | 'word';

export interface Finish {
  state: 'moving' | 'waiting' | 'finished';
  /** What makes it finished: its gravity at or below the expected end, or the maker's word that it rests above. */
  by: FinishedBy | null;
  /** The earlier of the equal readings, or where the wait began. */
  since: ReadingPoint | null;
  last: ReadingPoint | null;
  /** When a next equal reading would prove it. */
  provenAt: number | null;
  /** Only a float or a refractometer says so; the proof wants a hydrometer or a density meter. */
  wantsHydrometer: boolean;
  stillness: Stillness;
}

/** A word that it stays above where it should end wants so long a stillness, with so many readings (trade practice). */
export const STAYS = { days: 14, aliveDays: 28, looks: 3 } as const;
/** Living yeast could still eat much: sugar beyond what the expected end leaves, with its tolerance not reached. */
const MUCH_G_PER_L = 10;
/** Malt that brought so much of the sugar may leave more of it than its table says, up to so much above the expected end (our estimates). */
export const MALT_SHARE = 0.08;
export const MALT_LEAVES_SG = 0.012;

/** Of all that was poured but water, the share that malt made. */
export function maltShareOf({ history: { pours } }: Ledger): number {
  const malt = pours.filter(({ family }) => family === 'malt').reduce((sum, { massG }) => sum + massG, 0);
  const poured = pours.reduce((sum, { massG, insolubleG }) => sum + massG - insolubleG, 0);
  return poured > 0 ? malt / poured : 0;
}

/** Whether malt may explain that it stays so far above its end. */
export const maltExplains = (ledger: Ledger, sg: number, endHighSg: number): boolean =>
  maltShareOf(ledger) >= MALT_SHARE && sg <= endHighSg + MALT_LEAVES_SG;

/** Days of stillness that the maker's word wants. */
function stayDays(ledger: Ledger, end: ExpectedEnd): number {
  if (ledger.history.pitch === null) return STAYS.days;
  const volumeL = mixedOf(ledger)?.volumeL ?? 0;
  const couldEat = volumeL > 0 ? ledger.liquid.sugarG / volumeL - end.sugarGPerL.value : 0;
  const isAlive =
    ledger.history.guarded === null &&
    couldEat > MUCH_G_PER_L &&
    (mixedOf(ledger)?.abv ?? 0) < yeastOf(ledger.history.pitch).toleranceAbv.low;
  return isAlive ? STAYS.aliveDays : STAYS.days;
}

/**
 * Whether fermentation is over: level by a straight line through its readings, at or below what was expected, or by the maker's word
 * above it. `waiting` means the gravity has stopped there but the proof is not whole. Sugar fed to the yeast begins the count
 * anew; sugar under the guard of sulfite and sorbate leaves standing what was proven before it.
 */
export function finishOf(ledger: Ledger): Finish {
  if (ledger.history.unsweetened !== null) return finishOf(ledger.history.unsweetened);
  const fedAt = fedSugarAt(ledger, Number.POSITIVE_INFINITY) ?? Number.NEGATIVE_INFINITY;
  const judged = judgedReadings(ledger, fedAt);
  const stillness = stillnessOf(judged);
  const last = judged.findLast(({ verdict }) => verdict === 'follows') ?? null;
  const end = expectedEnd(ledger);
  const none = { by: null, since: null, last, provenAt: null, wantsHydrometer: false, stillness } as const;
  if (last === null || end === null) {
    /** Topped up since it was last read, and by the balance still at its end: the count begins with it. */
    const sg = mixedOf(ledger)?.sg ?? Number.POSITIVE_INFINITY;
    if (end === null || !Number.isFinite(fedAt) || sg > end.sg.high + EQUAL_SG) return { ...none, state: 'moving' };
    return { ...none, state: 'waiting', by: 'gravity', provenAt: fedAt + STILL.twoDays * DAY_MS };
  }
  const isLow = last.sg <= end.sg.high + EQUAL_SG;
  const isWord = ledger.care.staysHereAt !== null && ledger.care.staysHereAt > fedAt;
  if (!isLow && !isWord) return { ...none, state: 'moving', since: stillness.since ?? last };
  const wantsHydrometer = stillness.last === null || !areEqual(stillness.last, last);
  const since = wantsHydrometer ? last : (stillness.since ?? last);
  const days = isLow ? 0 : stayDays(ledger, end);
  const isProven = !wantsHydrometer && (isLow ? stillness.isProven : isStillFor(stillness, days, STAYS.looks));
  const provenAt = Math.max(stillness.provenAt ?? last.at + STILL.twoDays * DAY_MS, since.at + days * DAY_MS);
  return { state: isProven ? 'finished' : 'waiting', by: isLow ? 'gravity' : 'word', since, last, provenAt, wantsHydrometer, stillness };
}

/** How the expected end comes about; null before the pitch. */
export function endWorking(ledger: Ledger): Working | null {
  if (ledger.history.pitch === null) return null;
  const yeast = yeastOf(ledger.history.pitch);
  return {
    formula: 'ferment the sugar that is there until the alcohol reaches the tolerance or only a dry mead’s sugar is left',
    inputs: [
      { name: 'fermentable sugar now', shown: say`${grams(ledger.liquid.sugarG)}` },
      { name: 'unfermentable extract now', shown: say`${grams(ledger.liquid.unfermentableG)}` },
      {
        name: `${yeast.name} tolerates`,
        shown: say`${String(yeast.toleranceAbv.value)} % vol (${String(yeast.toleranceAbv.low)} to ${String(yeast.toleranceAbv.high)})`,
      },
      {
        name: 'sugar a dry mead keeps',
        shown: say`${String(DRY_SUGAR_G_PER_L.value)} g/L (${String(DRY_SUGAR_G_PER_L.low)} to ${String(DRY_SUGAR_G_PER_L.high)})`,
      },
    ],
    source: 'Mass balance, Balling’s yield; tolerance and dryness are our estimates. Range: first-order propagation, 10–90 %.',
  };
}
