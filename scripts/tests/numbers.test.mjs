import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROOT } from '../setup/paths.mjs';
import { allNumbers } from '../suite/numbers.mjs';

const tablesUnder = (path) =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) => {
    const full = join(path, entry.name);
    if (entry.isDirectory()) return tablesUnder(full);
    return entry.name === 'thresholds.test.ts' ? [readFileSync(full, 'utf8')] : [];
  });

/** Folders and files whose numbers decide nothing that a maker is told by itself, and who holds them. */
const ELSEWHERE = [
  [/^core\/src\/chalk\//, 'a made-up world, judged as a whole by chalk.test.ts'],
  [/^core\/src\/(?:course|forecast)\//, 'priors and steps of the forecast, held by its study'],
  [/^core\/src\/(?:numerics|liquid)\//, 'published tables, and the accuracy of solvers: the cases of core/src/reference'],
  [/^core\/src\/ingredients\//, 'published composition: ingredients.test.ts and the cases of core/src/reference'],
  [/^core\/src\/yeast\/types\.ts$/, 'what each type of yeast is said to bear'],
  [/^core\/src\/(?:vessel|bottle\/label.*)/, 'sizes of what is drawn or printed'],
];
const isElsewhere = (file) => ELSEWHERE.some(([files]) => files.test(file));

/** What is too small to be meant: it keeps a sum in binary from falling on the wrong side. */
const ROUNDING = 1e-5;

const nameOf = ({ name, stands }) => (stands === 'constant' ? name.split(/[.[]/)[0] : name);

describe('the numbers that decide what a maker is told', () => {
  const rows = [
    ...tablesUnder(join(ROOT, 'core', 'src')),
    ...tablesUnder(join(ROOT, 'tell', 'src')),
    ...tablesUnder(join(ROOT, 'contract', 'src')),
  ].join('\n');
  const without = new Set(
    allNumbers()
      .filter(({ file, value }) => !isElsewhere(file) && Math.abs(value) > ROUNDING)
      .map((number) => ({ file: number.file, name: nameOf(number) }))
      .filter(({ name }) => !rows.includes(`'${name}`))
      .map(({ file, name }) => `${file} ${name}`),
  );
  const listed = readFileSync(join(ROOT, 'scripts', 'tests', 'numbersWithoutRow.txt'), 'utf8')
    .split('\n')
    .filter((line) => line !== '');

  it('have a row just below and just above them, or stand in the list of those without one: a new one cannot be forgotten', () => {
    expect([...without].filter((line) => !listed.includes(line))).toEqual([]);
  });

  it('leave that list once they have their row', () => {
    expect(listed.filter((line) => !without.has(line))).toEqual([]);
  });
});
