import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(dirname(fileURLToPath(import.meta.url))));
export const DATA_FOLDER = join(ROOT, '.data');
/** Inside the data folder. */
export const BACKUPS = 'backups';
export const WEB_DIST = join(ROOT, 'web', 'dist');
export const SERVER_DIST = join(ROOT, 'server', 'dist', 'main.js');

/** A failure that is said in one sentence, without a stack. */
export class Plain extends Error {}

/** Runs a script's main and says plain failures plainly. */
export function runMain(main) {
  main().catch((error) => {
    console.error(error instanceof Plain ? `\nHollow Bell: ${error.message}` : error);
    process.exit(1);
  });
}
