import { basename, join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { BROWSER } from './browser.ts';

const report = process.env['HOLLOW_BELL_E2E_REPORT'] ?? '../test-results/e2e.json';

/** What is held against each view in turn, one visit each. */
const VIEWS = ['reader.spec.ts', 'dialogs.spec.ts', 'locale.spec.ts'];

export default defineConfig({
  testDir: '.',
  projects: [
    { name: 'views', testMatch: VIEWS },
    { name: 'walks', testMatch: '*.spec.ts', testIgnore: VIEWS },
  ],
  workers: 2,
  fullyParallel: true,
  retries: 0,
  // Guards against what hangs, far from how long anything takes: no test fails because the machine is busy.
  timeout: 600_000,
  expect: { timeout: 60_000 },
  reporter: [['list'], ['json', { outputFile: report }]],
  // Each cut of the suite has its own: a run empties it first.
  outputDir: join('../test-results', basename(report, '.json')),
  use: {
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    // What moves is drawn by the processor here, and a click waits until it rests.
    contextOptions: { reducedMotion: 'reduce' },
    viewport: { width: 1280, height: 800 },
    actionTimeout: 60_000,
    // What answers in the server's stead would hide what the server does; the tests of it ask for it.
    serviceWorkers: 'block',
    // A trace costs a tenth of each test: it is asked for with “--trace on” where one fails.
    screenshot: 'only-on-failure',
    launchOptions: BROWSER,
  },
});
