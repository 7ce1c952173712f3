import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import { buildIfChanged } from './setup/build.mjs';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

const WORKSPACES = ['core', 'tell', 'contract', 'server', 'web', 'e2e', 'bench', 'campaign', 'instruments', 'scripts'];
const lint = (name, paths) => [
  `lint of ${name}`,
  bin('eslint'),
  [...paths, '--max-warnings', '0', '--cache', '--cache-strategy', 'content', '--cache-location', `node_modules/.cache/eslint/${name}`],
];

/** What is checked without running it, longest first; each counts as one test. */
const CHECKS = [
  lint('core', ['core']),
  lint('the page', ['web']),
  lint('all else', ['*.{js,ts,mjs,cjs}', ...WORKSPACES.filter((name) => name !== 'core' && name !== 'web')]),
  [
    'types of core, tell, contract, server, e2e, bench, campaign and instruments',
    bin('tsc'),
    ['-b', 'core', 'tell', 'contract', 'server', 'e2e', 'bench', 'campaign', 'instruments'],
  ],
  ['types of web', bin('vue-tsc'), ['--noEmit', '-p', 'web']],
  ['format', bin('prettier'), ['--check', '--log-level', 'warn', '--cache', '.']],
  [
    'imports run one way',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'core', 'tell', 'contract', 'server', 'web'],
  ],
  ['nothing unused', bin('knip'), ['--no-progress']],
];

function run(name, command, args, env) {
  const began = Date.now();
  console.log(`\n— ${name}`);
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, NODE_NO_WARNINGS: '1', ...env } });
  console.log(`  ${status === 0 ? 'ok' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(1)} s`);
  return status === 0;
}

/** A check that is quiet until it is done, so that two can run side by side. */
function check([name, command, args]) {
  const began = Date.now();
  const child = spawn(command, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
  return new Promise((resolve) => {
    child.once('close', (code) => {
      console.log(`\n— ${name}\n${said.trim()}\n  ${code === 0 ? 'ok' : 'FAILED'}, ${((Date.now() - began) / 1000).toFixed(1)} s`);
      resolve(code === 0);
    });
  });
}

/** All checks, two at a time: how many passed and failed. */
async function runChecks() {
  const waiting = [...CHECKS];
  const results = [];
  const work = async () => {
    for (let next = waiting.shift(); next !== undefined; next = waiting.shift()) results.push(await check(next));
  };
  await Promise.all([work(), work()]);
  return { passed: results.filter(Boolean).length, failed: results.filter((ok) => !ok).length };
}

/** Passed and failed of a run that wrote a JSON report; a run that died counts as a failure. */
function countVitest(file, succeeded) {
  try {
    const report = JSON.parse(readFileSync(file, 'utf8'));
    const failed = report.numFailedTests + (succeeded || report.numFailedTests > 0 ? 0 : 1);
    return { passed: report.numPassedTests, failed };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

function countPlaywright(file, succeeded) {
  try {
    const { stats } = JSON.parse(readFileSync(file, 'utf8'));
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky + (succeeded || stats.unexpected > 0 ? 0 : 1) };
  } catch {
    return { passed: 0, failed: 1 };
  }
}

/** A database of its own for the tests, and what ends it. */
async function startScratch() {
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-test-'));
  chmodSync(scratch, 0o755);
  const cluster = await startCluster(join(scratch, 'cluster'));
  return {
    scratch,
    url: cluster.url,
    stop: async () => {
      await cluster.stop();
      rmSync(scratch, { recursive: true, force: true });
    },
  };
}

const SKIPPED = new Set(['node_modules', 'dist']);
const testFilesUnder = (path) =>
  readdirSync(path, { withFileTypes: true }).flatMap((entry) => {
    const full = join(path, entry.name);
    if (entry.isDirectory()) return SKIPPED.has(entry.name) ? [] : testFilesUnder(full);
    return /\.(test\.ts|test\.mjs|spec\.ts)$/.test(entry.name) ? [relative(ROOT, full)] : [];
  });

/** Only the files that have this in their path, with a database or a browser only where one of them needs it. */
async function runOnly(word) {
  const files = WORKSPACES.flatMap((name) => testFilesUnder(join(ROOT, name))).filter((file) =>
    file.toLowerCase().includes(word.toLowerCase()),
  );
  if (files.length === 0) {
    console.log(`No test file has “${word}” in its path.\n\n0 passed, 0 failed`);
    process.exit(1);
  }
  const inBrowser = files.filter((file) => file.endsWith('.spec.ts'));
  const units = files.filter((file) => !inBrowser.includes(file));
  const needsDatabase = inBrowser.length > 0 || units.some((file) => /^(?:server|campaign)/.test(file));
  installDebianPackages({ database: needsDatabase, browser: inBrowser.length > 0 });
  installNpmPackages();
  if (needsDatabase) buildIfChanged();
  const database = needsDatabase ? await startScratch() : null;
  const env = database === null ? {} : { HOLLOW_BELL_TEST_CLUSTER: database.url };
  try {
    const results = [
      units.length === 0 || run('unit and API tests', bin('vitest'), ['run', ...units], env),
      inBrowser.length === 0 || run('browser tests', bin('playwright'), ['test', '-c', 'e2e', ...inBrowser], env),
    ];
    process.exitCode = results.every(Boolean) ? 0 : 1;
  } finally {
    await database?.stop();
  }
}

async function runAll() {
  const began = Date.now();
  installDebianPackages({ database: true, browser: true });
  installNpmPackages();
  buildIfChanged();
  console.log(`Ready to test after ${((Date.now() - began) / 1000).toFixed(1)} s`);
  const { scratch, url, stop } = await startScratch();
  const counts = { passed: 0, failed: 0 };
  try {
    const checks = await runChecks();
    const env = { HOLLOW_BELL_TEST_CLUSTER: url };
    const unitReport = join(scratch, 'vitest.json');
    const unit = run(
      'unit and API tests',
      bin('vitest'),
      ['run', '--reporter=dot', '--reporter=json', `--outputFile.json=${unitReport}`],
      env,
    );
    const browserReport = join(scratch, 'playwright.json');
    const browser = run('browser tests', bin('playwright'), ['test', '-c', 'e2e'], { ...env, HOLLOW_BELL_E2E_REPORT: browserReport });
    for (const { passed, failed } of [checks, countVitest(unitReport, unit), countPlaywright(browserReport, browser)]) {
      counts.passed += passed;
      counts.failed += failed;
    }
  } finally {
    await stop();
  }
  console.log(`\nIn ${((Date.now() - began) / 60_000).toFixed(1)} minutes\n\n${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 ? 0 : 1);
}

const [word] = process.argv.slice(2);
runMain(() => (word === undefined ? runAll() : runOnly(word)));
