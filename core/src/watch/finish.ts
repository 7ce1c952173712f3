import { DRY_SUGAR_G_PER_L, stopsAt, yeastOf } from '../yeast/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { ASSUMPTION_RANGES } from '../ledger/index.ts';
import type { Ledger, ReadingPoint } from '../ledger/index.ts';
import { DAY_MS, propagate } from '../quantities/index.ts';
import type { Ranged, Working } from '../quantities/index.ts';
import { provesAnEnd } from '../liquid/index.ts';
import { EQUAL_SG, areEqual, fedSugarAt, sweetenedAt } from './stabilized.ts';

/** How far apart two equal readings must lie to prove that it stopped. */
export const CONFIRM_DAYS = 7;

/** Where this batch should stop, as a gravity and the sugar left, with their 10–90 % ranges. */
export function expectedEnd(ledger: Ledger): ExpectedEnd | null {
  if (ledger.pitch === null || ledger.waterG <= 0) return null;
  const known = ends.get(ledger) ?? endOf(ledger, ledger.pitch);
  ends.set(ledger, known);
  return known;
}

interface ExpectedEnd {
  sg: Ranged;
  abv: Ranged;
  sugarGPerL: Ranged;
}
/** State, finish and stall all ask for the end of one and the same ledger, which no one changes once it is folded. */
const ends = new WeakMap<Ledger, ExpectedEnd>();

function endOf(ledger: Ledger, pitch: NonNullable<Ledger['pitch']>): ExpectedEnd {
  const { toleranceAbv } = yeastOf(pitch);
  const { ethanolYield, glycerolYield, unfermentableScale } = ASSUMPTION_RANGES;
  /** The range is honey’s; what malt and fruit leave, and what the yeast itself made, is no surer or less sure for it. */
  const ofHoneyG = Math.min(
    ledger.unfermentableG,
    ledger.honeys.reduce((sum, { massG }) => sum + massG * MEAN_HONEY.unfermentable, 0),
  );
  const inputs = [toleranceAbv, DRY_SUGAR_G_PER_L, ethanolYield, glycerolYield, unfermentableScale];
  return propagate(inputs, ([tolerance = 0, dry = 0, ethanol = 0, glycerol = 0, unfermentable = 1]) => {
    const moved = ofHoneyG * (unfermentable - 1);
    const start = { ...ledger, unfermentableG: ledger.unfermentableG + moved, sugarG: Math.max(0, ledger.sugarG - moved) };
    const stop = stopsAt(start, tolerance, dry, { ethanolYield: ethanol, glycerolYield: glycerol });
    return { sg: stop.sg, abv: stop.abv, sugarGPerL: stop.sugarGPerL };
  });
}

export interface Finish {
  state: 'moving' | 'waiting' | 'finished';
  /** The earlier of the two equal readings, or where the wait began. */
  since: ReadingPoint | null;
  last: ReadingPoint | null;
  /** When a second equal reading would prove it. */
  provenAt: number | null;
  /** Only a float or a refractometer says so; the proof wants a hydrometer or a density meter. */
  wantsHydrometer: boolean;
}

/**
 * Whether fermentation is over: two equal readings a week apart at or below what was expected, never one.
 * `waiting` means the gravity has stopped there but the week is not over. Honey fed to the yeast begins the count anew;
 * honey after stabilizing leaves standing what was proven before it.
 */
export function finishOf(ledger: Ledger): Finish {
  const readings = ledger.readings.filter((reading) => ledger.pitch !== null && reading.at >= ledger.pitch.at);
  const sweetAt = sweetenedAt(ledger) ?? Number.POSITIVE_INFINITY;
  const fedAt = fedSugarAt(ledger, sweetAt) ?? Number.NEGATIVE_INFINITY;
  const judged = readings.filter((reading) => reading.at > fedAt && reading.at <= sweetAt);
  const last = judged.at(-1) ?? null;
  const end = expectedEnd(ledger);
  if (last === null || end === null) return { state: 'moving', since: null, last, provenAt: null, wantsHydrometer: false };
  const moved = judged.findLastIndex((reading) => !areEqual(reading, last));
  const equal = judged.slice(moved + 1);
  const proving = equal.filter(({ instrument }) => provesAnEnd(instrument));
  const since = equal[0] ?? last;
  const low = last.sg <= end.sg.high + EQUAL_SG || last.sg < 1 || last.shareGone > 0.98 || sweetAt < Number.POSITIVE_INFINITY;
  if (!low) return { state: 'moving', since, last, provenAt: null, wantsHydrometer: false };
  const [first, newest] = [proving[0] ?? null, proving.at(-1) ?? null];
  const provenAt = (first ?? last).at + CONFIRM_DAYS * DAY_MS;
  const isProven = newest !== null && newest.at >= provenAt;
  return { state: isProven ? 'finished' : 'waiting', since: first ?? since, last, provenAt, wantsHydrometer: first === null };
}

/** How the expected end comes about; null before the pitch. */
export function endWorking(ledger: Ledger): Working | null {
  if (ledger.pitch === null) return null;
  const yeast = yeastOf(ledger.pitch);
  return {
    formula: 'ferment the sugar that is there until the alcohol reaches the tolerance or only a dry mead’s sugar is left',
    inputs: [
      { name: 'fermentable sugar now', shown: `${ledger.sugarG.toFixed(0)} g` },
      { name: 'unfermentable extract now', shown: `${ledger.unfermentableG.toFixed(0)} g` },
      {
        name: `${yeast.name} tolerates`,
        shown: `${yeast.toleranceAbv.value} % vol (${yeast.toleranceAbv.low} to ${yeast.toleranceAbv.high})`,
      },
      { name: 'sugar a dry mead keeps', shown: `${DRY_SUGAR_G_PER_L.value} g/L (${DRY_SUGAR_G_PER_L.low} to ${DRY_SUGAR_G_PER_L.high})` },
    ],
    source: 'Mass balance, Balling’s yield; tolerance and dryness are our estimates. Range: first-order propagation, 10–90 %.',
  };
}
