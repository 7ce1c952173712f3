import { LEAST_SUGAR_G, tempsSincePitch } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { HOUR_MS, abvPct, hours, massG, mgPerL, say, tempC, volumeL, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { isComing, weighedParts } from './doseNow.ts';
import type { DoseNow } from './doseNow.ts';
import { expectedAt } from '../course/index.ts';
import { LEAST_DOSE_G } from '../nitrogen/index.ts';
import { AMMONIUM_CUTOFF_ABV, THIRD_BREAK } from '../yeast/index.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';
import type { Timetable } from './timetable.ts';

/** Less growth or shrinking than this is a scale's error, not a change of plan. */
const WORTH_SAYING = 0.03;
/** A smaller part of the need than this is within what honey itself may bring. */
const WORTH_COVERING = 0.1;
/** Less than this is a sample, not a loss. */
const WORTH_SAYING_L = 0.05;

const plannedG = ({ parts }: PlannedDose, volumeL: number): number => parts.reduce((sum, { gPerL }) => sum + gPerL * volumeL, 0);
const totalG = (parts: readonly { massG: number }[]): number => parts.reduce((sum, part) => sum + part.massG, 0);
const numbers = (doses: readonly DoseNow[]): string =>
  `${doses.length === 1 ? 'dose' : 'doses'} ${doses.map(({ dose }) => dose.number).join(' and ')}`;

const GONE_BY = {
  split: 'went into vessels of their own',
  racking: 'stayed behind at the racking',
  foam: 'foamed over',
  spill: 'spilled',
  sample: 'went as samples',
  lees: 'went with the lees',
  drunk: 'was drunk',
  dumped: 'was dumped',
} as const;

export interface Circumstances {
  growth: number;
  /** mg N/L that no dose left will bring. */
  uncovered: number;
  volumeNow: number;
  times: Timetable;
}

/** Each way in which the rest differs from the plan made at the pitch, in a maker's words. */
export function changesOf(plan: FeedingPlan, ledger: Ledger, doses: readonly DoseNow[], circumstances: Circumstances): Sentence[] {
  const { pitch } = ledger.history;
  if (pitch === null || plan.doses.length === 0) return [];
  return [
    ...changesOfVolume(ledger, pitch, doses, circumstances),
    ...changesOfTime(ledger, doses, circumstances.times),
    ...changesOfAmount(ledger, pitch, doses, circumstances),
    ...whatIsLeftOut(plan, doses, circumstances),
  ];
}

type Pitch = NonNullable<Ledger['history']['pitch']>;
/** What went into a vessel of its own is not lost; it is fed there. */
const goneSince = ({ history }: Ledger, pitch: Pitch) => history.losses.filter(({ at }) => at >= pitch.at);
const totalL = (losses: Ledger['history']['losses']): number => losses.reduce((sum, loss) => sum + loss.volumeL, 0);
const isSweetened = ({ history }: Ledger): boolean => history.pours.some(({ afterPitch, sugarG }) => afterPitch && sugarG > LEAST_SUGAR_G);

/** Liters that water, or anything else without sugar, brought since the pitch; 0 where it is too little to tell. */
function thinnedL(ledger: Ledger, pitch: Pitch, volumeNow: number): number {
  const expectedL = pitch.volumeL - totalL(goneSince(ledger, pitch));
  return !isSweetened(ledger) && volumeNow > expectedL * (1 + WORTH_SAYING) ? volumeNow - expectedL : 0;
}

/** What went over the rim or in. */
function changesOfVolume(ledger: Ledger, pitch: Pitch, doses: readonly DoseNow[], { volumeNow }: Circumstances): Sentence[] {
  const changes: Sentence[] = [];
  const coming = doses.filter(isComing);
  const [next] = coming;
  const losses = goneSince(ledger, pitch);
  if (totalL(losses) >= WORTH_SAYING_L && next !== undefined) {
    const [why, another] = new Set(losses.map((loss) => loss.why));
    const gone = why !== undefined && another === undefined ? GONE_BY[why] : 'gone since the pitch';
    const left = coming.length > 1 ? `the ${coming.length} doses left are` : 'the dose left is';
    const [now, then] = [plannedG(next.dose, volumeNow), plannedG(next.dose, pitch.volumeL)];
    changes.push(
      say`${volumeL(totalL(losses))} ${gone}: ${left} for the ${volumeL(volumeNow)} there is, dose ${String(next.dose.number)} ${massG(now)} instead of ${massG(then)}.`,
    );
  }
  if (isSweetened(ledger)) changes.push(say`Sugar went in after the pitch: the need has grown with it.`);
  const thinned = thinnedL(ledger, pitch, volumeNow);
  if (thinned > 0 && next !== undefined)
    changes.push(say`${volumeL(thinned)} went in without sugar: it is thinner, not hungrier, and each dose keeps its grams.`);
  return changes;
}

/** What was missed, or given otherwise than planned. */
function changesOfAmount(ledger: Ledger, pitch: Pitch, doses: readonly DoseNow[], { growth, volumeNow }: Circumstances): Sentence[] {
  const next = doses.find(isComing);
  const missed = doses.filter(({ state }) => state === 'missed');
  if (missed.length > 0)
    return [
      [
        `${sentenceCase(numbers(missed))} ${missed.length === 1 ? 'was' : 'were'} missed. Don’t double up: `,
        next === undefined
          ? 'it is too late to make up for it.'
          : 'what that held is spread over the doses left, at most half as much again.',
      ],
    ];
  if (next === undefined || thinnedL(ledger, pitch, volumeNow) > 0 || doses.some(({ state }) => state === 'dropped')) return [];
  const nowG = massG(totalG(next.parts));
  if (growth < 1 - WORTH_SAYING && doses.filter(isComing).every((dose) => weighedParts(dose).length === 0))
    return [say`More is in than planned: nothing more is to be given.`];
  if (growth < 1 - WORTH_SAYING) return [say`More is in than planned: the rest is smaller, dose ${String(next.dose.number)} ${nowG}.`];
  if (growth > 1 + WORTH_SAYING)
    return [say`Less is in than planned, or the need has grown: the rest is larger, dose ${String(next.dose.number)} ${nowG}.`];
  return [];
}

/** What the rules keep out, and what therefore stays uncovered. */
function whatIsLeftOut(plan: FeedingPlan, doses: readonly DoseNow[], { uncovered, times }: Circumstances): Sentence[] {
  const coming = doses.filter(isComing);
  if (coming.length === 0) return [];
  const changes: Sentence[] = [];
  const isLeftOut = coming.some(({ parts }) => parts.some(({ leftOutG }) => leftOutG >= LEAST_DOSE_G));
  if (times.breakAt !== null)
    changes.push(
      say`Organic nutrient still helps a little, ammonium no more: it would stay as salt. Past half of the sugar leave both out, what is left over feeds spoilage.`,
    );
  else if (isLeftOut) changes.push(say`Part of it is left out: ammonium above ${abvPct(AMMONIUM_CUTOFF_ABV)}, or more than a cap allows.`);
  if (uncovered > WORTH_COVERING * plan.needMgPerL && uncovered > plan.missingMgPerL + 1)
    changes.push(say`${mgPerL(uncovered)} stay uncovered: more than this at once would only feed what spoils it.`);
  return changes;
}

/** What the pace of the sugar and the temperature do to the doses. */
function changesOfTime(ledger: Ledger, doses: readonly DoseNow[], { breakAt, course, clockAt }: Timetable): Sentence[] {
  const changes: Sentence[] = [];
  const next = doses.find(isComing);
  if (next === undefined || course === null) return changes;
  if (breakAt !== null) {
    const earlyH = (clockAt(next.dose) - breakAt) / HOUR_MS;
    const dropped = doses.filter(({ state }) => state === 'dropped');
    const rest: Sentence = [
      `dose ${next.dose.number} now${dropped.length === 0 ? '' : `, ${numbers(dropped)} dropped`}, and without ammonium.`,
    ];
    if (earlyH > 0.5) changes.push([...say`A third of the sugar was gone ${hours(earlyH)} before its hour: `, ...rest]);
    else if (dropped.length > 0) changes.push(['A third of the sugar is gone: ', ...rest]);
    return changes;
  }
  const breakBy = expectedAt(course, THIRD_BREAK);
  const overtaken = doses.filter(({ state, dose, dueAt }) => state === 'ahead' && dose.share === null && dueAt > breakBy);
  if (course.isMeasured && overtaken.length > 0)
    changes.push(
      say`At this pace a third of the sugar is gone ${when(breakBy)}, before ${numbers(overtaken)}: read the gravity then, ${overtaken.length === 1 ? 'it comes' : 'the first of them comes'} forward.`,
    );
  const bySugar = doses.find(({ state, dose }) => state === 'ahead' && dose.share !== null);
  const warm = tempsSincePitch(ledger).at(-1);
  if (warm !== undefined && bySugar !== undefined && overtaken.length === 0 && Number.isFinite(breakBy))
    changes.push(
      say`At ${tempC(warm.tempC)}${course.isMeasured ? ' and at its pace so far' : ''}, a third of the sugar is gone about ${when(breakBy)}; what is fed by the sugar moves with it.`,
    );
  const likes = ledger.history.pitch === null ? null : yeastOf(ledger.history.pitch).tempC;
  if (warm !== undefined && likes !== null && warm.tempC < likes.low - 0.5)
    changes.push(
      say`${tempC(warm.tempC)} is colder than this yeast likes, ${tempC(likes.low)} and more: warm it before the next dose, or that lies idle.`,
    );
  return changes;
}

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
