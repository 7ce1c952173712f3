/* All that a cellar keeps is written while the program, its database or both are killed; what was acknowledged must be there, as it was. */
import type { ChildProcess } from 'node:child_process';
import { chmodSync, existsSync, mkdtempSync, readFileSync, readdirSync, readlinkSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import { makersOf } from './makers.ts';
import { chanceOf, counter, pick, through } from './part.ts';
import type { Part } from './part.ts';
import { end, start } from './program.ts';

const BACK_WITHIN_MS = 90_000;
/** A database that dies again and again is given up, with a sentence: that is tested by itself. */
const MOST_IN_A_ROW = 3;
const VICTIMS = ['program', 'database', 'backends', 'all at once'] as const;

/** Processes of the database of a folder, its first one first; one that is just being started again is waited for. */
async function databaseOf(data: string): Promise<number[]> {
  const folder = join(data, 'data');
  const file = join(folder, 'postmaster.pid');
  const firstNow = (): number => (existsSync(file) ? Number(readFileSync(file, 'utf8').split('\n')[0]) : 0);
  let first = firstNow();
  // Half-written it names nobody, and a kill of nobody is one of everybody.
  for (; !(first > 1); first = firstNow()) await wait(20);
  const others = readdirSync('/proc')
    .filter((name) => /^\d+$/.test(name))
    .map(Number)
    .filter((pid) => {
      try {
        return pid !== first && readlinkSync(`/proc/${pid}/cwd`) === folder;
      } catch {
        return false;
      }
    });
  return [first, ...others];
}

const kill = (pid: number | undefined): void => {
  try {
    if (pid !== undefined) process.kill(pid, 'SIGKILL');
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code !== 'ESRCH') throw error;
  }
};

const killed = (child: ChildProcess): Promise<unknown> => {
  if (child.exitCode !== null || child.signalCode !== null) return Promise.resolve();
  const gone = new Promise((resolve) => child.once('exit', resolve));
  kill(child.pid);
  return gone;
};

export const kills: Part = async ({ seed, count, from, say, plant }) => {
  const { counts, faults, add, fault } = counter();
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-kills-'));
  chmodSync(scratch, 0o755);
  const data = join(scratch, 'data');
  const port = 30_000 + (process.pid % 2000);
  let program = await start(data, port);
  const before = await through(plant, program.address);
  let over = false;
  const asked = {
    address: () => before.address,
    isOver: () => over,
    fault: (what: string) => fault(`${what}: --only kills --seed ${seed}`),
  };
  const makers = await makersOf(asked);
  const writing = makers.map(async (maker) => {
    while (!over) await maker.write();
  });
  const total = (): number => makers.reduce((sum, { written }) => sum + written(), 0);

  let streak = 0;
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'kills', index);
    const drawn = pick(VICTIMS, chance);
    const victim = drawn === 'database' && streak >= MOST_IN_A_ROW ? 'program' : drawn;
    streak = victim === 'program' || victim === 'all at once' ? 0 : streak + (victim === 'database' ? 1 : 0);
    await wait(100 + 500 * chance());
    const [first, ...others] = await databaseOf(data);
    const atFirst = total();
    if (victim === 'database' || victim === 'all at once') kill(first);
    if (victim === 'backends') others.forEach(kill);
    if (victim === 'program' || victim === 'all at once') {
      await killed(program.child);
      program = await start(data, port);
    }
    add(victim);
    const began = Date.now();
    while (total() < atFirst + makers.length && Date.now() - began < BACK_WITHIN_MS) await wait(20);
    if (program.child.exitCode !== null)
      fault(
        `the program ended by itself after ${victim} died, saying “${program.said().slice(-300)}”: --only kills --seed ${seed} --from ${index}`,
      );
    if (total() < atFirst + makers.length)
      fault(`nothing is written ${BACK_WITHIN_MS / 1000} s after ${victim} died: --only kills --seed ${seed} --from ${index}`);
    if ((index - from + 1) % 25 === 0) say(`${index - from + 1} kills, ${total()} things acknowledged`);
  }
  over = true;
  await Promise.all(writing);
  for (const maker of makers) for (const wrong of await maker.check()) fault(`${wrong}: --only kills --seed ${seed}`);
  add('acknowledged', total());
  await before.stop();
  await end(program);
  rmSync(scratch, { recursive: true, force: true });
  return { counts, faults };
};
