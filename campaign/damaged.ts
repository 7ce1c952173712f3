/* Data folders and backups that were damaged: a command either works, with every row as it was, or ends with one sentence and changes nothing. */
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chanceOf, counter, pick } from './part.ts';
import type { Part } from './part.ts';
import { postgresTool } from '../scripts/setup/backups.mjs';
import { runningUrl } from '../scripts/setup/cluster.mjs';
import { end, plan, post, start } from './program.ts';

const script = (name: string): string => fileURLToPath(new URL(`../scripts/${name}.mjs`, import.meta.url));

function run(name: string, args: readonly string[], data: string): { status: number | null; said: string } {
  const env: NodeJS.ProcessEnv = { ...process.env, HOLLOW_BELL_DATA: data };
  delete env['DATABASE_URL'];
  const { status, stderr, stdout } = spawnSync(process.execPath, [script(name), ...args], { env, encoding: 'utf8', timeout: 120_000 });
  return { status, said: `${stdout}${stderr}`.trim() };
}

/** One sentence or two, no stack and no object. */
const isPlain = (said: string): boolean => /Hollow Bell: [^\n]+\.$/.test(said) && !/^\s+at /m.test(said);

const filesUnder = (path: string): string[] =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? filesUnder(join(path, entry.name)) : [join(path, entry.name)],
  );

function damage(file: string, chance: () => number): void {
  const { size } = statSync(file);
  const how = chance();
  if (how < 0.3) rmSync(file);
  else if (how < 0.6) truncateSync(file, Math.floor(size * chance()));
  else {
    const bytes = readFileSync(file);
    for (let i = 0; i < 64 && size > 0; i++) bytes[Math.floor(chance() * size)] = Math.floor(chance() * 256);
    writeFileSync(file, bytes);
  }
}

/** Every row that a backup holds, whatever their order. @throws Error where nobody can read it */
async function rowsIn(backup: string): Promise<string> {
  const { isDone, listed, said } = await postgresTool('pg_restore', ['--data-only', '--schema=public', '--no-owner', '--file=-', backup]);
  if (!isDone) throw new Error(said);
  return listed
    .split('\n')
    .filter((line) => line !== '' && !/^(?:--|SET |SELECT |\\(?:un)?restrict)/.test(line))
    .toSorted()
    .join('\n');
}

/** Each try damages one file of a whole cellar, or its backup, and lets the commands have it. */
export const damaged: Part = async ({ seed, count, from, say, plant }) => {
  const { counts, faults, add, fault } = counter();
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-damaged-'));
  chmodSync(scratch, 0o755);
  const [whole, tried] = [join(scratch, 'whole'), join(scratch, 'tried')];
  const backup = join(scratch, 'cellar.backup');
  const program = await start(whole, 32_000 + (process.pid % 2000));
  for (const name of ['Linden', 'Heather', 'Borage']) {
    const id = randomUUID();
    await post(program.address, 'POST', '/batches', { id, name, plan });
    const events = Array.from({ length: 40 }, (_, i) => ({
      id: randomUUID(),
      happenedAt: Date.now(),
      kind: 'note',
      payload: { text: `foam ${i}` },
    }));
    await post(program.address, 'POST', `/batches/${id}/events`, { afterSeq: 0, events });
  }
  const made = run('backup', [backup], whole);
  if (made.status !== 0) fault(`no backup of a whole cellar: ${made.said}`);
  const rows = await rowsIn(backup);
  const databaseUrl = runningUrl(whole);
  if (databaseUrl !== null) await plant?.inDatabase?.(databaseUrl);
  await end(program);
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'damaged', index);
    const again = `--only damaged --seed ${seed} --from ${index}`;
    rmSync(tried, { recursive: true, force: true });
    cpSync(whole, tried, { recursive: true, preserveTimestamps: true });
    const isBackup = index % 3 === 0;
    const copy = join(scratch, 'damaged.backup');
    if (isBackup) cpSync(backup, copy);
    damage(isBackup ? copy : pick(filesUnder(join(tried, 'data')), chance), chance);
    const second = join(scratch, 'second.backup');
    const { status, said } = isBackup ? run('restore', [copy], tried) : run('backup', [second], tried);
    add(`${isBackup ? 'damaged backup' : 'damaged folder'} ${status === 0 ? 'bore it' : 'refused'}`);
    if (status !== 0 && !isPlain(said)) fault(`${said.slice(0, 300)}: ${again}`);
    // Read back, or refused: the cellar that a backup was brought to has every row. A damaged folder that gave one up holds nothing to compare.
    const after = isBackup ? run('backup', [second], tried) : { status, said };
    if (isBackup && after.status !== 0)
      fault(`no cellar is left after a ${status === 0 ? 'restore' : 'refused restore'}: ${after.said.slice(0, 300)}: ${again}`);
    if (after.status === 0 && (await rowsIn(second)) !== rows) fault(`rows are missing or changed, and nobody said so: ${again}`);
    if ((index - from + 1) % 10 === 0) say(`${index - from + 1} damaged`);
  }
  rmSync(scratch, { recursive: true, force: true });
  return { counts, faults };
};
