import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parseArgs } from 'node:util';
import { buildIfChanged } from './setup/build.mjs';
import { startCluster } from './setup/cluster.mjs';
import { installDebianPackages, installNpmPackages } from './setup/install.mjs';
import { DATA_FOLDER, Plain, ROOT, SERVER_DIST, WEB_DIST, runMain } from './setup/paths.mjs';

const { values: flags } = parseArgs({
  options: {
    demo: { type: 'boolean', default: false },
    dev: { type: 'boolean', default: false },
    port: { type: 'string' },
    data: { type: 'string' },
  },
});
const HOST = '127.0.0.1';
const port = Number(flags.port ?? process.env.PORT ?? 4173);

function requireFreePort() {
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new Plain(`“${flags.port ?? process.env.PORT}” is no port; give a number from 1 to 65535.`);
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', (error) =>
      reject(
        new Plain(
          error.code === 'EADDRINUSE'
            ? `port ${port} is taken by another program; choose one with “--port 5000” or PORT=5000.`
            : `port ${port} cannot be used: ${error.message}.`,
        ),
      ),
    );
    probe.listen(port, HOST, () => probe.close(resolve));
  });
}

/** The web app with hot reload in front of the API, which restarts when its sources change. */
async function runDevelopment(databaseUrl) {
  const apiPort = port + 1;
  const env = { ...process.env, DATABASE_URL: databaseUrl, API_PORT: String(apiPort), WEB_PORT: String(port) };
  const children = [
    spawn(process.execPath, ['--watch-preserve-output', '--watch', '--import', 'tsx', join(ROOT, 'server', 'src', 'dev.ts')], {
      cwd: ROOT,
      env,
      stdio: 'inherit',
    }),
    spawn(process.execPath, [join(ROOT, 'node_modules', 'vite', 'bin', 'vite.js'), 'web'], { cwd: ROOT, env, stdio: 'inherit' }),
  ];
  return { address: `http://localhost:${port}`, stop: async () => void children.forEach((child) => child.kill()) };
}

/** Started by npm, it ends when npm is gone, even where npm could not say so. */
function stopWithNpm(stop) {
  if (process.env.npm_lifecycle_event === undefined) return;
  const npm = process.ppid;
  setInterval(() => {
    if (process.ppid !== npm) stop();
  }, 500).unref();
}

async function main() {
  await requireFreePort();
  const givenUrl = process.env.DATABASE_URL;
  installDebianPackages({ database: givenUrl === undefined, browser: false });
  installNpmPackages();
  if (!flags.dev) buildIfChanged();
  const cluster = givenUrl === undefined ? await startCluster(flags.data ?? process.env.HOLLOW_BELL_DATA ?? DATA_FOLDER) : null;
  const databaseUrl = cluster?.url ?? givenUrl;

  let running = null;
  let stopping = false;
  const stop = async (code) => {
    if (stopping) return;
    stopping = true;
    await running?.stop();
    await cluster?.stop();
    process.exit(code);
  };
  stopWithNpm(() => void stop(0));
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => void stop(0));

  try {
    if (flags.dev) running = await runDevelopment(databaseUrl);
    else {
      const { startServer } = await import(pathToFileURL(SERVER_DIST).href);
      const config = {
        host: process.env.HOST ?? HOST,
        port,
        databaseUrl,
        webRoot: WEB_DIST,
        logLevel: process.env.LOG_LEVEL ?? 'warn',
        requestsPerMinute: 2000,
      };
      running = await startServer(config, { demo: flags.demo });
    }
  } catch (error) {
    await cluster?.stop();
    throw new Plain(error instanceof Error ? error.message : String(error));
  }
  const address = `${running.address.replace('127.0.0.1', 'localhost')}${flags.demo ? '/demo/' : ''}`;
  console.log(`\nHollow Bell is at ${address}\nStop it with Ctrl-C; everything entered stays.`);
}

runMain(main);
