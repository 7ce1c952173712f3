import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, describe, expect, it } from 'vitest';
import { backupsIn, isAsWritten } from '../setup/backups.mjs';

const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-backups-'));
afterAll(() => rmSync(folder, { recursive: true }));
const DAY_MS = 24 * 3_600_000;
const NOW = Date.UTC(2026, 10, 28, 12);
const put = (why, at) =>
  writeFileSync(join(folder, `hollow-bell-${why}-${new Date(at).toISOString().slice(0, 19).replaceAll(':', '-')}.backup`), 'x');

describe('the backups of a cellar', () => {
  it('are listed newest first, with why they were made, and nothing else of the folder is', () => {
    put('daily', NOW - DAY_MS);
    put('by-hand', NOW);
    writeFileSync(join(folder, 'notes.txt'), '');
    writeFileSync(join(folder, 'hollow-bell-daily-x.backup'), '');
    expect(
      backupsIn(folder, '')
        .list()
        .map(({ why, at, bytes }) => [why, at, bytes]),
    ).toEqual([
      ['by-hand', NOW, 1],
      ['daily', NOW - DAY_MS, 1],
    ]);
    expect(backupsIn(join(folder, 'none'), '').list()).toEqual([]);
  });

  it.each([
    ['less than a day later', DAY_MS - 1, false],
    ['a day later', DAY_MS, true],
    ['by a clock that was ahead and is set back', -DAY_MS, true],
  ])('of the day are due %s: %s', async (_, afterMs, isDue) => {
    const backups = backupsIn(folder, 'postgresql://nobody@127.0.0.1:9/x', () => NOW - DAY_MS + afterMs);
    const tried = await backups.writeDaily().then(
      (name) => name,
      () => 'tried',
    );
    expect(tried).toBe(isDue ? 'tried' : null);
  });

  it('without a sum beside them are neither right nor wrong', async () => {
    const file = join(folder, 'alone.backup');
    writeFileSync(file, 'rows');
    expect(await isAsWritten(file)).toBeNull();
    writeFileSync(`${file}.sha256`, `${'0'.repeat(64)}  alone.backup\n`);
    expect(await isAsWritten(file)).toBe(false);
  });
});
