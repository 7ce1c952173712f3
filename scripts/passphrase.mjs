import { once } from 'node:events';
import { createInterface } from 'node:readline';
import { Writable } from 'node:stream';
import { pathToFileURL } from 'node:url';
import { buildIfChanged } from './setup/build.mjs';
import { withCellar } from './setup/cellar.mjs';
import { installNpmPackages } from './setup/install.mjs';
import { Plain, SERVER_DIST, runMain } from './setup/paths.mjs';

/** Asks without showing what is typed; takes a line that is piped in, and nothing for an end without one. */
async function asked(question) {
  const hidden = new Writable({ write: (_chunk, _encoding, done) => done() });
  process.stdout.write(question);
  const lines = createInterface({ input: process.stdin, output: hidden, terminal: process.stdin.isTTY === true });
  const [answer = ''] = await Promise.race([once(lines, 'line'), once(lines, 'close')]);
  lines.close();
  process.stdout.write('\n');
  return answer;
}

/** Sets what everybody in the house must know to come in, from the console: npm run passphrase. Hollow Bell may be running. */
async function main() {
  installNpmPackages();
  await buildIfChanged();
  const passphrase = await asked('The new passphrase of this cellar: ');
  await withCellar({ mayRun: true }, async (url, backups) => {
    const { setPassphrase } = await import(pathToFileURL(SERVER_DIST).href);
    await setPassphrase(url, passphrase, () => backups.write('before-migration')).catch((error) => {
      throw new Plain(error.message);
    });
    console.log('It is set. Every device of the house signs in anew.');
  });
}

runMain(main);
