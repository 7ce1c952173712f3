/* Data folders and backups that were damaged: a start or a restore either works, or ends with one sentence. */
import { spawnSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, cpSync, mkdtempSync, readFileSync, readdirSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { chanceOf, counter, pick } from './part.ts';
import type { Part } from './part.ts';
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

/** Each try damages one file of a whole cellar, or its backup, and lets the commands have it. */
export const damaged: Part = async ({ seed, count, from, say }) => {
  const { counts, faults, add, fault } = counter();
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-damaged-'));
  chmodSync(scratch, 0o755);
  const [whole, tried] = [join(scratch, 'whole'), join(scratch, 'tried')];
  const backup = join(scratch, 'cellar.backup');
  const program = await start(whole, 32_000 + (process.pid % 2000));
  await post(program.address, 'POST', '/batches', { id: randomUUID(), name: 'Linden', plan });
  await end(program);
  const made = run('backup', [backup], whole);
  if (made.status !== 0) fault(`no backup of a whole cellar: ${made.said}`);
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'damaged', index);
    const again = `--only damaged --seed ${seed} --from ${index}`;
    rmSync(tried, { recursive: true, force: true });
    cpSync(whole, tried, { recursive: true, preserveTimestamps: true });
    const isBackup = index % 3 === 0;
    const copy = join(scratch, 'damaged.backup');
    if (isBackup) cpSync(backup, copy);
    damage(isBackup ? copy : pick(filesUnder(join(tried, 'data')), chance), chance);
    const { status, said } = isBackup ? run('restore', [copy], tried) : run('backup', [join(scratch, 'second.backup')], tried);
    add(`${isBackup ? 'damaged backup' : 'damaged folder'} ${status === 0 ? 'bore it' : 'refused'}`);
    if (status !== 0 && !isPlain(said)) fault(`${said.slice(0, 300)}: ${again}`);
    if ((index - from + 1) % 10 === 0) say(`${index - from + 1} damaged`);
  }
  rmSync(scratch, { recursive: true, force: true });
  return { counts, faults };
};
