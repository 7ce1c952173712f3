import { defineConfig } from '@playwright/test';
import { BROWSER } from './browser.ts';

export default defineConfig({
  testDir: '.',
  testMatch: '*.spec.ts',
  workers: 2,
  retries: 0,
  timeout: 60_000,
  expect: { timeout: 20_000 },
  reporter: [['list'], ['json', { outputFile: process.env['HOLLOW_BELL_E2E_REPORT'] ?? '../test-results/e2e.json' }]],
  outputDir: '../test-results/e2e',
  use: {
    locale: 'en-GB',
    timezoneId: 'Europe/Berlin',
    viewport: { width: 1280, height: 800 },
    actionTimeout: 20_000,
    // What answers in the server's stead would hide what the server does; the tests of it ask for it.
    serviceWorkers: 'block',
    trace: 'retain-on-failure',
    launchOptions: BROWSER,
  },
});
