import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { buildIfChanged } from './setup/build.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { ROOT, runMain } from './setup/paths.mjs';
import { PARTS, partsWith } from './suite/parts.mjs';
import { readReport, splitOf } from './suite/report.mjs';
import { runInLanes } from './suite/lanes.mjs';

/** On two cores: what waits for a browser or a database leaves room for a third. */
const LANES = 3;

const say = (line) => console.log(line);

/** Runs one part to its end; what it says is said whole once it has ended, so that several can run side by side. */
async function runPart(part, { scratch, clusterUrl }) {
  const began = Date.now();
  const report = join(scratch, `${part.name.replaceAll(' ', '-')}.json`);
  const reporters = part.kind === 'units' ? ['--reporter=dot', '--reporter=json', `--outputFile.json=${report}`] : [];
  // However this process ends, what it began ends with it.
  const child = spawn('/usr/bin/setpriv', ['--pdeathsig=TERM', '--', ...part.command, ...reporters], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'pipe'],
    env: {
      ...process.env,
      NODE_NO_WARNINGS: '1',
      NO_COLOR: '1',
      HOLLOW_BELL_E2E_REPORT: report,
      ...(clusterUrl === undefined ? {} : { HOLLOW_BELL_TEST_CLUSTER: clusterUrl }),
    },
  });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (said += chunk));
  const [code] = await once(child, 'close');
  const seconds = (Date.now() - began) / 1000;
  say(`\n— ${part.name}\n${said.trim()}\n  ${code === 0 ? 'ok' : 'FAILED'}, ${seconds.toFixed(1)} s`);
  return { name: part.name, seconds, ...readReport(part.kind, report, code === 0) };
}

async function main() {
  const [word] = process.argv.slice(2);
  const began = Date.now();
  const parts = word === undefined ? PARTS : partsWith(word);
  if (parts.length === 0) {
    say(`No test file has “${word}” in its path.\n\n0 passed, 0 failed`);
    process.exit(1);
  }
  const needsDatabase = parts.some((part) => part.needsDatabase);
  installDebianPackages({ database: needsDatabase, browser: parts.some(({ kind }) => kind === 'browser') });
  installNpmPackages();
  const { scratchFolder, startScratchCluster } = await import('./suite/scratch.mjs');
  const scratch = scratchFolder(say);
  let cluster;
  const database = async () => {
    await buildIfChanged();
    cluster = await startScratchCluster(scratch, say);
    say(`Built, and templates filled, after ${((Date.now() - began) / 1000).toFixed(1)} s`);
  };
  try {
    const results = await runInLanes(parts, {
      lanes: LANES,
      ready: needsDatabase ? database() : Promise.resolve(),
      run: (part) => runPart(part, { scratch, clusterUrl: cluster?.url }),
    });
    const total = (key) => results.reduce((sum, each) => sum + each[key], 0);
    say(`\n${splitOf(results).join('\n')}`);
    say(`\nIn ${((Date.now() - began) / 60_000).toFixed(1)} minutes\n\n${total('passed')} passed, ${total('failed')} failed`);
    process.exitCode = total('failed') === 0 ? 0 : 1;
  } finally {
    await cluster?.stop();
    rmSync(scratch, { recursive: true, force: true });
  }
}

runMain(main);
