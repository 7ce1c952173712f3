import { HONEY_NITROGEN, N_PER_SUGAR } from '../../nitrogen/index.ts';
import { THIRD_BREAK, TOO_LATE_SHARE } from '../../yeast/index.ts';
import { shareSeenAt } from '../../feed/index.ts';
import { CENTRAL_ASSUMPTIONS, honeysPoured, mixedOf, othersPoured, shareGone } from '../../record/index.ts';
import type { Ledger, ReadingPoint, Temperature } from '../../record/index.ts';
import { refractometerBrix, sgFromBrix } from '../../liquid/index.ts';
import { fermentSugar, liquidOf } from '../../masses/index.ts';
import { yeastOf } from '../../yeast/index.ts';
import type { YeastType } from '../../yeast/index.ts';
import { expectedEnd, maltShareOf } from '../finish.ts';
import { EQUAL_SG, abvBeforeSugar, areEqual, fedSugarAt } from '../stabilized.ts';
import { DAY_MS, HOUR_MS } from '../../quantities/index.ts';

/** What went in so long before the stop may have caused it. */
const BEFORE_STOP_H = 48;
/** How far back temperatures tell of a stop that is seen today. */
const LOOK_BACK_DAYS = 14;

/** mg N, as its school counts it, by when it came: in the must, up to the third break, from there to half of the sugar, and later. */
interface NitrogenCame {
  inMustMg: number;
  toThirdMg: number;
  toHalfMg: number;
  lateMg: number;
}

/** Everything in a batch's record that may tell whether and why it stopped. */
export interface StallEvidence {
  hoursSincePitch: number;
  hoursSinceReading: number;
  yeast: YeastType;
  startSg: number;
  /** Since the pitch, as they are believed. */
  readings: readonly ReadingPoint[];
  last: ReadingPoint | null;
  /** The earliest of the readings that equal the last. */
  still: ReadingPoint | null;
  stillDays: number;
  /** It falls within what counts as equal. */
  hasCrept: boolean;
  abv: number;
  /** The most it had at a reading before sugar last went to it; 0 where none did. */
  abvBeforeSugar: number;
  /** Bubbles or foam were seen since the pitch. */
  showsLife: boolean;
  /** How long after the pitch the last reading was taken. */
  readAfterH: number;
  shareGone: number;
  sugarLeftGPerL: number;
  /** The highest gravity at which it may well have ended. */
  endHighSg: number;
  temps: readonly Temperature[];
  tempC: number | null;
  /** The largest fall between two temperatures within three days, up to the stop. */
  largestFallC: number | null;
  /** As last measured, where nothing that changes it went in since. */
  ph: number | null;
  /** Of the need, what came before it was too late; 0 to 1 and above. */
  nitrogenShare: number;
  nitrogenCame: NitrogenCame;
  /** Diammonium phosphate given so far, pure or cut, g. */
  dapG: number;
  /** Since gas was last stirred out, or since the pitch. */
  gassyDays: number;
  /** mg N that the liquid asks for, and how its school counts amino nitrogen. */
  needMg: number;
  organicCredit: number;
  volumeL: number;
  /** What went in within two days before the stop. */
  addedBefore: readonly string[];
  so2MgPerL: number;
  sorbicMgPerL: number;
  hasJuice: boolean;
  /** Of the dissolved things poured, the share that malt brought. */
  maltShare: number;
  unexplained: readonly ReadingPoint[];
  /** What a refractometer that knows nothing of alcohol would show once all its sugar is gone, as a gravity. */
  dryByRefractometerSg: number;
  /** The airlock was last seen still. */
  isQuiet: boolean;
}

/** What was lost with liquid is lost to each dose alike. */
function nitrogenCame(ledger: Ledger, volumeL: number, organicCredit: number): NitrogenCame {
  const [thirdAt, halfAt] = [shareSeenAt(ledger, THIRD_BREAK) ?? Infinity, shareSeenAt(ledger, TOO_LATE_SHARE) ?? Infinity];
  const given = (from: number, to: number): number =>
    ledger.history.doses
      .filter(({ at }) => at > from && at <= to)
      .reduce((sum, dose) => sum + dose.ammoniumNMg + dose.aminoNMg * organicCredit, 0);
  const all = given(-Infinity, Infinity);
  const kept = all > 0 ? (ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg * organicCredit) / all : 0;
  return {
    inMustMg: HONEY_NITROGEN.value * volumeL + ledger.liquid.broughtAmmoniumNMg + ledger.liquid.broughtAminoNMg,
    toThirdMg: kept * given(-Infinity, thirdAt),
    toHalfMg: kept * given(thirdAt, Math.max(thirdAt, halfAt)),
    lateMg: kept * given(Math.max(thirdAt, halfAt), Infinity),
  };
}

/** Whether readings that count as equal still lie lower at their end than at their beginning, beyond a hydrometer's scatter. */
function creeps(equal: readonly ReadingPoint[]): boolean {
  if (equal.length < 4 || equal.some(({ instrument }) => instrument !== equal[0]?.instrument)) return false;
  /** A float sees the last of the fall itself; whether it creeps shows in the latter half. */
  const half = equal[0]?.instrument === 'float' ? equal.slice(equal.length >> 1) : equal;
  const mean = (points: readonly ReadingPoint[]): number => points.reduce((sum, { sg }) => sum + sg, 0) / points.length;
  return mean(half.slice(0, 2)) - mean(half.slice(-2)) > CREEP_SG;
}
/** Three quarters of what counts as equal: twice the scatter of two readings' mean (our estimate). */
const CREEP_SG = 0.75 * EQUAL_SG;

/** The earliest of the readings that equal the mean of the last two: one alone may be off by its own error. */
function stillSince(readings: readonly ReadingPoint[]): ReadingPoint | null {
  const [last, before] = [readings.at(-1), readings.at(-2)];
  if (last === undefined) return null;
  const isAlike = before?.instrument === last.instrument && last.at - before.at <= 4 * DAY_MS;
  const level = isAlike ? { ...last, sg: (last.sg + before.sg) / 2 } : last;
  const moved = readings.findLastIndex((reading) => !areEqual(reading, level));
  return readings[moved + 1] ?? last;
}

function largestFall(temps: StallEvidence['temps'], until: number): number | null {
  const before = temps.filter(({ at }) => at <= until + DAY_MS && until - at <= LOOK_BACK_DAYS * DAY_MS);
  if (before.length < 2) return null;
  let fall = 0;
  for (const [i, from] of before.entries())
    for (const to of before.slice(i + 1)) if (to.at - from.at <= 3 * DAY_MS) fall = Math.max(fall, from.tempC - to.tempC);
  return fall;
}

function dryByRefractometerSg(ledger: Ledger): number {
  const dry = fermentSugar(ledger.liquid, ledger.liquid.sugarG, CENTRAL_ASSUMPTIONS);
  return sgFromBrix(refractometerBrix(liquidOf(dry)));
}

/** Bubbles or foam since the pitch prove life; silence proves nothing. */
export const showsLife = ({ history: { marks, pitch } }: Ledger): boolean =>
  pitch !== null && Math.max(marks.bubbling ?? 0, marks.foam ?? 0) > pitch.at;

/** The airlock was last seen still, since the pitch. */
export const isQuiet = ({ history: { marks, pitch } }: Ledger): boolean =>
  marks.quiet !== undefined && marks.quiet >= Math.max(pitch?.at ?? Number.POSITIVE_INFINITY, marks.bubbling ?? 0, marks.foam ?? 0);

/** When gas last left it, stirred, racked or fed: before each dose it is degassed. */
export const gasOutAt = ({ history: { marks, doses, rackedAt } }: Ledger, pitchedAt: number): number =>
  Math.max(pitchedAt, marks.degassed ?? 0, marks.stirred ?? 0, rackedAt ?? 0, doses.at(-1)?.at ?? 0);

/** The last pH, unless something that changes it went in since. */
function phThatHolds(ledger: Ledger): number | null {
  const { ph, bases } = ledger.history;
  if (ph === null) return null;
  const isOvertaken =
    bases.some(({ at }) => at > ph.at) ||
    othersPoured(ledger).some(({ at, family }) => at > ph.at && family !== 'spice' && family !== 'malt');
  return isOvertaken ? null : ph.value;
}

/**
 * Gathers what a pitched batch's record says. Null before the pitch and for an empty vessel.
 * @param organicCredit how the batch's school counts amino nitrogen
 */
export function stallEvidence(ledger: Ledger, now: number, organicCredit: number): StallEvidence | null {
  const [mixed, end] = [mixedOf(ledger), expectedEnd(ledger)];
  const { pitch } = ledger.history;
  if (pitch === null || mixed === null || end === null) return null;
  const yeast = yeastOf(pitch);
  const since = ledger.history.readings.filter(({ at }) => at >= pitch.at);
  const readings = since.filter(({ verdict }) => verdict === 'follows');
  const last = readings.at(-1) ?? null;
  /** Sugar fed to it begins the count anew. */
  const fedAt = fedSugarAt(ledger, Number.POSITIVE_INFINITY) ?? pitch.at;
  const still = stillSince(readings.filter(({ at }) => at >= fedAt));
  const temps = ledger.history.temps.filter(({ at }) => at >= pitch.at);
  const stopAt = still?.at ?? now;
  const needMg = N_PER_SUGAR[yeast.demand] * ledger.liquid.sugarBasisG;
  const came = nitrogenCame(ledger, mixed.volumeL, organicCredit);
  const within = (at: number): boolean => at >= pitch.at && stopAt - at >= -DAY_MS / 2 && stopAt - at <= BEFORE_STOP_H * HOUR_MS;
  return {
    hoursSincePitch: (now - pitch.at) / HOUR_MS,
    hoursSinceReading: (now - (last?.at ?? pitch.at)) / HOUR_MS,
    yeast,
    startSg: pitch.sg,
    readings,
    last,
    still,
    stillDays: last === null || still === null ? 0 : (last.at - still.at) / DAY_MS,
    hasCrept: creeps(readings.filter(({ at }) => at >= stopAt)),
    abv: mixed.abv,
    abvBeforeSugar: abvBeforeSugar(ledger),
    showsLife: showsLife(ledger),
    readAfterH: ((last?.at ?? pitch.at) - pitch.at) / HOUR_MS,
    shareGone: shareGone(ledger),
    sugarLeftGPerL: ledger.liquid.sugarG / mixed.volumeL,
    endHighSg: end.sg.high,
    temps,
    tempC: temps.at(-1)?.tempC ?? null,
    largestFallC: largestFall(temps, stopAt),
    ph: phThatHolds(ledger),
    nitrogenShare: needMg > 0 ? (came.inMustMg + came.toThirdMg + came.toHalfMg) / needMg : 1,
    nitrogenCame: came,
    dapG: ledger.history.doses.filter(({ source }) => source === 'dap' || source === 'cutDap').reduce((sum, { massG }) => sum + massG, 0),
    gassyDays: (now - gasOutAt(ledger, pitch.at)) / DAY_MS,
    needMg,
    organicCredit,
    volumeL: mixed.volumeL,
    addedBefore: [
      ...[...honeysPoured(ledger), ...othersPoured(ledger)]
        .filter(({ at, afterPitch, family }) => afterPitch && within(at) && family !== 'spice')
        .map(({ name }) => name),
    ],
    so2MgPerL: ledger.liquid.so2Mg / mixed.volumeL,
    sorbicMgPerL: ledger.liquid.sorbicMg / mixed.volumeL,
    hasJuice: ledger.history.pours.some(({ family }) => family === 'juice' || family === 'syrup'),
    maltShare: maltShareOf(ledger),
    unexplained: since.filter(({ verdict }) => verdict === 'unexplained'),
    dryByRefractometerSg: dryByRefractometerSg(ledger),
    isQuiet: isQuiet(ledger),
  };
}
