import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chmodSync,
  closeSync,
  createReadStream,
  existsSync,
  mkdirSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { once } from 'node:events';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { postgresBinaries } from './install.mjs';
import { Plain } from './paths.mjs';

/** A cellar is nobody else's to read. */
const OWNER_ONLY = 0o600;

/** A database as PostgreSQL's own programs take it: its address without the password, which goes by the environment that no other user sees. */
function addressed(url) {
  const address = new URL(url);
  const password = decodeURIComponent(address.password);
  address.password = '';
  return { dbname: address.toString(), env: password === '' ? process.env : { ...process.env, PGPASSWORD: password } };
}

/** Runs one of PostgreSQL's programs, without waiting for it in the way of others. @returns whether it did, and what it said */
export async function postgresTool(name, args, env = process.env) {
  const child = spawn(join(postgresBinaries() ?? '', name), args, { stdio: ['ignore', 'pipe', 'pipe'], env });
  let [listed, said] = ['', ''];
  child.stdout.on('data', (chunk) => (listed += chunk));
  child.stderr.on('data', (chunk) => (said += chunk));
  const [code] = await Promise.race([once(child, 'close'), once(child, 'error').then(([error]) => [error.message])]);
  return { isDone: code === 0, listed, said: typeof code === 'string' ? code : said.trim() };
}

/** The first that a program says, as a sentence. */
const oneLine = (said) => `${(said.split('\n')[0] ?? '').replace(/^\w+: (?:error: )?/, '').replace(/[.\s]*$/, '')}.`;

const sumOf = async (file) => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
};
const sumFile = (file) => `${file}.sha256`;

/** Whether a backup is what was written: null where it has no sum beside it. */
export async function isAsWritten(file) {
  if (!existsSync(sumFile(file))) return null;
  return readFileSync(sumFile(file), 'utf8').split(' ')[0] === (await sumOf(file));
}

/**
 * Writes a whole cellar into one file, its sum beside it as `sha256sum -c` reads it. It is made beside the file, read back and then
 * renamed, so that a failure leaves what was there. The cellar may be in use.
 *
 * @throws Plain with what failed
 */
export async function writeBackup(url, file) {
  const part = `${file}.part`;
  try {
    const { dbname, env } = addressed(url);
    rmSync(part, { force: true });
    closeSync(openSync(part, 'wx', OWNER_ONLY));
    const dumped = await postgresTool(
      'pg_dump',
      [
        '--format=custom',
        '--no-owner',
        '--no-privileges',
        '--schema=public',
        '--exclude-table-data=public.house_*',
        `--file=${part}`,
        `--dbname=${dbname}`,
      ],
      env,
    );
    if (!dumped.isDone)
      throw new Plain(
        `the backup could not be written; PostgreSQL says: ${oneLine(dumped.said)} An earlier one of that name is as it was.`,
      );
    const read = await postgresTool('pg_restore', ['--list', part]);
    if (!read.isDone || !/ TABLE DATA public batch_events /.test(read.listed))
      throw new Plain('what was written cannot be read back as a cellar; an earlier backup of that name is as it was.');
    const sum = await sumOf(part);
    rmSync(sumFile(file), { force: true });
    renameSync(part, file);
    writeFileSync(sumFile(file), `${sum}  ${basename(file)}\n`, { mode: OWNER_ONLY });
  } catch (error) {
    if (error instanceof Plain || error.code === undefined) throw error;
    throw new Plain(`the backup could not be written to ${file}: ${error.message}. An earlier one of that name is as it was.`);
  } finally {
    rmSync(part, { force: true });
  }
}

/** So many of each kind are kept, the newest. */
const KEPT = 7;
/** Why a backup was made: by the day, by hand, or before something that changes all. */
const NAMED = /^hollow-bell-(daily|by-hand|before-migration|before-restore)-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2})\.backup$/;
const DAY_MS = 24 * 3_600_000;

/** The backups of a cellar, in a folder of their own, with those that the program makes by itself. */
export function backupsIn(folder, url, now = () => Date.now()) {
  const list = () =>
    (existsSync(folder) ? readdirSync(folder) : [])
      .flatMap((name) => {
        const [, why, at] = NAMED.exec(name) ?? [];
        if (why === undefined) return [];
        const day = at.replace(/T(\d\d)-(\d\d)-(\d\d)$/, 'T$1:$2:$3Z');
        return [{ name, why, at: Date.parse(day), bytes: statSync(join(folder, name)).size }];
      })
      .toSorted((a, b) => b.at - a.at);

  const write = async (why) => {
    mkdirSync(folder, { recursive: true, mode: 0o700 });
    chmodSync(folder, 0o700);
    const at = new Date(now()).toISOString().slice(0, 19).replaceAll(':', '-');
    const name = `hollow-bell-${why}-${at}.backup`;
    await writeBackup(url, join(folder, name));
    const older = list()
      .filter((each) => each.why === why)
      .slice(KEPT);
    for (const each of older) for (const file of [each.name, `${each.name}.sha256`]) rmSync(join(folder, file), { force: true });
    return name;
  };

  return {
    folder,
    list,
    write,
    /** Where the newest of the day is older than a day, or there is none. @returns its name, or null where none was due */
    writeDaily: async () => {
      const newest = list().find(({ why }) => why === 'daily');
      // One of a day to come was made while the clock was ahead.
      return newest === undefined || Math.abs(now() - newest.at) >= DAY_MS ? write('daily') : null;
    },
  };
}
