/**
 * What the program would have said of given fermentations at each moment asked: node --import tsx bench/ferments/predict.ts IN OUT.
 * IN holds questions with what may be seen then; OUT takes gravities, end and final gravity as their 10, 50 and 90 % points.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { forecast, forecastInputOf } from '@hollow-bell/core/forecast';
import type { Forecast, ForecastInput } from '@hollow-bell/core/forecast';
import { fold, sgAtShare } from '@hollow-bell/core/record';
import type { Ledger } from '@hollow-bell/core/record';
import type { Ranged } from '@hollow-bell/core/quantities';
import { eventsOf, momentOfHour } from './given.ts';
import type { Given } from './given.ts';

const HORIZON_DAYS = 120;
const MEMBERS = 500;

interface Points<T> {
  p10: T;
  p50: T;
  p90: T;
}

/** Gravity of so much sugar left, by the ledger as it stands. */
function gravityOf(ledger: Ledger, { course }: ForecastInput): (sugarGPerL: number) => number {
  const basisGPerL = course.pulses.reduce((sum, { scale, sugarGPerL }) => sum * scale + sugarGPerL, course.sugarGPerL);
  return (sugarGPerL) => sgAtShare(ledger, 1 - sugarGPerL / basisGPerL);
}

/** The band at an hour, straight between what is drawn. */
function bandAt({ bands }: Forecast, hour: number): Ranged {
  const k = Math.max(
    0,
    bands.findLastIndex((band) => band.hour <= hour),
  );
  const [from, to] = [bands[k], bands[Math.min(bands.length - 1, k + 1)]];
  if (from === undefined || to === undefined) return { value: 0, low: 0, high: 0 };
  const part = to.hour > from.hour ? Math.min(1, (hour - from.hour) / (to.hour - from.hour)) : 0;
  const of = (name: 'low' | 'middle' | 'high'): number => from[name] + (to[name] - from[name]) * part;
  return { value: of('middle'), low: of('low'), high: of('high') };
}

const pointsOf = ({ value, low, high }: Ranged, as: (value: number) => number = (each) => each): Points<number> => ({
  p10: as(low),
  p50: as(value),
  p90: as(high),
});

async function predict(question: Given): Promise<object | null> {
  const ledger = fold(eventsOf(question));
  const input = forecastInputOf(ledger, {
    now: momentOfHour(question.at_h),
    horizonDays: HORIZON_DAYS,
    members: MEMBERS,
    seed: 7,
    roomTempC: question.known.room_temp.findLast(({ t_h: at }) => at <= question.at_h)?.c ?? 20,
    organicCredit: 1,
  });
  const found = input === null ? null : await forecast(input);
  if (input === null || found === null) return null;
  const as = gravityOf(ledger, input);
  const targets = (question.targets_h ?? []).map((hour) => pointsOf(bandAt(found, hour), as));
  const never = 24 * HORIZON_DAYS;
  return {
    id: question.id,
    at_h: question.at_h,
    sg: { p10: targets.map(({ p10 }) => p10), p50: targets.map(({ p50 }) => p50), p90: targets.map(({ p90 }) => p90) },
    end_h: pointsOf(found.endH ?? { value: never, low: never, high: never }),
    fg: pointsOf(found.finalSugarGPerL, as),
  };
}

const [from = '', to = ''] = process.argv.slice(2);
const { questions } = JSON.parse(readFileSync(from, 'utf8')) as { questions: Given[] };
const predictions = (await Promise.all(questions.map(predict))).filter((each) => each !== null);
writeFileSync(to, JSON.stringify({ predictions }));
console.log(`${predictions.length} of ${questions.length} are answered in ${to}`);
