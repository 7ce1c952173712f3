import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ROOT } from '../setup/paths.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);
/** By its own folder: the compiler that vue-tsc and the lint stand on has a command of the same name. */
const TSC = join(ROOT, 'node_modules', 'typescript-7', 'bin', 'tsc');
const TYPED = ['core', 'tell', 'contract', 'server', 'e2e', 'bench', 'campaign', 'instruments'];

/** Where tests stand. */
const WORKSPACES = [...TYPED, 'web', 'scripts'];

/** How often the walks through the browser are cut, so that what is longest is still short beside the whole. */
const SHARDS = 4;

/**
 * @typedef {object} Part one command of the suite
 * @property {string} name
 * @property {string[]} command
 * @property {'check' | 'units' | 'browser'} kind a check counts as one test; the others write a report that says how many
 * @property {boolean} [needsDatabase] waits until the program is built and its templates stand
 */

const check = (name, ...command) => ({ name, kind: 'check', command });
const units = (project) => ({
  name: `tests of ${project}`,
  kind: 'units',
  needsDatabase: project === 'server' || project === 'campaign' || project === 'scripts',
  command: [bin('vitest'), 'run', '--project', project, ...(project === 'web' ? ['--project', 'stores'] : []), '--maxWorkers', '1'],
});
const browser = (name, ...which) => ({
  name,
  kind: 'browser',
  needsDatabase: true,
  command: [bin('playwright'), 'test', '-c', 'e2e', '--workers', '1', ...which],
});

/** @type {Part[]} all of `npm test`, what is longest first */
export const PARTS = [
  check(
    'lint',
    bin('eslint'),
    '.',
    '--max-warnings',
    '0',
    '--cache',
    '--cache-strategy',
    'content',
    '--cache-location',
    'node_modules/.cache/eslint/all',
  ),
  check('types of the page', bin('vue-tsc'), '--noEmit', '-p', 'web'),
  browser('every view', '--project', 'views'),
  ...Array.from({ length: SHARDS }, (_, i) =>
    browser(`walks ${i + 1} of ${SHARDS}`, '--project', 'walks', '--shard', `${i + 1}/${SHARDS}`),
  ),
  units('server'),
  units('campaign'),
  units('core'),
  units('scripts'),
  units('web'),
  check('format', bin('prettier'), '--check', '--log-level', 'warn', '--cache', '.'),
  check('types of all else', process.execPath, TSC, '-b', ...TYPED),
  check(
    'imports run one way',
    bin('depcruise'),
    '--config',
    '.dependency-cruiser.cjs',
    '--output-type',
    'err',
    ...['core', 'tell', 'contract', 'server', 'web'],
  ),
  check('nothing unused', bin('knip'), '--no-progress'),
];

const SKIPPED = new Set(['node_modules', 'dist']);
const testFilesUnder = (path) =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) => {
    const full = join(path, entry.name);
    if (entry.isDirectory()) return SKIPPED.has(entry.name) ? [] : testFilesUnder(full);
    return /\.(test\.ts|test\.mjs|spec\.ts)$/.test(entry.name) ? [relative(ROOT, full)] : [];
  });

/**
 * The parts that run only the files with this in their path.
 *
 * @returns {Part[]} none where no file has it
 */
export function partsWith(word) {
  const files = WORKSPACES.flatMap((name) => testFilesUnder(join(ROOT, name))).filter((file) =>
    file.toLowerCase().includes(word.toLowerCase()),
  );
  const inBrowser = files.filter((file) => file.endsWith('.spec.ts'));
  const others = files.filter((file) => !inBrowser.includes(file));
  return [
    ...(others.length === 0
      ? []
      : [
          {
            name: 'unit and API tests',
            kind: 'units',
            needsDatabase: others.some((file) => /^(?:server|campaign)/.test(file)),
            command: [bin('vitest'), 'run', ...others],
          },
        ]),
    ...(inBrowser.length === 0
      ? []
      : [
          {
            name: 'browser tests',
            kind: 'browser',
            needsDatabase: true,
            command: [bin('playwright'), 'test', '-c', 'e2e', ...inBrowser],
          },
        ]),
  ];
}
