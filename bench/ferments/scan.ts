/**
 * What is told at each reading of given fermentations whose course is known: node --import tsx bench/ferments/scan.ts CASES.
 * Counts those called stuck while they fall, and those called finished with something still to fall.
 */
import { readFileSync } from 'node:fs';
import { fold } from '@hollow-bell/core/record';
import { stateOf } from '@hollow-bell/core/watch';
import { eventsOf, momentOfHour } from './given.ts';
import type { Given } from './given.ts';

interface Known extends Omit<Given, 'at_h'> {
  truth: { fg: number; sg: number[]; sg_step_h: number; stop_h: number | null };
}

/** Falling: more than this in a day, SG. To fall: more than this until its end. */
const FALLS_SG_PER_DAY = 0.0005;
const TO_FALL_SG = 0.0015;

const [from = ''] = process.argv.slice(2);
const { cases } = JSON.parse(readFileSync(from, 'utf8')) as { cases: Known[] };
const stuck: string[] = [];
const early: string[] = [];
for (const known of cases) {
  const sgAt = (hour: number): number => {
    const k = Math.max(0, Math.min(known.truth.sg.length - 1, hour / known.truth.sg_step_h));
    const [before = 1, after = before] = known.truth.sg.slice(Math.floor(k), Math.floor(k) + 2);
    return before + (after - before) * (k - Math.floor(k));
  };
  for (const { t_h: hour } of known.readings.filter((each) => each.t_h > 0)) {
    const { phase } = stateOf(fold(eventsOf({ ...known, at_h: hour })), momentOfHour(hour));
    const falls = sgAt(hour - 24) - sgAt(hour);
    const left = sgAt(hour) - known.truth.fg;
    if (phase === 'stuck' && falls > FALLS_SG_PER_DAY && (known.truth.stop_h ?? Infinity) > hour)
      stuck.push(`${known.id} at ${hour} h, ${(1000 * falls).toFixed(1)} points a day, ${(1000 * left).toFixed(1)} to fall`);
    if (phase === 'finished' && left > TO_FALL_SG) early.push(`${known.id} at ${hour} h, ${(1000 * left).toFixed(1)} to fall`);
  }
}
console.log(`${new Set(stuck.map((each) => each.slice(0, 4))).size} of ${cases.length} called stuck while they fall:`, stuck);
console.log(`${new Set(early.map((each) => each.slice(0, 4))).size} of ${cases.length} called finished too early:`, early);
