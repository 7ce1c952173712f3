import { fixedPoint, settled } from '../numerics/index.ts';
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
import { liquidOf } from '../masses/index.ts';
import type { Mixed } from '../liquid/index.ts';
import { BOUND_SHARE } from '../preservatives/index.ts';
import { HOUR_MS, Refusal } from '../quantities/index.ts';
import type { Assumptions } from './assumptions.ts';
import type { Moment } from './happening.ts';
import type { ReadingSeen } from './gravityRead.ts';
import { gravityRead } from './gravityRead.ts';
import type { GravityRead } from './gravityRead.ts';
import { FERMENTS } from './ledger.ts';
import type { Folding, InVessel } from './ledger.ts';
import { STRIP_PLUS_MINUS } from './strip.ts';
import { isAllBottled, mixedOf, shareGone } from './view.ts';

/** How far above the ledger a reading may lie and still be its noise: two hydrometer errors, in SG. */
const NOISE_ABOVE_SG = 0.004;

/** How far a reading of the unpitched must may lie from the recipe and still be the honey's moisture: ± in SG (our estimate). */
const MUST_AGREES_SG = 0.008;

/**
 * Turns sugar into ethanol, CO2, yeast and glycerol until the dissolved extract has shrunk by `extractG` (negative undoes).
 * Where the sugar does not suffice, part of what was taken for unfermentable was sugar after all.
 */
function fermentExtract(ledger: Folding, extractG: number, assumptions: Assumptions): void {
  const wantedSugarG = extractG / (1 - assumptions.glycerolYield);
  const sugarG = Math.min(wantedSugarG, ledger.liquid.sugarG);
  const glycerolG = sugarG * assumptions.glycerolYield;
  ledger.liquid.sugarG -= sugarG;
  const shortG = extractG - (sugarG - glycerolG);
  ledger.liquid.unfermentableG = Math.max(0, ledger.liquid.unfermentableG + glycerolG - shortG);
  /** Undoing all of it may round to a little less than none. */
  ledger.liquid.ethanolG = Math.max(0, ledger.liquid.ethanolG + extractG * assumptions.ethanolYield);
  ledger.liquid.co2G += extractG * co2PerExtract(assumptions.ethanolYield);
  ledger.liquid.yeastG += extractG * YEAST_PER_EXTRACT;
}

/** Settles the must on its measured gravity by swapping honey solids for water, gram for gram: the honey was wetter or drier. */
function settleMust(ledger: Folding, sg: number): void {
  const massG = ledger.liquid.waterG + ledger.liquid.sugarG + ledger.liquid.unfermentableG;
  const extractG = ledger.liquid.sugarG + ledger.liquid.unfermentableG;
  const nearer = (scale: number): number => {
    const now = mix({ waterG: massG - extractG * scale, extractG: extractG * scale, ethanolG: 0 }).sg;
    return scale * (1 + (sg - now) / (now - 1));
  };
  const scale = settled(fixedPoint(nearer, 1, 1e-10, 30));
  ledger.liquid.waterG = massG - extractG * scale;
  ledger.liquid.sugarG *= scale;
  ledger.liquid.unfermentableG *= scale;
  ledger.liquid.sugarBasisG *= scale;
}

/** Two readings that agree with each other may not both be slips: within this, SG (two hydrometers’ errors). */
const AGREE_SG = 0.003;

/**
 * Whether a low reading was a slip: those before and after it agree, or one that cannot be agrees with the one before it, that could not
 * be either. The low one then counts no more.
 */
function overrules(ledger: Folding, sg: number): boolean {
  const { readings, pitch, turns } = ledger.history;
  const before = readings.at(-1);
  const earlier = readings.at(-2);
  /** One below the two around it: gravity does not fall and come back. */
  const wasSlip =
    before?.verdict === 'follows' &&
    earlier?.verdict === 'follows' &&
    earlier.at >= (pitch?.at ?? 0) &&
    Math.abs(earlier.sg - sg) <= AGREE_SG &&
    !turns.some(({ reads }) => reads >= readings.length - 1);
  if (wasSlip) {
    before.verdict = 'unexplained';
    Object.assign(ledger.liquid, ledger.history.beforeReading);
    return true;
  }
  if (before?.verdict !== 'unexplained' || Math.abs(before.sg - sg) > AGREE_SG || before.at < (ledger.history.pitch?.at ?? 0)) return false;
  const outlier = ledger.history.readings.findLast(({ verdict }) => verdict === 'follows');
  if (outlier !== undefined) outlier.verdict = 'unexplained';
  before.verdict = 'follows';
  return true;
}

/** Brings the ledger to a measured gravity; false where it cannot be right. */
function followGravity(ledger: Folding, expected: Mixed, sg: number, assumptions: Assumptions): boolean {
  if (ledger.history.pitch === null) {
    if (Math.abs(sg - expected.sg) > MUST_AGREES_SG || expected.sg < 1.005) return false;
    settleMust(ledger, sg);
    return true;
  }
  if (sg > expected.sg + NOISE_ABOVE_SG && !overrules(ledger, sg)) return false;
  try {
    fermentExtract(ledger, fermentedFromSg(liquidOf(ledger.liquid), sg, assumptions.ethanolYield), assumptions);
    return true;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    if (sg < expected.sg) return false;
    /** Above all that was ever poured, but within the noise: nothing has fermented yet. */
    fermentExtract(ledger, -ledger.liquid.ethanolG / assumptions.ethanolYield, assumptions);
    return true;
  }
}

/** What was read, and whether this must can have shown it at all. */
function readOf(ledger: Folding, payload: ReadingSeen, { ethanolYield }: Assumptions): { read: GravityRead | null; isPossible: boolean } {
  try {
    return { read: gravityRead(ledger, payload, ethanolYield), isPossible: true };
  } catch (error) {
    if (!(error instanceof Refusal) || payload.brix === undefined) throw error;
    const plusMinus = instrumentPlusMinus('refractometer', 20, mixedOf(ledger)?.abv ?? 0);
    return { read: { instrument: 'refractometer', sg: sgFromBrix(payload.brix), plusMinus }, isPossible: false };
  }
}

/** What an opened bottle read. It says nothing of what is left in the vessel, and moves no sugar there. */
function takeBottleReading(ledger: Folding, payload: ReadingSeen, { id, at }: Moment): void {
  const read = payload.brix === undefined ? gravityRead(ledger, payload) : null;
  if (read === null) return;
  const before = ledger.history.readings.at(-1);
  ledger.history.readings.push({
    ...read,
    eventId: id,
    at,
    readSg: payload.sg ?? read.sg,
    tempC: payload.tempC ?? null,
    expectedSg: mixedOf(ledger)?.sg ?? before?.sg ?? read.sg,
    verdict: 'follows',
    abv: before?.abv ?? 0,
    shareGone: before?.shareGone ?? shareGone(ledger),
  });
}

/** Free SO2 that was measured guards as what one would have to give for it does: it says more than what once went in. */
function takeFreeSo2(ledger: Folding, mgPerL: number): void {
  if (ledger.history.pitch === null) return;
  ledger.liquid.guardSo2Mg = (mgPerL * (mixedOf(ledger)?.volumeL ?? 0)) / (1 - BOUND_SHARE.low);
}

/** A warmth that was read with a gravity is that of a sample; a float swims in the must itself. */
const isBeside = ({ sg, brix, instrument }: ReadingSeen): boolean => (sg ?? brix) !== undefined && instrument !== 'float';

/** No must warms by so much within so short a time: what was read with a gravity then is its sample’s warmth (our estimates). */
const JUMP = { byC: 8, withinH: 48 } as const;
function isOfTheSample({ history: { temps } }: Folding, payload: ReadingSeen, at: number): boolean {
  const before = temps.at(-1);
  const { tempC = 0 } = payload;
  return isBeside(payload) && before !== undefined && at - before.at <= JUMP.withinH * HOUR_MS && tempC > before.tempC + JUMP.byC;
}

/** What a reading fixes: how much has fermented, or what the must was; acid, warmth and what else was measured. */
export function takeReading(ledger: Folding, payload: ReadingSeen, moment: Moment): void {
  const { tempC, ph, phMeter, phStrip, taGPerL, freeSo2MgPerL, leesMm } = payload;
  const { id, at, assumptions } = moment;
  if (ph !== undefined) {
    const value = phMeter === undefined ? ph : correctedPh(ph, phMeter);
    ledger.history.ph = { value, plusMinus: phStrip === true ? STRIP_PLUS_MINUS : phPlusMinus(phMeter ?? null, at), at };
  }
  if (tempC !== undefined && !isOfTheSample(ledger, payload, at))
    ledger.history.temps.push(isBeside(payload) ? { at, tempC, isSample: true } : { at, tempC });
  if (taGPerL !== undefined) ledger.history.ta = { value: taGPerL, at };
  if (freeSo2MgPerL !== undefined) {
    ledger.history.freeSo2 = { value: freeSo2MgPerL, at };
    takeFreeSo2(ledger, freeSo2MgPerL);
  }
  if (leesMm !== undefined) ledger.history.lees.push({ mm: leesMm, at });
  if (isAllBottled(ledger)) {
    takeBottleReading(ledger, payload, moment);
    return;
  }
  const expected = mixedOf(ledger);
  if (expected === null) return;
  const { read, isPossible } = readOf(ledger, payload, assumptions);
  if (read === null) return;
  const { instrument, sg, plusMinus } = read;
  const fermenting = Object.fromEntries(FERMENTS.map((field) => [field, ledger.liquid[field]])) as Pick<
    InVessel,
    (typeof FERMENTS)[number]
  >;
  const bias = ledger.history.pitch === null ? assumptions.mustReadingBias : assumptions.readingBias;
  const follows = isPossible && followGravity(ledger, expected, sg + bias, assumptions);
  if (ledger.history.pitch === null && follows) ledger.history.measuredOg = sg;
  const after = mixedOf(ledger) ?? expected;
  ledger.history.beforeReading = fermenting;
  ledger.history.readings.push({
    eventId: id,
    at,
    instrument,
    readSg: payload.sg ?? sg,
    tempC: tempC ?? null,
    sg,
    plusMinus,
    expectedSg: expected.sg,
    verdict: follows ? 'follows' : 'unexplained',
    abv: after.abv,
    shareGone: shareGone(ledger),
  });
}
