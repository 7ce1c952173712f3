import { abvWhenDry, mixedOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { HONEY_NITROGEN } from '../nitrogen/index.ts';
import { expectedAt, expectedShare } from '../course/index.ts';
import type { Course } from '../course/index.ts';
import { courseOf } from './ahead.ts';
import { nitrogenMgPerG, productName } from '../nitrogen/index.ts';
import { isWasted } from './doseNow.ts';
import type { DoseState } from './doseNow.ts';
import type { FeedingNow } from './progress.ts';
import type { FeedingPlan } from './schedule.ts';
import { AMMONIUM_CUTOFF_ABV, THIRD_BREAK } from '../yeast/index.ts';
import { TOO_LATE_SHARE } from '../yeast/index.ts';
import { HOUR_MS } from '../quantities/index.ts';

/** One rise of the nitrogen drawing. */
export interface Stair {
  kind: 'amino' | 'ammonium';
  label: string;
  state: DoseState;
  hour: number;
  share: number;
  /** By this school's count, for the liquid that is there now. */
  mgPerL: number;
  grams: number;
}

export interface Mark {
  /** Infinity where it is never reached. */
  hour: number;
  share: number;
}

/** Nitrogen over the first week or two, as it was given, is still to come, and came too late. */
export interface Staircase {
  needMgPerL: number;
  honeyMgPerL: number;
  fruitMgPerL: number;
  stairs: Stair[];
  /** What no longer comes, beside the stairs. */
  wasted: Stair[];
  now: Mark;
  thirdBreak: Mark;
  half: Mark;
  /** Where ammonium is hardly taken up any more; null where the must cannot become so strong. */
  ammoniumCutoff: Mark | null;
  /** The last hour worth drawing. */
  lastHour: number;
  volumeL: number;
}

/** The share of sugar gone at a moment: between readings straight, after the last one by the course. */
function shareAt(ledger: Ledger, course: Course, pitchedAt: number, at: number): number {
  const points = [
    { at: pitchedAt, shareGone: 0 },
    ...ledger.history.readings.filter((reading) => reading.verdict === 'follows' && reading.at > pitchedAt),
  ];
  const after = points.findIndex((point) => point.at > at);
  const [left, right] = [points[after - 1], points[after]];
  if (left === undefined || right === undefined) return expectedShare(course, at);
  return left.shareGone + ((right.shareGone - left.shareGone) * (at - left.at)) / (right.at - left.at);
}

/** What brings the nitrogen, step by step over time and over the falling sugar. Null before the pitch and for an empty vessel. */
export function nitrogenStaircase(plan: FeedingPlan, { doses }: FeedingNow, ledger: Ledger, now: number): Staircase | null {
  const [mixed, course, pitch] = [mixedOf(ledger), courseOf(plan, ledger), ledger.history.pitch];
  if (mixed === null || course === null || pitch === null || mixed.volumeL <= 0) return null;
  const markAt = (at: number): Mark => ({
    hour: (at - pitch.at) / HOUR_MS,
    share: Math.max(0, shareAt(ledger, course, pitch.at, at)),
  });
  const markOf = (share: number): Mark => {
    const seen = ledger.history.readings.find((reading) => reading.verdict === 'follows' && reading.shareGone >= share)?.at;
    return { hour: ((seen ?? expectedAt(course, share)) - pitch.at) / HOUR_MS, share };
  };
  const givenMg = (field: 'ammoniumNMg' | 'aminoNMg'): number => ledger.history.doses.reduce((sum, dose) => sum + dose[field], 0);
  const kept = {
    ammonium: givenMg('ammoniumNMg') > 0 ? ledger.liquid.ammoniumNMg / givenMg('ammoniumNMg') : 1,
    amino: givenMg('aminoNMg') > 0 ? ledger.liquid.aminoNMg / givenMg('aminoNMg') : 1,
  };
  const all = doses
    .flatMap(({ dose, state, parts, expectedAt: at }): Stair[] =>
      parts.flatMap(({ product, massG }) =>
        (['amino', 'ammonium'] as const).map((kind) => {
          const counted = nitrogenMgPerG(product)[kind] * (kind === 'amino' ? plan.practice.organicCredit : 1);
          const there = state === 'given' ? kept[kind] : 1;
          const label = `dose ${dose.number}, ${productName(product)}`;
          return { kind, label, state, ...markAt(at), mgPerL: (massG * there * counted) / mixed.volumeL, grams: massG };
        }),
      ),
    )
    .filter(({ mgPerL }) => mgPerL > 0);
  const abvDry = abvWhenDry(ledger);
  const cutoffShare = abvDry > AMMONIUM_CUTOFF_ABV ? AMMONIUM_CUTOFF_ABV / abvDry : null;
  const half = markOf(TOO_LATE_SHARE);
  const here = markAt(Math.max(now, pitch.at));
  return {
    needMgPerL: (plan.demandMgPerG * ledger.liquid.sugarBasisG) / mixed.volumeL,
    honeyMgPerL: HONEY_NITROGEN.value,
    fruitMgPerL: (ledger.liquid.broughtAmmoniumNMg + ledger.liquid.broughtAminoNMg) / mixed.volumeL,
    stairs: all.filter((stair) => !isWasted(stair)).sort((a, b) => a.hour - b.hour),
    wasted: all.filter(isWasted),
    now: here,
    thirdBreak: markOf(THIRD_BREAK),
    half,
    ammoniumCutoff: cutoffShare === null ? null : markOf(cutoffShare),
    lastHour: Math.max(here.hour, ...[half, ...all].map(({ hour }) => hour).filter(Number.isFinite)) + 12,
    volumeL: mixed.volumeL,
  };
}
