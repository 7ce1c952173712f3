import { CHALK_START, drillOf, runScene } from '@hollow-bell/core/chalk';
import type { Deed, Run, Scene, TroubleId } from '@hollow-bell/core/chalk';
import { forecast, forecastInputOf } from '@hollow-bell/core/course';
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { fold } from '@hollow-bell/core/record';
import type { StallCauseId } from '@hollow-bell/core/record';
import { finishOf } from '@hollow-bell/core/glass';
import { rankCauses, stallEvidence, stallVerdict } from '@hollow-bell/core/watch';
import { yeastType } from '@hollow-bell/core/yeast';

const DAY = 24;
const ENDS_AT_H = 70 * DAY;
/** Fed in three doses by the book, read every other day, its temperature beside it. */
const DEEDS: readonly Deed[] = [
  ...[24, 48, 72].flatMap((hour): Deed[] => [
    { hour, does: 'degas' },
    { hour, does: 'feed', amount: 9 },
  ]),
  { hour: 5 * DAY + 1, does: 'ph' } satisfies Deed,
  ...Array.from({ length: 34 }, (_, i): Deed => ({ hour: (2 * i + 1) * DAY + 2, does: 'read' })),
].sort((a, b) => a.hour - b.hour);
const CAUSE_OF: Partial<Record<TroubleId, StallCauseId>> = {
  shutter: 'cold',
  stove: 'heat',
  hunger: 'nitrogen',
  sour: 'sour',
  lemons: 'sour',
  'kept juice': 'preservative',
  'gas held': 'gas',
};
/** It stands where so much is left and so little of it goes in four days. */
const STANDS = { leftGPerL: 15, inFourDays: 1.6 } as const;

const upTo = ({ book }: Run, hour: number) => fold(book.filter(({ happenedAt }) => happenedAt <= CHALK_START + hour * HOUR_MS));
const hoursOfReadings = DEEDS.filter(({ does }) => does === 'read').map(({ hour }) => hour);

/** The forecast on musts in which nothing is wrong: how often its 80 % band holds what came. */
async function coverage(runs: readonly Run[], after: number): Promise<number> {
  let [within, all] = [0, 0];
  for (const [seed, run] of runs.entries()) {
    const now = hoursOfReadings[after - 1] ?? 0;
    const input = forecastInputOf(upTo(run, now), {
      now: CHALK_START + now * HOUR_MS,
      horizonDays: 60,
      members: 200,
      seed,
      roomTempC: 20,
      organicCredit: 1,
    });
    const found = input === null ? null : await forecast(input);
    if (found === null) continue;
    for (const hour of hoursOfReadings.slice(after)) {
      const band = found.bands.find((each) => each.hour >= hour);
      if (band === undefined) continue;
      all += 1;
      const sugar = run.sugarGPerL[Math.round(hour)] ?? 0;
      if (sugar >= band.low - 1 && sugar <= band.high + 1) within += 1;
    }
  }
  return within / all;
}

interface Called {
  /** With sugar left, far from what its yeast bears by its packet. */
  stands: boolean;
  stuck: boolean;
  /** When it was called so it still fell by more than a point in four days. */
  whileItFell: boolean;
  rank: number | null;
}
const standsAt = (run: Run, hour: number): boolean => {
  const [left, then] = [run.sugarGPerL[hour] ?? 0, run.sugarGPerL[Math.min(ENDS_AT_H, hour + 4 * DAY)] ?? 0];
  return left > STANDS.leftGPerL && left - then < STANDS.inFourDays;
};
/** More than a point in the four days around. */
const fellAt = (run: Run, hour: number): boolean =>
  (run.sg[Math.max(0, hour - 2 * DAY)] ?? 1) - (run.sg[Math.min(ENDS_AT_H, hour + 2 * DAY)] ?? 1) > 0.001;
/** The clinic on a must, reading by reading. */
function called(run: Run, { trouble, yeastId }: Scene): Called {
  const cause = trouble === null ? undefined : CAUSE_OF[trouble];
  const early = 0.85 * yeastType(yeastId).toleranceAbv.low;
  const stands = hoursOfReadings.some(
    (hour) => hour > 6 * DAY && hour < ENDS_AT_H - 4 * DAY && standsAt(run, hour) && (run.abv[hour] ?? 0) < early,
  );
  for (const hour of hoursOfReadings) {
    const ledger = upTo(run, hour);
    const evidence = stallEvidence(ledger, CHALK_START + hour * HOUR_MS, 1);
    if (evidence === null || finishOf(ledger).state !== 'moving' || stallVerdict(evidence).kind !== 'stuck') continue;
    const place = rankCauses(evidence).findIndex((each) => each.cause.id === cause);
    return { stands, stuck: true, whileItFell: fellAt(run, hour), rank: cause === undefined ? null : place };
  }
  return { stands, stuck: false, whileItFell: false, rank: null };
}

/** Forecast and clinic on 200 runs of the chalk floor, as a table in Markdown for docs/practice.md. */
export async function chalkTable(): Promise<string> {
  const scenes = Array.from({ length: 100 }, (_, i): Scene => ({ ...drillOf(1000 + i, 1), trouble: null }));
  const well = scenes.map((scene) => runScene(scene, DEEDS, ENDS_AT_H));
  const shares: string[] = [];
  for (const after of [2, 4, 6])
    shares.push(`| after ${after} readings, the truth within the 80 % band | ${(100 * (await coverage(well, after))).toFixed(0)} % |`);
  const wellCalled = scenes.map((scene, i) => called(well[i] ?? runScene(scene, DEEDS, ENDS_AT_H), scene));
  const ill = Array.from({ length: 100 }, (_, i) => {
    const scene = drillOf(2000 + i, 2);
    return called(runScene(scene, DEEDS, ENDS_AT_H), scene);
  });
  const all = [...wellCalled, ...ill];
  const standing = all.filter(({ stands }) => stands);
  const ranked = ill.filter(({ rank }) => rank !== null);
  return [
    '|     |     |',
    '| --- | --- |',
    ...shares,
    `| stood far from what their yeast bears, and were called stuck | ${standing.filter(({ stuck }) => stuck).length} of ${standing.length} |`,
    `| called stuck while it fell by more than a point in four days | ${all.filter(({ whileItFell }) => whileItFell).length} of ${all.filter(({ stuck }) => stuck).length} |`,
    `| called stuck by a trouble that the clinic knows: named first or second | ${ranked.filter(({ rank }) => rank !== null && rank >= 0 && rank < 2).length} of ${ranked.length} |`,
  ].join('\n');
}
