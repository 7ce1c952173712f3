import { ABV_PER_SUGAR, END_WITHIN_G_PER_L, forecast, forecastInputOf } from '../course/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { normal, seeded } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { HOUR_MS, RANGE_SD } from '../quantities/index.ts';
import { YEAST_TYPES } from '../yeast/index.ts';
import { play } from './play.ts';
import type { Play, Played, Timed } from './play.ts';
import type { World } from './world.ts';

const START = Date.UTC(2026, 3, 1, 18);
const DAY = 24;
const LAST_DAY = 75;
const between = (rng: Rng, low: number, high: number): number => low + (high - low) * rng();

/** A cellar that drifts: a mean, a daily swing and a wander of its own. */
function driftingCellar(rng: Rng): (hour: number) => number {
  const [mean, swing, wander, period, phase] = [
    between(rng, 17, 24),
    between(rng, 0, 1.5),
    between(rng, 0, 2),
    between(rng, 8, 30),
    between(rng, 0, 6),
  ];
  return (hour) => mean + swing * Math.sin((2 * Math.PI * hour) / 24) + wander * Math.sin((2 * Math.PI * hour) / (24 * period) + phase);
}

/** Any must that a home might hold, fed well or less well, from a generator that the forecast knows nothing of. */
function anyFermentation(rng: Rng): Played & { isStuck: boolean } {
  const yeast = YEAST_TYPES[Math.floor(rng() * YEAST_TYPES.length)] ?? YEAST_TYPES[0];
  if (yeast === undefined) throw new Error('no yeast');
  const honeyG = between(rng, 1300, 2400);
  const fedShare = between(rng, 0.5, 1.1);
  const doses: Timed[] = [24, 48, 72].flatMap((hour, i): Timed[] => [
    [hour, { kind: 'nutrient', payload: { source: 'dap', massG: 2.2 * fedShare, dose: i + 1 } }],
    [hour, { kind: 'nutrient', payload: { source: 'organic', massG: 7 * fedShare, dose: i + 1 } }],
  ]);
  const recipe: EventContent[] = [
    { kind: 'honey', payload: { name: 'linden', massG: honeyG, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
    { kind: 'water', payload: { volumeL: 4.7 } },
    { kind: 'yeast', payload: { yeastId: yeast.id, name: yeast.name, massG: 4 } },
  ];
  const { low, value, high } = yeast.toleranceAbv;
  const world: Omit<World, 'sugarGPerL'> = {
    nitrogenMgPerL: between(rng, 10, 30),
    pitchGPerL: between(rng, 0.5, 1),
    toleranceAbv: value + ((high - low) / (2 * RANGE_SD)) * normal(rng),
    yeastTempC: yeast.tempC,
    phFloor: yeast.phFloor,
    tempC: driftingCellar(rng),
    ph: () => 3.5,
    feeds: [24, 48, 72].map((hour) => ({ hour, nitrogenMgPerL: 128 * fedShare })),
    shocks: [],
    preservative: 0,
    lagH: between(rng, 6, 36),
    vigor: Math.exp(0.25 * normal(rng)),
  };
  const readAtH: number[] = [];
  for (let day = between(rng, 0.8, 2.5); day < LAST_DAY; day += between(rng, 1, day < 20 ? 3 : 7)) readAtH.push(Math.round(day * DAY));
  const plan: Play = { startAt: START, recipe, deeds: doses, readAtH };
  const played = play(world, plan, rng);
  const left = played.sugarGPerL.at(-1) ?? 0;
  const abv = ((played.sugarGPerL[0] ?? 0) - left) * ABV_PER_SUGAR;
  return { ...played, isStuck: left > STUCK_G_PER_L && abv < Math.min(low, world.toleranceAbv) * AT_TOLERANCE };
}
/** As the forecast itself counts a stall. */
const STUCK_G_PER_L = 12;
const AT_TOLERANCE = 0.97;

export interface StudyOf {
  cases: number;
  members: number;
  seed: number;
  /** The band is held to account after so many readings; none where only ends are. */
  after?: readonly number[];
}

export interface ForecastStudy {
  /** After so many readings: of the later readings, the share within the 80 % band. */
  coverage: { readings: number; share: number; later: number }[];
  /** Of forecasts made after half of the sugar: their error as a share of the time that was left to the end. */
  endErrors: number[];
  /** Sticking as forecast after half of the sugar, and as it happened. */
  stick: { forecast: number; happened: number };
  members: number;
  cases: number;
}

const AFTER: readonly number[] = [1, 2, 3, 4, 6, 8];

/** Draws fermentations, forecasts each after some readings, and counts how the rest of them fell. */
export async function forecastStudy({ cases, members, seed, after = AFTER }: StudyOf): Promise<ForecastStudy> {
  const rng = seeded(seed);
  const tally = new Map(after.map((readings) => [readings, { within: 0, later: 0 }]));
  const endErrors: number[] = [];
  const stick = { forecast: 0, happened: 0, cases: 0 };
  for (let i = 0; i < cases; i++) {
    const { events, sugarGPerL, isStuck } = anyFermentation(rng);
    const readings = events.filter((event) => event.kind === 'reading');
    const final = sugarGPerL.at(-1) ?? 0;
    const trueEndH = sugarGPerL.findIndex((left) => left <= final + END_WITHIN_G_PER_L);
    let hasEnd = false;
    for (const [r, reading] of readings.entries()) {
      const counted = tally.get(r + 1);
      const ledger = fold(events.filter(({ happenedAt }) => happenedAt <= reading.happenedAt));
      const nowH = (reading.happenedAt - START) / HOUR_MS;
      const gone = ledger.history.readings.at(-1)?.shareGone ?? 0;
      const isForEnd = !hasEnd && gone >= 0.5 && trueEndH - nowH > 2 * DAY;
      if (counted === undefined && !isForEnd) continue;
      const input = forecastInputOf(ledger, {
        now: reading.happenedAt,
        horizonDays: 90,
        members,
        seed: i,
        roomTempC: 20,
        organicCredit: 1,
      });
      const found = input === null ? null : await forecast(input);
      if (input === null || found === null || ledger.history.pitch === null) continue;
      if (isForEnd && found.endH !== null) {
        hasEnd = true;
        stick.cases++;
        stick.forecast += found.stickProbability;
        if (isStuck) stick.happened++;
        endErrors.push(Math.abs(found.endH.value - trueEndH) / (trueEndH - nowH));
      }
      if (counted === undefined) continue;
      /** A later reading as a ledger of its own would take it: the true sugar and the hydrometer’s scatter. */
      const all = fold(events);
      for (const later of all.history.readings.filter(({ at, verdict }) => at > reading.happenedAt && verdict === 'follows')) {
        const hour = (later.at - START) / HOUR_MS;
        const band = found.bands.findLast((each) => each.hour <= hour);
        const next = found.bands.find((each) => each.hour > hour);
        if (band === undefined || next === undefined) continue;
        const part = (hour - band.hour) / (next.hour - band.hour);
        const sugar = (1 - later.shareGone) * ledger.history.pitch.sugarGPerL;
        counted.later++;
        if (sugar >= band.low + (next.low - band.low) * part - 0.01 && sugar <= band.high + (next.high - band.high) * part + 0.01)
          counted.within++;
      }
    }
  }
  return {
    coverage: after.map((readings) => {
      const { within = 0, later = 0 } = tally.get(readings) ?? {};
      return { readings, share: later > 0 ? within / later : Number.NaN, later };
    }),
    endErrors,
    stick: { forecast: stick.forecast / stick.cases, happened: stick.happened / stick.cases },
    members,
    cases,
  };
}
