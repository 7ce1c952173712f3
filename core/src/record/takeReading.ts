import {
  YEAST_PER_EXTRACT,
  co2PerExtract,
  correctedPh,
  fermentedFromSg,
  instrumentPlusMinus,
  mix,
  phPlusMinus,
  sgFromBrix,
} from '../liquid/index.ts';
import type { Mixed } from '../liquid/index.ts';
import { BOUND_SHARE } from '../preservatives/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Assumptions } from './assumptions.ts';
import type { EventOf } from './events.ts';
import { gravityRead } from './gravityRead.ts';
import type { GravityRead } from './gravityRead.ts';
import { liquidOf } from './ledger.ts';
import type { Ledger } from './ledger.ts';
import { mixedOf, shareGone } from './view.ts';

/** How far above the ledger a reading may lie and still be its noise: two hydrometer errors, in SG. */
const NOISE_ABOVE_SG = 0.004;

/** How far a reading of the unpitched must may lie from the recipe and still be the honey's moisture: ± in SG (our estimate). */
const MUST_AGREES_SG = 0.008;

/**
 * Turns sugar into ethanol, CO2, yeast and glycerol until the dissolved extract has shrunk by `extractG` (negative undoes).
 * Where the sugar does not suffice, part of what was taken for unfermentable was sugar after all.
 */
function fermentExtract(ledger: Ledger, extractG: number, assumptions: Assumptions): void {
  const wantedSugarG = extractG / (1 - assumptions.glycerolYield);
  const sugarG = Math.min(wantedSugarG, ledger.sugarG);
  const glycerolG = sugarG * assumptions.glycerolYield;
  ledger.sugarG -= sugarG;
  const shortG = extractG - (sugarG - glycerolG);
  ledger.unfermentableG = Math.max(0, ledger.unfermentableG + glycerolG - shortG);
  /** Undoing all of it may round to a little less than none. */
  ledger.ethanolG = Math.max(0, ledger.ethanolG + extractG * assumptions.ethanolYield);
  ledger.co2G += extractG * co2PerExtract(assumptions.ethanolYield);
  ledger.yeastG += extractG * YEAST_PER_EXTRACT;
}

/** Settles the must on its measured gravity by swapping honey solids for water, gram for gram: the honey was wetter or drier. */
function settleMust(ledger: Ledger, sg: number): void {
  const massG = ledger.waterG + ledger.sugarG + ledger.unfermentableG;
  const extractG = ledger.sugarG + ledger.unfermentableG;
  let scale = 1;
  for (let i = 0; i < 30; i++) {
    const now = mix({ waterG: massG - extractG * scale, extractG: extractG * scale, ethanolG: 0 }).sg;
    const step = (sg - now) / (now - 1);
    scale *= 1 + step;
    if (Math.abs(step) < 1e-10) break;
  }
  ledger.waterG = massG - extractG * scale;
  ledger.sugarG *= scale;
  ledger.unfermentableG *= scale;
  ledger.sugarBasisG *= scale;
}

/** Two readings that agree with each other may not both be slips: within this, SG (two hydrometers’ errors). */
const AGREE_SG = 0.003;

/**
 * Whether a reading that cannot be and the one before it, that could not be either, agree: then the low one that both stand against was
 * the slip, and counts no more.
 */
function overrules(ledger: Ledger, sg: number): boolean {
  const before = ledger.readings.at(-1);
  if (before?.verdict !== 'unexplained' || Math.abs(before.sg - sg) > AGREE_SG || before.at < (ledger.pitch?.at ?? 0)) return false;
  const outlier = ledger.readings.findLast(({ verdict }) => verdict === 'follows');
  if (outlier !== undefined) outlier.verdict = 'unexplained';
  before.verdict = 'follows';
  return true;
}

/** Brings the ledger to a measured gravity; false where it cannot be right. */
function followGravity(ledger: Ledger, expected: Mixed, sg: number, assumptions: Assumptions): boolean {
  if (ledger.pitch === null) {
    if (Math.abs(sg - expected.sg) > MUST_AGREES_SG || expected.sg < 1.005) return false;
    settleMust(ledger, sg);
    return true;
  }
  if (sg > expected.sg + NOISE_ABOVE_SG && !overrules(ledger, sg)) return false;
  try {
    fermentExtract(ledger, fermentedFromSg(liquidOf(ledger), sg, assumptions.ethanolYield), assumptions);
    return true;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (sg < expected.sg) return false;
    /** Above all that was ever poured, but within the noise: nothing has fermented yet. */
    fermentExtract(ledger, -ledger.ethanolG / assumptions.ethanolYield, assumptions);
    return true;
  }
}

/** What was read, and whether this must can have shown it at all. */
function readOf(
  ledger: Ledger,
  payload: EventOf<'reading'>['payload'],
  { ethanolYield }: Assumptions,
): { read: GravityRead | null; isPossible: boolean } {
  try {
    return { read: gravityRead(ledger, payload, ethanolYield), isPossible: true };
  } catch (error) {
    if (!(error instanceof Refusal) || payload.brix === undefined) throw error;
    const plusMinus = instrumentPlusMinus('refractometer', 20, mixedOf(ledger)?.abv ?? 0);
    return { read: { instrument: 'refractometer', sg: sgFromBrix(payload.brix), plusMinus }, isPossible: false };
  }
}

/** What an opened bottle read. It says nothing of what is left in the vessel, and moves no sugar there. */
function takeBottleReading(ledger: Ledger, event: EventOf<'reading'>): void {
  const read = event.payload.brix === undefined ? gravityRead(ledger, event.payload) : null;
  if (read === null) return;
  const before = ledger.readings.at(-1);
  ledger.readings.push({
    ...read,
    eventId: event.id,
    at: event.happenedAt,
    readSg: event.payload.sg ?? read.sg,
    tempC: event.payload.tempC ?? null,
    expectedSg: mixedOf(ledger)?.sg ?? before?.sg ?? read.sg,
    verdict: 'follows',
    abv: before?.abv ?? 0,
    shareGone: before?.shareGone ?? shareGone(ledger),
  });
}

/** Free SO2 that was measured guards as what one would have to give for it does. */
function takeFreeSo2(ledger: Ledger, mgPerL: number): void {
  if (ledger.pitch === null) return;
  const givenMg = (mgPerL * (mixedOf(ledger)?.volumeL ?? 0)) / (1 - BOUND_SHARE.low);
  ledger.guardSo2Mg = Math.max(ledger.guardSo2Mg, givenMg);
}

/** What a reading fixes: how much has fermented, or what the must was; acid, warmth and what else was measured. */
export function takeReading(ledger: Ledger, event: EventOf<'reading'>, assumptions: Assumptions): void {
  const { tempC, ph, phMeter, taGPerL, freeSo2MgPerL, leesMm } = event.payload;
  const at = event.happenedAt;
  if (ph !== undefined) {
    const value = phMeter === undefined ? ph : correctedPh(ph, phMeter);
    ledger.ph = { value, plusMinus: phPlusMinus(phMeter ?? null, at), at };
  }
  if (tempC !== undefined) ledger.temps.push({ at, tempC });
  if (taGPerL !== undefined) ledger.ta = { value: taGPerL, at };
  if (freeSo2MgPerL !== undefined) {
    ledger.freeSo2 = { value: freeSo2MgPerL, at };
    takeFreeSo2(ledger, freeSo2MgPerL);
  }
  if (leesMm !== undefined) ledger.leesMm = { value: leesMm, at };
  if (ledger.bottled !== null) {
    takeBottleReading(ledger, event);
    return;
  }
  const expected = mixedOf(ledger);
  if (expected === null) return;
  const { read, isPossible } = readOf(ledger, event.payload, assumptions);
  if (read === null) return;
  const { instrument, sg, plusMinus } = read;
  const bias = ledger.pitch === null ? assumptions.mustReadingBias : assumptions.readingBias;
  const follows = isPossible && followGravity(ledger, expected, sg + bias, assumptions);
  if (ledger.pitch === null && follows) ledger.measuredOg = sg;
  const after = mixedOf(ledger) ?? expected;
  ledger.readings.push({
    eventId: event.id,
    at,
    instrument,
    readSg: event.payload.sg ?? sg,
    tempC: tempC ?? null,
    sg,
    plusMinus,
    expectedSg: expected.sg,
    verdict: follows ? 'follows' : 'unexplained',
    abv: after.abv,
    shareGone: shareGone(ledger),
  });
}
