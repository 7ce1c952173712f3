/** The collection of 60 and 24 fermentations in cases/, made by others: what the program says of them, held against the truth. */
import { readFileSync } from 'node:fs';
import { fold } from '@hollow-bell/core/record';
import { stateOf } from '@hollow-bell/core/watch';
import { predict } from './forecastOf.ts';
import type { Points } from './forecastOf.ts';
import { eventsOf, momentOfHour } from './given.ts';
import type { Given } from './given.ts';
import { judge } from './verdictOf.ts';

type Case = Omit<Given, 'at_h'>;
interface ForecastCase extends Case {
  ask: { at_h: number; targets_h: number[] }[];
  truth: {
    fg: number;
    end_h: number;
    stop_h: number | null;
    sg: number[];
    sg_step_h: number;
    asks: { progress: number; remaining_h: number; sg_at: number[] }[];
  };
}
interface StallCase extends Case {
  ask_at_h: number[];
  truth: {
    group: 'stuck' | 'fine';
    stop_h: number | null;
    asks: { at_h: number; stuck_now: boolean; state_ok: string[]; first_ok: string[]; must_not: string[] }[];
  };
}

const read = <T>(name: string): T[] =>
  (JSON.parse(readFileSync(new URL(`cases/${name}.json`, import.meta.url), 'utf8')) as { cases: T[] }).cases;
const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
const median = (values: readonly number[]): number => values.toSorted((a, b) => a - b)[values.length >> 1] ?? Number.NaN;
const share = (values: readonly boolean[]): number => mean(values.map(Number));
const isIn = ({ p10, p90 }: Points<number>, truth: number): boolean => p10 - 5e-6 <= truth && truth <= p90 + 5e-6;
/** Koenker and Bassett’s loss at 10, 50 and 90 %, their mean. */
const pinball = ({ p10, p50, p90 }: Points<number>, truth: number): number =>
  mean([[0.1, p10] as const, [0.5, p50] as const, [0.9, p90] as const].map(([q, at]) => (truth >= at ? q : q - 1) * (truth - at)));

/** What may be seen of a case at a moment: nothing later, except what was planned. */
const seenAt = (whole: Case, hour: number): Given => ({ ...whole, at_h: hour });

interface ForecastScore {
  questions: number;
  gravityInBand: number;
  pinballPoints: number;
  endError: number;
  endBias: number;
  endInBand: number;
  finalErrorPoints: number;
  finalInBand: number;
}

/** All questions of the 60; ends only after half of the sugar. */
async function scoreForecasts(): Promise<ForecastScore> {
  const gravities: { isIn: boolean; loss: number }[] = [];
  const ends: { off: number; isIn: boolean }[] = [];
  const finals: { off: number; isIn: boolean }[] = [];
  let questions = 0;
  for (const each of read<ForecastCase>('forecast'))
    for (const [i, { at_h: hour, targets_h: targets }] of each.ask.entries()) {
      const truth = each.truth.asks[i];
      const told = await predict({ ...seenAt(each, hour), targets_h: targets });
      if (told === null || truth === undefined) throw new Error(`${each.id} at ${hour} h is not answered`);
      questions++;
      truth.sg_at.forEach((sg, k) => {
        const band = { p10: told.sg.p10[k] ?? 0, p50: told.sg.p50[k] ?? 0, p90: told.sg.p90[k] ?? 0 };
        gravities.push({ isIn: isIn(band, sg), loss: 1000 * pinball(band, sg) });
      });
      finals.push({ off: 1000 * Math.abs(told.fg.p50 - each.truth.fg), isIn: isIn(told.fg, each.truth.fg) });
      if (truth.progress >= 0.5)
        ends.push({ off: (told.end_h.p50 - each.truth.end_h) / truth.remaining_h, isIn: isIn(told.end_h, each.truth.end_h) });
    }
  return {
    questions,
    gravityInBand: share(gravities.map((each) => each.isIn)),
    pinballPoints: mean(gravities.map(({ loss }) => loss)),
    endError: median(ends.map(({ off }) => Math.abs(off))),
    endBias: median(ends.map(({ off }) => off)),
    endInBand: share(ends.map((each) => each.isIn)),
    finalErrorPoints: median(finals.map(({ off }) => off)),
    finalInBand: share(finals.map((each) => each.isIn)),
  };
}

/** Falling: more than this in a day, SG. To fall: more than this until its end. */
const FALLS_SG_PER_DAY = 0.0005;
const TO_FALL_SG = 0.0015;

/** The meads of the 60 that are called stuck at some reading while they fall, and finished with something to fall. */
function scoreEachReading(): { stuckWhileFalling: string[]; finishedEarly: string[] } {
  const [stuck, early] = [new Set<string>(), new Set<string>()];
  for (const known of read<ForecastCase>('forecast')) {
    const { sg, sg_step_h: step, stop_h: stopH, fg } = known.truth;
    const sgAt = (hour: number): number => {
      const k = Math.max(0, Math.min(sg.length - 1, hour / step));
      const [before = 1, after = before] = sg.slice(Math.floor(k), Math.floor(k) + 2);
      return before + (after - before) * (k - Math.floor(k));
    };
    for (const { t_h: hour } of known.readings.filter((each) => each.t_h > 0)) {
      const { phase } = stateOf(fold(eventsOf(seenAt(known, hour))), momentOfHour(hour));
      if (phase === 'stuck' && sgAt(hour - 24) - sgAt(hour) > FALLS_SG_PER_DAY && (stopH ?? Infinity) > hour) stuck.add(known.id);
      if (phase === 'finished' && sgAt(hour) - fg > TO_FALL_SG) early.add(known.id);
    }
  }
  return { stuckWhileFalling: [...stuck], finishedEarly: [...early] };
}

/** A stall is to be found within so long of its stop, h. */
const WITHIN_H = 96;

interface StallScore {
  stuck: number;
  found: number;
  causeFirst: number;
  /** Once called stuck, and at a later moment not, while it still was. */
  takenBack: number;
  fine: number;
  calledWrongly: number;
  forbidden: number;
}

/** The 24 meads: twelve stuck, twelve that only look so. */
function scoreStalls(): StallScore {
  const score: StallScore = { stuck: 0, found: 0, causeFirst: 0, takenBack: 0, fine: 0, calledWrongly: 0, forbidden: 0 };
  for (const each of read<StallCase>('stalls')) {
    const told = each.truth.asks.map((truth) => ({ truth, judged: judge(seenAt(each, truth.at_h)) }));
    score.forbidden += told.filter(({ truth, judged }) => judged.advice.some((advice) => truth.must_not.includes(advice))).length;
    const called = told.filter(({ judged }) => judged.state === 'stuck');
    if (each.truth.group === 'fine') {
      score.fine++;
      if (called.length > 0) score.calledWrongly++;
      continue;
    }
    score.stuck++;
    const rightly = called.filter(({ truth }) => truth.stuck_now);
    const [first] = rightly;
    if (first === undefined) continue;
    if (first.truth.at_h <= (each.truth.stop_h ?? 0) + WITHIN_H) score.found++;
    if (first.truth.first_ok.includes(first.judged.causes[0] ?? '')) score.causeFirst++;
    if (told.some(({ truth, judged }) => truth.stuck_now && truth.at_h > first.truth.at_h && judged.state !== 'stuck')) score.takenBack++;
  }
  return score;
}

const percent = (value: number): string => `${(100 * value).toFixed(0)} %`;

/** Both tables in Markdown, for docs/forecast.md and docs/stalls.md. */
export async function givenTables(): Promise<string> {
  const [forecasts, stalls, told] = [await scoreForecasts(), scoreStalls(), scoreEachReading()];
  return [
    `| given collection, ${forecasts.questions} questions | |`,
    '| --- | --- |',
    `| gravity within the 80 % band | ${percent(forecasts.gravityInBand)} |`,
    `| gravity, pinball loss | ${forecasts.pinballPoints.toFixed(2)} points |`,
    `| predicted end after half of the sugar: error, as a share of the time that remains (and its bias) | ${percent(forecasts.endError)} (${percent(forecasts.endBias)}) |`,
    `| end within its own 80 % band | ${percent(forecasts.endInBand)} |`,
    `| final gravity: error, within its 80 % band | ${forecasts.finalErrorPoints.toFixed(1)} points, ${percent(forecasts.finalInBand)} |`,
    `| called stuck at some reading while it falls | ${told.stuckWhileFalling.length} of 60 |`,
    `| called finished with more than 1.5 points to fall | ${told.finishedEarly.length} of 60 |`,
    `| stuck, found within four days | ${stalls.found} of ${stalls.stuck} |`,
    `| the cause first | ${stalls.causeFirst} of ${stalls.stuck} |`,
    `| stuck taken back at some moment while it stands | ${stalls.takenBack} of ${stalls.stuck} |`,
    `| only looking so, called stuck | ${stalls.calledWrongly} of ${stalls.fine} |`,
    `| advice that must not be given | ${stalls.forbidden} |`,
  ].join('\n');
}
