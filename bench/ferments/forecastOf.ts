import { forecast, forecastInputOf } from '@hollow-bell/core/course';
import type { Forecast } from '@hollow-bell/core/course';
import { gravityAlong } from '@hollow-bell/core/forecast';
import { fold } from '@hollow-bell/core/record';
import type { Ranged } from '@hollow-bell/core/quantities';
import { expectedEnd } from '@hollow-bell/core/glass';
import { announcedOf, eventsOf, momentOfHour } from './given.ts';
import type { Given } from './given.ts';

/** As far beyond its now as the program itself looks. */
const REACHES_DAYS = 60;
const MEMBERS = 500;

export interface Points<T> {
  p10: T;
  p50: T;
  p90: T;
}

export interface Prediction {
  id: string;
  at_h: number;
  sg: Points<number[]>;
  end_h: Points<number>;
  fg: Points<number>;
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

/** What the program would have said of a given fermentation at the moment asked; null where it says nothing. */
export async function predict(question: Given): Promise<Prediction | null> {
  const [ledger, whole] = [fold(eventsOf(question)), fold(eventsOf(question, true))];
  const { pours, doses } = announcedOf(question);
  const announced = pours.map(({ hour, ...pour }) => ({ at: momentOfHour(hour), ...pour }));
  const bare = forecastInputOf(ledger, {
    now: momentOfHour(question.at_h),
    horizonDays: REACHES_DAYS + question.at_h / 24,
    members: MEMBERS,
    seed: 7,
    roomTempC: question.known.room_temp.findLast(({ t_h: at }) => at <= question.at_h)?.c ?? 20,
    organicCredit: 1,
    announced,
  });
  const end = expectedEnd(whole);
  if (bare === null || end === null) return null;
  const pulses = [...bare.setting.pulses, ...doses].sort((a, b) => a.hour - b.hour);
  const input = { ...bare, setting: { ...bare.setting, pulses } };
  const found = await forecast(input);
  if (found === null) return null;
  const sgOf = gravityAlong(ledger, input, announced);
  const targets = (question.targets_h ?? []).map((hour) => pointsOf(bandAt(found, hour), (sugar) => sgOf(hour, sugar)));
  const never = 24 * REACHES_DAYS + question.at_h;
  return {
    id: question.id,
    at_h: question.at_h,
    sg: { p10: targets.map(({ p10 }) => p10), p50: targets.map(({ p50 }) => p50), p90: targets.map(({ p90 }) => p90) },
    end_h: pointsOf(found.endH ?? { value: never, low: never, high: never }, (hour) => Math.min(hour, never)),
    fg: pointsOf(end.sg),
  };
}
