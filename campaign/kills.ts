/* Writers write while the program, its database or both are killed; what was acknowledged must be there. */
import type { ChildProcess } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, existsSync, mkdtempSync, readFileSync, readdirSync, readlinkSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as wait } from 'node:timers/promises';
import type { Batch } from '@hollow-bell/contract';
import { chanceOf, counter, pick } from './part.ts';
import type { Part } from './part.ts';
import { end, plan, post, start } from './program.ts';

const WRITERS = 4;
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

/** One maker: two entries at once, the same again until they are acknowledged. */
async function writer(addressNow: () => string, batchId: string, acknowledged: Set<string>, isOver: () => boolean): Promise<void> {
  let seq = 0;
  while (!isOver()) {
    const events = [0, 1].map(() => ({ id: randomUUID(), happenedAt: Date.now(), kind: 'note', payload: { text: 'foam' } }));
    for (;;) {
      const answer = await post(addressNow(), 'POST', `/batches/${batchId}/events`, { afterSeq: seq, events }).catch(() => null);
      if (answer?.status === 200) {
        seq = ((await answer.json()) as { lastSeq: number }).lastSeq;
        for (const { id } of events) acknowledged.add(id);
        break;
      }
      if (isOver()) return;
      await wait(100);
    }
  }
}

export const kills: Part = async ({ seed, count, from, say }) => {
  const { counts, faults, add, fault } = counter();
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-kills-'));
  chmodSync(scratch, 0o755);
  const data = join(scratch, 'data');
  const port = 30_000 + (process.pid % 2000);
  let program = await start(data, port);
  const batchIds = Array.from({ length: WRITERS }, () => randomUUID());
  for (const id of batchIds) await post(program.address, 'POST', '/batches', { id, name: 'Linden', plan });
  const acknowledged = batchIds.map(() => new Set<string>());
  let over = false;
  const writing = batchIds.map((id, i) =>
    writer(
      () => program.address,
      id,
      acknowledged[i] ?? new Set(),
      () => over,
    ),
  );
  const total = (): number => acknowledged.reduce((sum, { size }) => sum + size, 0);

  let streak = 0;
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'kills', index);
    const drawn = pick(VICTIMS, chance);
    const victim = drawn === 'database' && streak >= MOST_IN_A_ROW ? 'program' : drawn;
    streak = victim === 'program' || victim === 'all at once' ? 0 : streak + (victim === 'database' ? 1 : 0);
    await wait(100 + 500 * chance());
    const [first, ...others] = await databaseOf(data);
    const before = total();
    if (victim === 'database' || victim === 'all at once') kill(first);
    if (victim === 'backends') others.forEach(kill);
    if (victim === 'program' || victim === 'all at once') {
      await killed(program.child);
      program = await start(data, port);
    }
    add(victim);
    const began = Date.now();
    while (total() < before + 2 && Date.now() - began < BACK_WITHIN_MS) await wait(20);
    if (program.child.exitCode !== null)
      fault(
        `the program ended by itself after ${victim} died, saying “${program.said().slice(-300)}”: --only kills --seed ${seed} --from ${index}`,
      );
    if (total() < before + 2)
      fault(`nothing is written ${BACK_WITHIN_MS / 1000} s after ${victim} died: --only kills --seed ${seed} --from ${index}`);
    if ((index - from + 1) % 25 === 0) say(`${index - from + 1} kills, ${total()} entries acknowledged`);
  }
  over = true;
  await Promise.all(writing);
  for (const [i, id] of batchIds.entries()) {
    const { events } = (await (await fetch(`${program.address}/api/batches/${id}`)).json()) as Batch;
    const known = new Set(events.map((event) => event.id));
    const lost = [...(acknowledged[i] ?? [])].filter((each) => !known.has(each));
    if (lost.length > 0) fault(`${lost.length} acknowledged entries are lost: --only kills --seed ${seed}`);
    if (events.some(({ seq }, at) => seq !== at + 1) || events.length % 2 !== 0)
      fault(`half an entry is on record: --only kills --seed ${seed}`);
    add('lost', lost.length);
  }
  add('entries acknowledged', total());
  await end(program);
  rmSync(scratch, { recursive: true, force: true });
  return { counts, faults };
};
