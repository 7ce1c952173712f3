import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { BROWSER } from '../e2e/browser.ts';
import { startCellar } from '../e2e/startCellar.ts';

const BATCH = 'Borage, even';
const QUESTIONS = [/warmer/, /fed now/, /nothing more/, /as planned/];
const ROUNDS = 3;

/** Bytes of script on the wire until the first view stands. */
async function scriptBytes(page: Page, url: string): Promise<number> {
  const session = await page.context().newCDPSession(page);
  await session.send('Network.enable');
  const scripts = new Set<string>();
  let bytes = 0;
  session.on('Network.responseReceived', ({ requestId, type }) => {
    if (type === 'Script') scripts.add(requestId);
  });
  session.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (scripts.has(requestId)) bytes += encodedDataLength;
  });
  await page.goto(url);
  await page.getByText('ask for you').waitFor();
  await page.waitForLoadState('networkidle');
  await session.detach();
  return bytes;
}

/** The longest task of the page, in ms, while forecast after forecast is worked out in its worker; 0 where none was over 50. */
async function longestTask(page: Page): Promise<number> {
  const forecast = page.locator('[data-test=forecast]');
  const working = forecast.getByText('Working it out');
  const isAnswered = () => working.waitFor({ state: 'detached' });
  await forecast.getByText('It ends').waitFor();
  await isAnswered();
  await page.evaluate(() => {
    const seen: number[] = [];
    Object.assign(window, { longTasks: seen });
    new PerformanceObserver((list) => list.getEntries().forEach(({ duration }) => seen.push(duration))).observe({
      entryTypes: ['longtask'],
    });
  });
  for (let round = 0; round < ROUNDS; round++)
    for (const name of QUESTIONS) {
      await forecast.getByRole('button', { name }).click();
      await working.waitFor();
      await isAnswered();
    }
  return page.evaluate(() => Math.max(0, ...(window as unknown as { longTasks: number[] }).longTasks));
}

/** What the browser has to bear: the first view's scripts, and the page while it forecasts. */
export async function pageTimes(): Promise<string[]> {
  const cellar = await startCellar(true);
  const browser = await chromium.launch(BROWSER);
  try {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, locale: 'en-GB' });
    const bytes = await scriptBytes(page, cellar.url);
    await page.getByRole('link', { name: BATCH, exact: true }).first().click();
    await page.getByRole('link', { name: /^Watch/ }).click();
    const longestMs = await longestTask(page);
    return [
      `first view, scripts on the wire: ${(bytes / 1000).toFixed(0)} kB, budget 125 kB`,
      `the page while ${ROUNDS * QUESTIONS.length} forecasts are worked out: ${longestMs === 0 ? 'no task over 50 ms' : `longest task ${longestMs.toFixed(0)} ms`}, budget 50 ms`,
    ];
  } finally {
    await browser.close();
    await cellar.stop();
  }
}
