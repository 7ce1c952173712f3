import { courseFrom, forecastInputOf, whenGone } from '../course/index.ts';
import type { AnnouncedPour, Course, ForecastInput, Pulse } from '../course/index.ts';
import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import { sgAtShare } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import type { LaterPour } from '../must/index.ts';
import { doseMgPerL } from './schedule.ts';
import type { FeedingPlan } from './schedule.ts';
import { isPastFeeding } from './pastFeeding.ts';

/** A course is reckoned so far beyond what is on record, by so many members; the seed makes it the same wherever it is asked for. */
const REACHES_DAYS = 60;
const MEMBERS = 32;
const SEED = 1;
const USUAL_ROOM_C = 20;

/** The doses that a plan still has in store, by the clock at the latest, by the hour and the liter. */
function dosesAhead({ doses, practice }: FeedingPlan, ledger: Ledger): Pulse[] {
  const { pitch, doses: given, lastEventAt } = ledger.history;
  const now = Math.max(pitch?.at ?? 0, lastEventAt ?? 0);
  if (pitch === null || isPastFeeding(ledger, pitch.at, now)) return [];
  const nowH = (now - pitch.at) / HOUR_MS;
  return doses
    .filter(({ number, clockH }) => clockH > nowH && !given.some(({ dose }) => dose === number))
    .map((dose) => ({ hour: dose.clockH, scale: 1, sugarGPerL: 0, nitrogenMgPerL: doseMgPerL(dose, practice) }));
}

/** What is announced and not yet poured; what waits for a gravity comes when a course without it gets there. */
function announcedIn(pours: readonly LaterPour[], ledger: Ledger, bare: () => Course | null): AnnouncedPour[] {
  const { pitch, pours: poured, lastEventAt } = ledger.history;
  if (pitch === null) return [];
  const now = lastEventAt ?? pitch.at;
  /** What is poured in parts is announced less by each. */
  const leftG = ({ name, massG }: LaterPour): number =>
    massG - poured.filter((pour) => pour.afterPitch && pour.name === name).reduce((sum, pour) => sum + pour.massG, 0);
  return pours
    .map((pour) => ({ ...pour, leftG: leftG(pour) }))
    .filter((pour) => pour.leftG > SCRAPED_OUT * pour.massG && (pour.composition.sugar > 0 || pitch.at + pour.days * DAY_MS > now))
    .flatMap(({ leftG: massG, composition, days, atSg }) => {
      const course = atSg === null ? null : bare();
      const share = atSg === null ? 0 : shareAtSg(ledger, atSg);
      const at = course === null ? pitch.at + days * DAY_MS : whenGone(course, share).value;
      return Number.isFinite(at) ? [{ at, massG, composition }] : [];
    });
}
/** Less than this part of what was planned stays in its jar (our estimate). */
const SCRAPED_OUT = 0.05;

/** The share of the sugar that is gone at a gravity; it falls with the sugar nearly in a line. */
function shareAtSg(ledger: Ledger, sg: number): number {
  const [full, dry] = [sgAtShare(ledger, 0), sgAtShare(ledger, 1)];
  return full > dry ? Math.max(0, Math.min(1, (full - sg) / (full - dry))) : 1;
}

const known = new WeakMap<Ledger, Map<string, Course>>();

/** A course of one and the same ledger is reckoned once: no one changes a ledger once it is folded. */
function remembered(ledger: Ledger, input: ForecastInput, announced: readonly AnnouncedPour[]): Course {
  const courses = known.get(ledger) ?? new Map<string, Course>();
  known.set(ledger, courses);
  const key = JSON.stringify(input.setting);
  const course = courses.get(key) ?? courseFrom(input, ledger, announced);
  courses.set(key, course);
  return course;
}

/** What a batch’s course is reckoned from, without what its plan still has in store; null before the pitch. */
function inputOf({ practice }: FeedingPlan, ledger: Ledger, announced: readonly AnnouncedPour[]): ForecastInput | null {
  const { pitch, lastEventAt } = ledger.history;
  const now = lastEventAt ?? 0;
  return forecastInputOf(ledger, {
    now,
    horizonDays: REACHES_DAYS + Math.max(0, now - (pitch?.at ?? now)) / DAY_MS,
    members: MEMBERS,
    seed: SEED,
    roomTempC: practice.expects?.roomTempC ?? USUAL_ROOM_C,
    organicCredit: practice.organicCredit,
    announced,
  });
}

const withDoses = (input: ForecastInput, doses: readonly Pulse[]): ForecastInput => ({
  ...input,
  setting: { ...input.setting, pulses: [...input.setting.pulses, ...doses].sort((a, b) => a.hour - b.hour) },
});

/**
 * The course of a batch as it is planned: fed as its plan has it, with what is announced poured in. Null before the pitch.
 * It hangs on the record and the plan alone, not on the clock.
 */
export function courseOf(plan: FeedingPlan, ledger: Ledger): Course | null {
  const doses = dosesAhead(plan, ledger);
  const reckon = (announced: readonly AnnouncedPour[]): Course | null => {
    const input = inputOf(plan, ledger, announced);
    return input === null ? null : remembered(ledger, withDoses(input, doses), announced);
  };
  const pours = plan.practice.expects?.pours ?? [];
  return reckon(pours.length === 0 ? [] : announcedIn(pours, ledger, () => reckon([])));
}
