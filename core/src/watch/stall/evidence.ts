import { HONEY_NITROGEN, N_PER_SUGAR } from '../../nitrogen/index.ts';
import { THIRD_BREAK, TOO_LATE_SHARE } from '../../yeast/index.ts';
import { shareSeenAt } from '../../feed/index.ts';
import {
  CENTRAL_ASSUMPTIONS,
  abvBeforeSugar,
  fedSugarAt,
  honeysPoured,
  mayBeSo,
  mixedOf,
  othersPoured,
  shareGone,
} from '../../record/index.ts';
import type { Ledger, ReadingPoint, Temperature } from '../../record/index.ts';
import { refractometerBrix, sgFromBrix } from '../../liquid/index.ts';
import { fermentSugar, liquidOf } from '../../masses/index.ts';
import { yeastOf } from '../../yeast/index.ts';
import type { YeastType } from '../../yeast/index.ts';
import { expectedEnd } from '../../glass/index.ts';
import { maltShareOf } from './malt.ts';
import { SO2_HINDERS_MG_PER_L, SORBIC_STOPS_MG_PER_L } from './limits.ts';
import { standingOf } from './standing.ts';
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
  /** The first of the readings since which it has not moved, as far as they can tell. */
  still: ReadingPoint | null;
  stillDays: number;
  /** Its line falls, if slowly. */
  hasCrept: boolean;
  /** It stands by its line and the pace before, or stood and has not fallen since. */
  stands: boolean;
  /** By the balance: as last read, with what was poured since. */
  sgNow: number;
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
  /** The airlock was seen still beside a fall that is proven. */
  leaksAtLid: boolean;
  /** A first gravity that cannot have been, where later ones fit what was poured; null where it was right. */
  wrongFirst: ReadingPoint | null;
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

/** A mark is fresh for so long beside a reading, and a fall of so much between two readings is proven, SG (our estimates). */
const FRESH_H = 36;
const PROVEN_FALL_SG = 0.005;

/** The airlock was seen still, and about then the gravity fell: its gas goes out elsewhere. */
function leaksAtLid({ history: { marks, pitch, readings } }: Ledger): boolean {
  const since = readings.filter(({ at, verdict }) => pitch !== null && at >= pitch.at && verdict === 'follows');
  const [before, last] = [since.at(-2), since.at(-1)];
  const quietAt = marks.quiet;
  if (quietAt === undefined || last === undefined || pitch === null) return false;
  const isLast = quietAt >= Math.max(pitch.at, marks.bubbling ?? 0, marks.foam ?? 0);
  const fromSg = before?.sg ?? pitch.sg;
  return isLast && Math.abs(last.at - quietAt) <= FRESH_H * HOUR_MS && fromSg - last.sg >= PROVEN_FALL_SG;
}

/** The must was read before the pitch, that cannot have been, and readings since fit what was poured. */
function wrongFirstOf({ history: { pitch, readings, measuredOg } }: Ledger): ReadingPoint | null {
  if (pitch === null || measuredOg !== null) return null;
  const first = readings.find(({ at, verdict }) => at < pitch.at && verdict === 'unexplained') ?? null;
  return readings.some(({ at, verdict }) => at > pitch.at && verdict === 'follows') ? first : null;
}

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

/** What it began with: at the pitch, or as read after sugar last went in. */
function startOf(ledger: Ledger, pitch: NonNullable<Ledger['history']['pitch']>, fedAt: number): number {
  return fedAt <= pitch.at ? pitch.sg : (ledger.history.readings.find(({ at }) => at > fedAt)?.expectedSg ?? pitch.sg);
}

/** Something was seen in these days that stops yeast: cold, heat, acid, a preservative. */
function hadBlow(
  { history: { temps, pours, lastEventAt }, liquid }: Ledger,
  { tempC, phFloor }: YeastType,
  ph: number | null,
  liters: number,
): boolean {
  const now = lastEventAt ?? 0;
  const lately = ({ at }: { at: number }): boolean => now - at <= BLOW_DAYS * DAY_MS;
  return (
    (ph !== null && ph < phFloor - BLOW_PH) ||
    temps.filter(lately).some(({ tempC: read }) => read > tempC.high + BLOW_C || read < tempC.low - BLOW_C) ||
    pours
      .filter(lately)
      .some(({ afterPitch, composition, massG }) => afterPitch && (composition.acidGPerKg * massG) / 1000 > BLOW_ACID_G_PER_L * liters) ||
    liquid.sorbicMg >= SORBIC_STOPS_MG_PER_L * liters ||
    liquid.so2Mg > SO2_HINDERS_MG_PER_L * liters
  );
}
/** How long a blow is looked back for; how far out of its range a temperature or a pH is one, and how much acid at once (our estimates). */
const BLOW_DAYS = 7;
const BLOW_C = 3;
const BLOW_PH = 0.15;
const BLOW_ACID_G_PER_L = 1;

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
  const temps = ledger.history.temps.filter(({ at }) => at >= pitch.at);
  const ph = phThatHolds(ledger);
  const counted = since.filter((reading) => reading.at > fedAt && mayBeSo(reading));
  const before = {
    startAt: fedAt,
    startSg: startOf(ledger, pitch, fedAt),
    endSg: end.sg.value,
    curedAt: ledger.care.cures.at(-1)?.at ?? null,
  };
  const standing = counted.length === 0 ? null : standingOf(counted, before, hadBlow(ledger, yeast, ph, mixed.volumeL));
  const still = standing?.since ?? null;
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
    stillDays: standing?.days ?? 0,
    hasCrept: standing?.creeps === true,
    stands: standing?.isHeld === true,
    sgNow: mixed.sg,
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
    ph,
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
    unexplained: since.filter((reading) => reading.verdict === 'unexplained' && !mayBeSo(reading)),
    dryByRefractometerSg: dryByRefractometerSg(ledger),
    leaksAtLid: leaksAtLid(ledger),
    wrongFirst: wrongFirstOf(ledger),
  };
}
