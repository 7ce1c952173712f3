import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { ferment, gridOf } from '@hollow-bell/core/course';
import type { Kinetics } from '@hollow-bell/core/course';
import { seeded } from '@hollow-bell/core/numerics';
import { COURSE } from './exampleCourse.ts';

const MEMBERS = 500;
const ROUNDS = 9;
const TURNS = 9;

/** What else runs on the machine only ever adds to a time: the fastest of some rounds is the loop's own. */
const fastest = (values: readonly number[]): number => Math.min(...values);
const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN;

function someMembers(): Kinetics[] {
  const rng = seeded(3);
  const between = (low: number, high: number): number => low + (high - low) * rng();
  return Array.from({ length: MEMBERS }, () => ({
    growthPerH: between(0.05, 0.2),
    uptakePerH: between(0.1, 0.5),
    yeastPerN: between(0.008, 0.02),
    deathPerH: between(0.002, 0.02),
    lagH: between(6, 40),
    toleranceAbv: between(13, 16),
    slowing: between(0.5, 2),
    halfSugar: between(2, 12),
    tiringPerH: between(0.001, 0.006),
    dryGPerL: between(0, 6),
  }));
}

/** The ensemble's loop here and in C (cc -O2), turn by turn in one run: the median of the ratios. Null where no compiler is. */
export function againstC(): { ratio: number; hereMs: number; inCMs: number; differs: number } | null {
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-bench-'));
  const program = join(folder, 'ferment');
  const source = fileURLToPath(new URL('ferment.c', import.meta.url));
  try {
    if (spawnSync('cc', ['-O2', '-o', program, source, '-lm']).status !== 0) return null;
    const members = someMembers();
    const grid = gridOf(COURSE);
    const steps = grid.hours.length;
    const pulses = Array.from(grid.pulse).flatMap((p) => {
      const pulse = COURSE.pulses[p];
      return pulse === undefined ? [-1, 0, 0] : [pulse.scale, pulse.sugarGPerL, pulse.nitrogenMgPerL];
    });
    const input = Float64Array.from([
      ...[MEMBERS, steps, ROUNDS],
      ...members.flatMap((m) => [
        m.growthPerH,
        m.uptakePerH,
        m.yeastPerN,
        m.deathPerH,
        m.lagH,
        m.toleranceAbv,
        m.slowing,
        m.halfSugar,
        m.tiringPerH,
        m.dryGPerL,
      ]),
      ...[COURSE.sugarGPerL, COURSE.nitrogenMgPerL, COURSE.pitchGPerL, COURSE.acidSlowing, COURSE.abvPerSugar],
      ...[...grid.hours, ...grid.stepH, ...grid.work, ...grid.death, ...pulses],
    ]);
    const sugar = new Float64Array(steps);
    let sum = 0;
    const here = (): number => {
      const began = performance.now();
      let all = 0;
      for (const kinetics of members) {
        ferment(kinetics, COURSE, grid, sugar);
        for (let k = 0; k < steps; k++) all += sugar[k] as number;
      }
      const tookMs = performance.now() - began;
      sum += all;
      return tookMs;
    };
    for (let i = 0; i < ROUNDS; i++) here();
    const turns = Array.from({ length: TURNS }, () => {
      sum = 0;
      const hereMs = fastest(Array.from({ length: ROUNDS }, here));
      const said = spawnSync(program, { input: Buffer.from(input.buffer), encoding: 'utf8' })
        .stdout.trim()
        .split('\n')
        .map(Number);
      const inCMs = fastest(said.slice(0, ROUNDS));
      return { hereMs, inCMs, ratio: hereMs / inCMs, differs: Math.abs(sum / (said.at(-1) ?? 1) - 1) };
    });
    const by = (pick: (turn: (typeof turns)[number]) => number): number => median(turns.map(pick));
    return { ratio: by((t) => t.ratio), hereMs: by((t) => t.hereMs), inCMs: by((t) => t.inCMs), differs: by((t) => t.differs) };
  } finally {
    rmSync(folder, { recursive: true });
  }
}
