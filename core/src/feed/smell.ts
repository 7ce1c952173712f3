import { mixedOf, tempsSincePitch } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { HOUR_MS, degrees, hours, mgPerL, percent, say, tempC } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { WARM_C_A_DAY, yeastOf } from '../yeast/index.ts';
import { isComing } from './doseNow.ts';
import { feedingNow } from './progress.ts';
import { shareSeenAt } from './timetable.ts';
import type { FeedingPlan } from './schedule.ts';
import { THIRD_BREAK } from '../yeast/index.ts';

/** Less of the need than this by now is worth acting on (our estimate). */
const SHORT_SHARE = 0.15;
/** How long a stirring keeps its oxygen in mind (our estimate). */
const AIRED_H = 36;

/** What may make it smell of sulfur, with what speaks for or against it. */
export interface SmellCause {
  id: 'nitrogen' | 'temperature' | 'oxygen';
  /** `blamed` speaks for it, `cleared` against it, `unknown` wants a look. */
  verdict: 'blamed' | 'cleared' | 'unknown';
  evidence: Sentence;
  /** What to do or to find out; empty where it is cleared. */
  next: Sentence;
}

/** What of the nitrogen that should be in by now is not. */
function nitrogenCause(plan: FeedingPlan, ledger: Ledger, volumeL: number, now: number): SmellCause {
  const { doses, wantedMg } = feedingNow(plan, ledger, now);
  const [due, isLate] = [doses.find(({ state }) => state === 'due'), doses.some(({ state }) => state === 'too late')];
  const coming = doses.filter(isComing);
  const missedByNow = isLate || due !== undefined || (coming.length === 0 && doses.length > 0) || plan.doses.length === 0;
  const short = wantedMg / volumeL;
  if (!missedByNow || short <= SHORT_SHARE * plan.needMgPerL)
    return {
      id: 'nitrogen',
      verdict: 'cleared',
      evidence: missedByNow ? say`Nitrogen is covered, all but ${mgPerL(short)}.` : say`It is fed as planned up to now.`,
      next: [],
    };
  return {
    id: 'nitrogen',
    verdict: 'blamed',
    evidence: say`${mgPerL(short)} of nitrogen are lacking, ${percent((100 * wantedMg) / volumeL / plan.needMgPerL)} of its need: hungry yeast takes the sulfur out of its own protein.`,
    next:
      due !== undefined
        ? say`Degas, then give dose ${String(due.dose.number)} now.`
        : isLate
          ? say`Half the sugar is gone: feeding helps no more. Rouse it, let the gas carry the smell off, and rack off the lees when it is done.`
          : say`Give organic nutrient, half of what is lacking, and smell again after a day.`,
  };
}

function temperatureCause(ledger: Ledger): SmellCause {
  const likes = ledger.history.pitch === null ? null : yeastOf(ledger.history.pitch).tempC;
  const read = tempsSincePitch(ledger).at(-1);
  if (likes === null || read === undefined)
    return {
      id: 'temperature',
      verdict: 'unknown',
      evidence: say`No temperature is on record.`,
      next: say`Measure it in the must, not the room.`,
    };
  if (read.tempC >= likes.low - 0.5 && read.tempC <= likes.high + 0.5)
    return {
      id: 'temperature',
      verdict: 'cleared',
      evidence: say`${tempC(read.tempC)} lies within what this yeast likes, ${tempC(likes.low)} to ${tempC(likes.high)}.`,
      next: [],
    };
  const isHot = read.tempC > likes.high;
  return {
    id: 'temperature',
    verdict: 'blamed',
    evidence: say`${tempC(read.tempC)} is ${isHot ? 'warmer' : 'colder'} than this yeast likes, ${tempC(likes.low)} to ${tempC(likes.high)}.`,
    next: isHot
      ? say`Bring it down by ${degrees(WARM_C_A_DAY)} a day; a wet towel does it.`
      : say`Warm it slowly, by no more than ${degrees(WARM_C_A_DAY)} a day.`,
  };
}

function oxygenCause(ledger: Ledger, now: number): SmellCause {
  const aired = Math.max(ledger.history.marks.stirred ?? 0, ledger.history.marks.degassed ?? 0);
  const breakAt = shareSeenAt(ledger, THIRD_BREAK);
  const pitchedAt = ledger.history.pitch?.at ?? 0;
  if (breakAt !== null)
    return {
      id: 'oxygen',
      verdict: 'cleared',
      evidence: say`A third of the sugar is gone: air would only harm now.`,
      next: [],
    };
  if (aired > pitchedAt && now - aired < AIRED_H * HOUR_MS)
    return { id: 'oxygen', verdict: 'cleared', evidence: say`It was stirred ${hours((now - aired) / HOUR_MS)} ago.`, next: [] };
  return {
    id: 'oxygen',
    verdict: 'blamed',
    evidence:
      aired > pitchedAt
        ? say`It was last stirred ${hours((now - aired) / HOUR_MS)} ago, and is before its third break.`
        : say`No stirring or degassing since the pitch is on record, and it is before its third break.`,
    next: say`Degas slowly, then whip some air in; again tomorrow, until the third break.`,
  };
}

const ORDER: Record<SmellCause['verdict'], number> = { blamed: 0, unknown: 1, cleared: 2 };

/** Whether a smell of sulfur was written down since the pitch and within the last days. */
export function smellsOfSulfur(ledger: Ledger, now: number): boolean {
  const at = ledger.history.marks.sulfur;
  return at !== undefined && ledger.history.pitch !== null && at >= ledger.history.pitch.at && now - at < SMELL_LASTS_H * HOUR_MS;
}
/** After five days without another word, the smell is taken for gone (our estimate). */
const SMELL_LASTS_H = 120;

/** Why it may smell of sulfur: nitrogen, temperature, oxygen, those to blame first. Empty before the pitch. */
export function smellCauses(plan: FeedingPlan, ledger: Ledger, now: number): SmellCause[] {
  const mixed = mixedOf(ledger);
  if (ledger.history.pitch === null || mixed === null) return [];
  return [nitrogenCause(plan, ledger, mixed.volumeL, now), temperatureCause(ledger), oxygenCause(ledger, now)].sort(
    (a, b) => ORDER[a.verdict] - ORDER[b.verdict],
  );
}
