import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { broughtBy } from '../ingredients/index.ts';
import type { Composition } from '../ingredients/index.ts';
import { mix } from '../liquid/index.ts';
import { liquidOf } from '../masses/index.ts';
import { LEAST_SUGAR_G, abvWhenDry, mayBeSo, mixedOf, sgAtShare } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { HOUR_MS, RANGE_SD } from '../quantities/index.ts';
import type { ForecastInput } from './ensemble.ts';
import { ABV_PER_SUGAR, sugarBasisAt } from './model.ts';
import type { Pulse, Setting } from './model.ts';

/** How much slower a pH below the yeast’s floor makes it (our estimate). */
const BELOW_FLOOR_SLOWS = 0.5;

/** How far back a cellar’s temperature is looked at, weighing half for each so many days; more than this off the last, it was moved (our estimates). */
const LOOKS_BACK = { days: 14, halfDays: 5, withinC: 3 } as const;
const EASES_H = 12;

/** A cellar sways about its mean: what is ahead is the mean of the last days, not the last glance at the thermometer. */
function withTempAhead(temps: Setting['temps']): Setting['temps'] {
  const last = temps.at(-1);
  if (last === undefined) return temps;
  const daysBefore = (hour: number): number => (last.hour - hour) / 24;
  const alike = temps.filter(
    ({ hour, tempC }) => daysBefore(hour) <= LOOKS_BACK.days && Math.abs(tempC - last.tempC) <= LOOKS_BACK.withinC,
  );
  const weigh = (hour: number): number => 0.5 ** (daysBefore(hour) / LOOKS_BACK.halfDays);
  const total = alike.reduce((sum, { hour }) => sum + weigh(hour), 0);
  const tempC = alike.reduce((sum, each) => sum + weigh(each.hour) * each.tempC, 0) / total;
  return [...temps, { hour: last.hour + EASES_H, tempC }];
}

/** What is going to be poured in: announced, and not there yet. */
export interface AnnouncedPour {
  at: number;
  massG: number;
  composition: Composition;
}

/** Where nobody has weighed the yeast yet (our estimate). */
const USUAL_PITCH_G_PER_L = 0.6;

export interface ForecastWish {
  now: number;
  announced?: readonly AnnouncedPour[];
  horizonDays: number;
  members: number;
  seed: number;
  /** Where no temperature is on record. */
  roomTempC: number;
  organicCredit: number;
}

/** How a pour changes a liter. */
function pulseOf(hour: number, massG: number, composition: Composition, sugarG: number, volumeL: number): Pulse {
  const scale = volumeL / (volumeL + mix(liquidOf(broughtBy(massG, composition))).volumeL);
  return { hour, scale, sugarGPerL: (sugarG / volumeL) * scale, nitrogenMgPerL: 0 };
}

/** Doses, sugar and water that went in after the pitch or are announced, as they change a liter. */
function pulsesOf(ledger: Ledger, pitchedAt: number, volumeL: number, { organicCredit, announced = [], now }: ForecastWish): Pulse[] {
  const hourOf = (at: number): number => (at - pitchedAt) / HOUR_MS;
  const fed = ledger.history.doses.map(({ at, ammoniumNMg, aminoNMg }): Pulse => ({
    hour: hourOf(at),
    scale: 1,
    sugarGPerL: 0,
    nitrogenMgPerL: (ammoniumNMg + aminoNMg * organicCredit) / volumeL,
  }));
  const poured = ledger.history.pours
    .filter(({ afterPitch, sugarG }) => afterPitch && sugarG > LEAST_SUGAR_G)
    .map(({ at, massG, composition, sugarG }) => pulseOf(hourOf(at), massG, composition, sugarG, volumeL));
  const coming = announced.map(({ at, massG, composition }) =>
    pulseOf(hourOf(Math.max(at, now)), massG, composition, broughtBy(massG, composition).sugarG, volumeL),
  );
  return [...fed, ...poured, ...coming].filter(({ hour }) => hour >= 0).sort((a, b) => a.hour - b.hour);
}

/** % vol that a g/L of this must's sugar makes, by what it would hold dry: glycerol and the shrinking volume counted. */
function abvPerSugarOf(ledger: Ledger): number {
  const { liquid } = ledger;
  const volumeL = mixedOf(ledger)?.volumeL ?? 1;
  return liquid.sugarBasisG > 0 ? abvWhenDry(ledger) / (liquid.sugarBasisG / volumeL) : ABV_PER_SUGAR;
}

/** So many readings tell as much as a float’s hundreds, which err alike: the newest, and evenly some of those before (our estimates). */
const MOST_READINGS = { newest: 15, before: 25 } as const;
function tellingReadings<T>(readings: readonly T[]): T[] {
  const { newest, before } = MOST_READINGS;
  const older = readings.slice(0, -newest);
  if (older.length <= before) return [...readings];
  const some = Array.from({ length: before }, (_, i) => older[Math.floor(((i + 0.5) * older.length) / before)] as T);
  return [...some, ...readings.slice(-newest)];
}

/** What a batch's record gives a forecast to go by; null before the pitch. */
export function forecastInputOf(ledger: Ledger, wish: ForecastWish): ForecastInput | null {
  const { pitch } = ledger.history;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return null;
  const yeast = yeastOf(pitch);
  const hourOf = (at: number): number => (at - pitch.at) / HOUR_MS;
  const pulses = pulsesOf(ledger, pitch.at, pitch.volumeL, wish);
  const basisAt = (hour: number): number => sugarBasisAt({ sugarGPerL: pitch.sugarGPerL, pulses }, hour);
  const sugarPerSg = pitch.sugarGPerL / Math.max(0.01, pitch.sg - sgAtShare(ledger, 1));
  const readings = tellingReadings(ledger.history.readings.filter((reading) => reading.at > pitch.at && mayBeSo(reading))).map(
    ({ at, shareGone, plusMinus, verdict, sg, expectedSg }) => ({
      hour: hourOf(at),
      /** What the ledger does not follow stands above what it expected by so much sugar. */
      sugarGPerL: (1 - shareGone) * basisAt(hourOf(at)) + (verdict === 'follows' ? 0 : (sg - expectedSg) * sugarPerSg),
      sd: (plusMinus / RANGE_SD) * sugarPerSg,
    }),
  );
  const temps = ledger.history.temps.filter(({ at }) => at >= pitch.at).map(({ at, tempC }) => ({ hour: hourOf(at), tempC }));
  return {
    setting: {
      sugarGPerL: pitch.sugarGPerL,
      nitrogenMgPerL: HONEY_NITROGEN.value + pitch.broughtNMgPerL,
      pitchGPerL: pitch.massG > 0 ? pitch.massG / Math.max(0.1, pitch.volumeL) : USUAL_PITCH_G_PER_L,
      temps: temps.length === 0 ? [{ hour: 0, tempC: wish.roomTempC }] : withTempAhead(temps),
      pulses,
      abvPerSugar: abvPerSugarOf(ledger),
      acidSlowing: ledger.history.ph !== null && ledger.history.ph.value < yeast.phFloor ? BELOW_FLOOR_SLOWS : 1,
      horizonH: wish.horizonDays * 24,
    },
    tolerance: yeast.toleranceAbv,
    readings,
    nowH: hourOf(wish.now),
    members: wish.members,
    seed: wish.seed,
  };
}
