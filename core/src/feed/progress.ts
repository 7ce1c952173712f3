import { mixedOf, shareGone } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import { hours, massG, mgPerL, say, tempC, volumeL, when } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import { HONEY_NITROGEN } from './need.ts';
import { expectedAt, paceOf } from './pace.ts';
import { LEAST_DOSE_G, countedMgPerG, nitrogenMgPerG, productName } from './products.ts';
import type { Product } from './products.ts';
import { ammoniumCapMgPerL, doseMgPerL } from './schedule.ts';
import type { FeedingPlan, PlannedDose } from './schedule.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from './schools.ts';

/** Above this, ammonium is hardly taken up and stays as salt and food for spoilage, % vol. */
export const AMMONIUM_CUTOFF_ABV = 9;
/** Once this much of the sugar is gone, nothing that is fed is of use. */
export const TOO_LATE_SHARE = 0.5;
/** What doses left may grow by to make up for those missed: more at once only feeds what spoils (our estimate). */
const MOST_GROWTH = 1.5;
/** Less growth or shrinking than this is a scale's error, not a change of plan. */
const WORTH_SAYING = 0.03;
/** A smaller part of the need than this is within what honey itself may bring. */
const WORTH_COVERING = 0.1;
/** Less than this is a sample, not a loss. */
const WORTH_SAYING_L = 0.05;
/** Doses by the sugar are not looked for sooner after one another (our estimate). */
const BETWEEN_DOSES_H = 12;
const HOUR_MS = 3_600_000;

/** `dropped`: the sugar went faster than the clock; `missed`: a later one is due already. */
export type DoseState = 'given' | 'due' | 'ahead' | 'dropped' | 'missed' | 'too late';

export interface PartNow {
  product: Product;
  massG: number;
  /** Left out because of the alcohol or a cap, g. */
  leftOutG: number;
}

export interface DoseNow {
  dose: PlannedDose;
  state: DoseState;
  /** When it was given, or comes at the latest. */
  dueAt: number;
  /** By the pace of the sugar, where that is sooner than the clock; never before now. */
  expectedAt: number;
  /** For the volume now in the vessel; what was really given where it is given. */
  parts: PartNow[];
}

export interface FeedingNow {
  doses: DoseNow[];
  /** Why the rest differs from what was planned at the pitch. */
  changes: Sentence[];
  /** mg N that the liquid there is still lacks by the school's count. */
  wantedMg: number;
}

export const isComing = ({ state }: Pick<DoseNow, 'state'>): boolean => state === 'due' || state === 'ahead';
/** Its hour or its sugar came, and it did not. */
export const isWasted = ({ state }: Pick<DoseNow, 'state'>): boolean => state === 'dropped' || state === 'missed' || state === 'too late';

/** When this share of the sugar was first seen gone, or null. */
export function shareSeenAt(ledger: Ledger, share: number): number | null {
  return ledger.readings.find((reading) => reading.verdict === 'follows' && reading.shareGone >= share)?.at ?? null;
}

/** mg N that this liquid lacks by the school's count: its need, less what the must brought and what was given. */
function wantedMgOf({ demandMgPerG, practice }: FeedingPlan, ledger: Ledger, volumeL: number): number {
  const credit = HONEY_NITROGEN.value * volumeL + ledger.broughtAmmoniumNMg + ledger.broughtAminoNMg;
  const given = ledger.ammoniumNMg + ledger.aminoNMg * practice.organicCredit;
  return Math.max(0, demandMgPerG * ledger.sugarBasisG - credit - given);
}

/** Which doses are due, ahead, missed or dropped, by the clock and by the sugar. */
function timetable(plan: FeedingPlan, ledger: Ledger, pitchedAt: number, now: number) {
  const breakAt = shareSeenAt(ledger, THIRD_BREAK);
  const pace = paceOf(ledger);
  const isTooLate = shareGone(ledger) >= TOO_LATE_SHARE;
  const clockAt = (dose: PlannedDose): number => pitchedAt + dose.clockH * HOUR_MS;
  const earliestAt = pitchedAt + FIRST_AMMONIUM_H * HOUR_MS;
  const dueAt = (dose: PlannedDose): number => {
    const seen = dose.share === null ? breakAt : shareSeenAt(ledger, dose.share);
    return seen === null ? clockAt(dose) : Math.min(clockAt(dose), Math.max(seen, earliestAt));
  };
  const isGiven = (dose: PlannedDose): boolean => ledger.doses.some((event) => event.dose === dose.number);
  const open = plan.doses.filter((dose) => !isGiven(dose));
  const due = open.filter((dose) => dueAt(dose) <= now);
  /** Only the latest of several overdue ones is given; past the break one more of any kind, and no other after it. */
  const overdue = due.findLast((dose) => breakAt === null || clockAt(dose) <= now);
  const isLastGiven = breakAt !== null && ledger.doses.some(({ at }) => at >= breakAt);
  const giveNow = isLastGiven ? undefined : (overdue ?? due[0]);
  const stateOf = (dose: PlannedDose): DoseState => {
    if (isGiven(dose)) return 'given';
    if (isTooLate) return 'too late';
    if (dose === giveNow) return 'due';
    if (breakAt !== null) return clockAt(dose) < breakAt && dose.number < (giveNow?.number ?? Infinity) ? 'missed' : 'dropped';
    return due.includes(dose) ? 'missed' : 'ahead';
  };
  const soonestAt = (dose: PlannedDose): number => {
    if (dose.share === null || pace === null) return dueAt(dose);
    const before = open.findLast((other) => other.number < dose.number);
    const rested = before === undefined ? 0 : soonestAt(before) + BETWEEN_DOSES_H * HOUR_MS;
    return Math.min(dueAt(dose), Math.max(now, rested, expectedAt(pace, dose.share)));
  };
  return { breakAt, pace, clockAt, dueAt, soonestAt, stateOf };
}

/** How much of each product and of ammonium may still go in; what is taken is gone for the next. */
function rooms(plan: FeedingPlan, ledger: Ledger, volumeL: number) {
  let ammoniumMg = ammoniumCapMgPerL(plan.practice.dapCapGPerL) * volumeL - ledger.ammoniumNMg;
  const grams = new Map<Product, number>();
  const roomG = (product: Product): number => {
    const given = ledger.doses.filter(({ source, name }) => source === product.source && name === productName(product));
    return grams.get(product) ?? (product.capGPerL ?? Infinity) * volumeL - given.reduce((sum, dose) => sum + dose.massG, 0);
  };
  return (product: Product, wantedG: number, isAmmoniumRefused: boolean): number => {
    const { ammonium } = nitrogenMgPerG(product);
    const room = ammonium === 0 ? roomG(product) : isAmmoniumRefused ? 0 : Math.min(roomG(product), ammoniumMg / ammonium);
    const taken = Math.max(0, Math.min(wantedG, room));
    ammoniumMg -= taken * ammonium;
    grams.set(product, roomG(product) - taken);
    return taken;
  };
}

const givenParts = (ledger: Ledger, dose: PlannedDose): PartNow[] =>
  ledger.doses
    .filter((event) => event.dose === dose.number)
    .map(({ source, name, massG: grams, ammoniumNMg, aminoNMg }) => {
      const perG = (mg: number): number => (grams > 0 ? mg / grams / 1000 : 0);
      return { product: { source, own: { name, ammoniumN: perG(ammoniumNMg), aminoN: perG(aminoNMg) } }, massG: grams, leftOutG: 0 };
    });

/**
 * Where the feeding stands. Need and supply are counted in mg for the liquid that is there, so a loss takes its part of both and
 * the doses left shrink with it; honey or fruit that goes in later raises the need. Doses come forward when the sugar goes
 * faster than the clock, one at a time; what comes later than that is dropped. Doses given are never rewritten.
 */
export function feedingNow(plan: FeedingPlan, ledger: Ledger, now: number): FeedingNow {
  const { pitch } = ledger;
  const mixed = mixedOf(ledger);
  if (pitch === null || mixed === null) return { doses: [], changes: [], wantedMg: 0 };
  const { practice } = plan;
  const times = timetable(plan, ledger, pitch.at, now);
  const wantedMg = wantedMgOf(plan, ledger, mixed.volumeL);
  const states = new Map(plan.doses.map((dose) => [dose, times.stateOf(dose)]));
  const coming = plan.doses.filter((dose) => ['due', 'ahead'].includes(states.get(dose) ?? ''));
  const isPastBreak = times.breakAt !== null;
  const isAmmoniumRefused = mixed.abv >= AMMONIUM_CUTOFF_ABV || isPastBreak;
  const plannedMg = coming.reduce((sum, dose) => sum + doseMgPerL(dose, practice) * mixed.volumeL, 0);
  const growth = plannedMg > 0 ? Math.min(MOST_GROWTH, wantedMg / plannedMg) : 0;
  const takeRoom = rooms(plan, ledger, mixed.volumeL);

  const doses = plan.doses.map((dose): DoseNow => {
    const state = states.get(dose) ?? 'ahead';
    if (state === 'given') {
      const at = ledger.doses.find((event) => event.dose === dose.number)?.at ?? times.dueAt(dose);
      return { dose, state, dueAt: at, expectedAt: at, parts: givenParts(ledger, dose) };
    }
    const parts = dose.parts.map(({ product, gPerL }): PartNow => {
      const plannedG = gPerL * mixed.volumeL;
      if (!isComing({ state })) return { product, massG: plannedG, leftOutG: 0 };
      const grams = takeRoom(product, plannedG * growth, isAmmoniumRefused);
      return { product, massG: grams, leftOutG: plannedG * growth - grams };
    });
    return { dose, state, dueAt: times.dueAt(dose), expectedAt: times.soonestAt(dose), parts };
  });
  const comingMg = doses.filter(isComing).reduce((sum, dose) => sum + doseNowMg(dose, practice.organicCredit), 0);
  const uncovered = (wantedMg - comingMg) / mixed.volumeL;
  return { doses, changes: changesOf(plan, ledger, doses, { growth, uncovered, volumeNow: mixed.volumeL, times }), wantedMg };
}

/** What a dose, as it stands, brings by the school's count, mg N. */
export const doseNowMg = ({ parts }: Pick<DoseNow, 'parts'>, organicCredit: number): number =>
  parts.reduce((sum, { product, massG: grams }) => sum + grams * countedMgPerG(product, organicCredit), 0);

const plannedG = ({ parts }: PlannedDose, volumeL: number): number => parts.reduce((sum, { gPerL }) => sum + gPerL * volumeL, 0);
const totalG = (parts: readonly { massG: number }[]): number => parts.reduce((sum, part) => sum + part.massG, 0);
const numbers = (doses: readonly DoseNow[]): string =>
  `${doses.length === 1 ? 'dose' : 'doses'} ${doses.map(({ dose }) => dose.number).join(' and ')}`;

const GONE_BY = { foam: 'foamed over', spill: 'spilled', sample: 'went as samples', lees: 'went with the lees' } as const;

interface Circumstances {
  growth: number;
  /** mg N/L that no dose left will bring. */
  uncovered: number;
  volumeNow: number;
  times: ReturnType<typeof timetable>;
}

/** Each way in which the rest differs from the plan made at the pitch, in a maker's words. */
function changesOf(
  plan: FeedingPlan,
  ledger: Ledger,
  doses: readonly DoseNow[],
  { growth, uncovered, volumeNow, times }: Circumstances,
): Sentence[] {
  const { pitch } = ledger;
  const coming = doses.filter(isComing);
  const next = coming[0];
  if (pitch === null || plan.doses.length === 0) return [];
  const changes: Sentence[] = [];
  const losses = ledger.losses.filter(({ at }) => at >= pitch.at);
  const lostL = losses.reduce((sum, loss) => sum + loss.volumeL, 0);
  if (lostL >= WORTH_SAYING_L && next !== undefined) {
    const [whys, more] = [new Set(losses.map(({ why }) => why)), coming.length > 1];
    const [why] = whys;
    const gone = whys.size === 1 && why !== undefined && why in GONE_BY ? GONE_BY[why as keyof typeof GONE_BY] : 'gone since the pitch';
    changes.push(
      say`${volumeL(lostL)} ${gone}: ${more ? `the ${coming.length} doses left are` : 'the dose left is'} for the ${volumeL(volumeNow)} there is, dose ${String(next.dose.number)} ${massG(plannedG(next.dose, volumeNow))} instead of ${massG(plannedG(next.dose, pitch.volumeL))}.`,
    );
  }
  const added = ledger.additions.filter(({ afterPitch, sugarG }) => afterPitch && sugarG > 1);
  const isSweetened = ledger.honeys.some(({ afterPitch }) => afterPitch) || added.length > 0;
  if (isSweetened) changes.push(say`Sugar went in after the pitch: the need has grown with it.`);
  changes.push(...changesOfTime(ledger, pitch.at, doses, times));
  const missed = doses.filter(({ state }) => state === 'missed');
  if (missed.length > 0)
    changes.push([
      `${sentenceCase(numbers(missed))} ${missed.length === 1 ? 'was' : 'were'} missed. Don’t double up: `,
      next === undefined
        ? 'it is too late to make up for it.'
        : 'what that held is spread over the doses left, at most half as much again.',
    ]);
  const expectedL = pitch.volumeL - lostL;
  const isThinned = !isSweetened && next !== undefined && volumeNow > expectedL * (1 + WORTH_SAYING);
  if (isThinned)
    changes.push(say`${volumeL(volumeNow - expectedL)} went in without sugar: it is thinner, not hungrier, and each dose keeps its grams.`);
  if (next !== undefined && !isThinned && missed.length === 0 && !doses.some(({ state }) => state === 'dropped')) {
    const nowG = massG(totalG(next.parts));
    if (growth < 1 - WORTH_SAYING)
      changes.push(say`More is in than planned: the rest is smaller, dose ${String(next.dose.number)} ${nowG}.`);
    if (growth > 1 + WORTH_SAYING)
      changes.push(say`Less is in than planned, or the need has grown: the rest is larger, dose ${String(next.dose.number)} ${nowG}.`);
  }
  const isLeftOut = coming.some(({ parts }) => parts.some(({ leftOutG }) => leftOutG >= LEAST_DOSE_G));
  if (times.breakAt === null && isLeftOut)
    changes.push(say`Part of it is left out: ammonium above ${String(AMMONIUM_CUTOFF_ABV)} % vol, or more than a cap allows.`);
  if (times.breakAt !== null && next !== undefined)
    changes.push(
      say`Organic nutrient still helps a little, ammonium no more: it would stay as salt. Past half of the sugar leave both out, what is left over feeds spoilage.`,
    );
  if (next !== undefined && uncovered > WORTH_COVERING * plan.needMgPerL && uncovered > plan.missingMgPerL + 1)
    changes.push(say`${mgPerL(uncovered)} stay uncovered: more than this at once would only feed what spoils it.`);
  return changes;
}

/** What the pace of the sugar and the temperature do to the doses. */
function changesOfTime(ledger: Ledger, pitchedAt: number, doses: readonly DoseNow[], { breakAt, pace, clockAt }: Circumstances['times']) {
  const changes: Sentence[] = [];
  const next = doses.find(isComing);
  if (next === undefined || pace === null) return changes;
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
  const breakBy = expectedAt(pace, THIRD_BREAK);
  const overtaken = doses.filter(({ state, dose, dueAt }) => state === 'ahead' && dose.share === null && dueAt > breakBy);
  if (pace.isMeasured && overtaken.length > 0)
    changes.push(
      say`At this pace a third of the sugar is gone ${when(breakBy)}, before ${numbers(overtaken)}: read the gravity then, ${overtaken.length === 1 ? 'it comes' : 'the first of them comes'} forward.`,
    );
  const bySugar = doses.find(({ state, dose }) => state === 'ahead' && dose.share !== null);
  if (ledger.tempC !== null && ledger.tempC.at >= pitchedAt && bySugar !== undefined && overtaken.length === 0)
    changes.push(
      say`At ${tempC(ledger.tempC.value)}${pace.isMeasured ? ' and at its pace so far' : ''}, a third of the sugar is gone about ${when(breakBy)}; what is fed by the sugar moves with it.`,
    );
  const likes = ledger.pitch === null ? null : yeastOf(ledger.pitch).tempC;
  if (ledger.tempC !== null && likes !== null && ledger.tempC.value < likes.low - 0.5)
    changes.push(
      say`${tempC(ledger.tempC.value)} is colder than this yeast likes, ${tempC(likes.low)} and more: warm it before the next dose, or that lies idle.`,
    );
  return changes;
}

const sentenceCase = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
