import { spawn, spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildIfChanged } from './setup/build.mjs';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';

const bin = (name) => join(ROOT, 'node_modules', '.bin', name);

/** What is checked without running it, longest first; each counts as one test. */
const CHECKS = [
  ['lint', bin('eslint'), ['.', '--max-warnings', '0']],
  [
    'types of core, contract, server, e2e, bench and instruments',
    bin('tsc'),
    ['-b', 'core', 'contract', 'server', 'e2e', 'bench', 'instruments'],
  ],
  ['types of web', bin('vue-tsc'), ['--noEmit', '-p', 'web']],
  ['format', bin('prettier'), ['--check', '--log-level', 'warn', '.']],
  [
    'imports run one way',
    bin('depcruise'),
    ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'core', 'contract', 'server', 'web'],
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

async function main() {
  installDebianPackages({ database: true, browser: true });
  installNpmPackages();
  buildIfChanged();
  const scratch = mkdtempSync(join(tmpdir(), 'hollow-bell-test-'));
  chmodSync(scratch, 0o755);
  const cluster = await startCluster(join(scratch, 'cluster'));
  let stopped = false;
  const stop = async () => {
    if (stopped) return;
    stopped = true;
    await cluster.stop();
    rmSync(scratch, { recursive: true, force: true });
  };
  const counts = { passed: 0, failed: 0 };
  try {
    const checks = await runChecks();
    const env = { HOLLOW_BELL_TEST_CLUSTER: cluster.url };
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
  console.log(`\n${counts.passed} passed, ${counts.failed} failed`);
  process.exit(counts.failed === 0 ? 0 : 1);
}

runMain(main);
