import { ABV_PER_SUGAR, END_WITHIN_G_PER_L, forecast, forecastInputOf } from '../course/index.ts';
import { MEAN_HONEY } from '../ingredients/index.ts';
import { fold } from '../record/index.ts';
import type { EventContent } from '../record/index.ts';
import { normal, seeded } from '../numerics/index.ts';
import type { Rng } from '../numerics/index.ts';
import { HOUR_MS, RANGE_SD } from '../quantities/index.ts';
import { YEAST_TYPES } from '../yeast/index.ts';
import { fructoseSugarByHour, unheatedRoom } from './fructoseWorld.ts';
import type { FructoseWorld } from './fructoseWorld.ts';
import { fermentingOf, play } from './play.ts';
import type { Play, Played, Reader, Timed } from './play.ts';
import type { World } from './world.ts';

const START = Date.UTC(2026, 3, 1, 18);
const DAY = 24;
type Drawn = Played & { isStuck: boolean };
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
function cellarBatch(rng: Rng): Drawn {
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
  return withEnd(play(fermentingOf(world), plan, rng), low, world.toleranceAbv);
}

/** Whether it stuck: with much sugar, short of what its yeast bears. */
function withEnd(played: Played, lowAbv: number, bearsAbv: number): Drawn {
  const left = played.sugarGPerL.at(-1) ?? 0;
  const abv = ((played.sugarGPerL[0] ?? 0) - left) * ABV_PER_SUGAR;
  return { ...played, isStuck: left > STUCK_G_PER_L && abv < Math.min(lowAbv, bearsAbv) * AT_TOLERANCE };
}
/** Whoever looks seldom, reads to two points and hardly ever notes a temperature. */
const HASTY: Reader = { sd: 0.0014, readTo: 0.002, tempSd: 1, notesTemp: 0.3 };

/** A batch of another kind of yeast in another kind of room, of a maker who reads seldom and badly. */
function roomBatch(rng: Rng): Drawn {
  const toleranceAbv = between(rng, 10, 17);
  const bearsAbv = toleranceAbv + 1 * normal(rng);
  const fedShare = between(rng, 0.3, 1.1);
  const hours = [12, 60, 110].map((hour) => Math.round(hour * between(rng, 0.8, 1.3)));
  const world: FructoseWorld = {
    nitrogenMgPerL: between(rng, 15, 60),
    pitchGPerL: between(rng, 0.25, 1.2),
    feeds: hours.map((hour) => ({ hour, nitrogenMgPerL: 100 * fedShare })),
    tempC: unheatedRoom(rng),
    bearsAbv,
    vigor: Math.exp(0.3 * normal(rng)),
    likesGlucose: between(rng, 1.2, 4),
    halvesInH: between(rng, 250, 900),
    leavesGPerL: between(rng, 0, 6),
  };
  const recipe: EventContent[] = [
    {
      kind: 'honey',
      payload: { name: 'linden', massG: between(rng, 900, 2300), moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable },
    },
    { kind: 'water', payload: { volumeL: 4.7 } },
    {
      kind: 'yeast',
      payload: {
        yeastId: 'allround',
        name: 'its yeast',
        massG: 6 * world.pitchGPerL,
        own: {
          toleranceAbv: { value: toleranceAbv, low: toleranceAbv - 1.5, high: toleranceAbv + 1.5 },
          demand: 'medium',
          tempC: { low: 14, high: 26 },
        },
      },
    },
  ];
  const deeds = hours.map((hour, i): Timed => [
    hour,
    { kind: 'nutrient', payload: { source: 'organic', massG: 15 * fedShare, dose: i + 1 } },
  ]);
  const readAtH: number[] = [];
  for (let day = between(rng, 2, 6); day < LAST_DAY; day += between(rng, 2, day < 20 ? 6 : 12)) readAtH.push(Math.round(day * DAY));
  const must = {
    sugarByHour: (sugarGPerL: number, until: number) => fructoseSugarByHour(world, sugarGPerL, until),
    tempC: world.tempC,
    ph: () => 3.5,
  };
  return withEnd(play(must, { startAt: START, recipe, deeds, readAtH }, rng, HASTY), toleranceAbv - 1.5, bearsAbv);
}

/** Whose fermentations: of a cellar with a careful maker, or of a room with a hasty one; each by laws of its own. */
const STUDIES = { cellar: cellarBatch, room: roomBatch } as const;

/** As the forecast itself counts a stall. */
const STUCK_G_PER_L = 12;
const AT_TOLERANCE = 0.97;

export interface StudyOf {
  of?: keyof typeof STUDIES;
  cases: number;
  members: number;
  seed: number;
  /** The band is held to account after so many readings; none where only ends are. */
  after?: readonly number[];
}

export interface ForecastStudy {
  /** After so many readings: how often the truth at the later ones lay within the 80 % band. */
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
export async function forecastStudy({ of = 'cellar', cases, members, seed, after = AFTER }: StudyOf): Promise<ForecastStudy> {
  const rng = seeded(seed);
  const tally = new Map(after.map((readings) => [readings, { within: 0, later: 0 }]));
  const endErrors: number[] = [];
  const stick = { forecast: 0, happened: 0, cases: 0 };
  for (let i = 0; i < cases; i++) {
    const { events, sugarGPerL, isStuck } = STUDIES[of](rng);
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
      for (const later of readings.slice(r + 1)) {
        const hour = Math.round((later.happenedAt - START) / HOUR_MS);
        const sugar = sugarGPerL[hour] ?? final;
        const band = found.bands.findLast((each) => each.hour <= hour);
        const next = found.bands.find((each) => each.hour > hour);
        if (band === undefined || next === undefined) continue;
        const part = (hour - band.hour) / (next.hour - band.hour);
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
