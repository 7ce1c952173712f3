import { chromium } from '@playwright/test';
import type { Page } from '@playwright/test';
import { BROWSER } from '../e2e/browser.ts';
import { fillClub } from '../e2e/clubCellar.ts';
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

const STATIONS = ['pitch', 'feed', 'watch', 'clear', 'stabilize', 'sweeten', 'bottle', 'taste', 'formulate'];
/** A maker who looks before pressing on. */
const PAUSE_MS = 600;

/** As text: what is compiled here for Node.js names its functions in a way that no page knows. */
const UNTIL_OPEN = `(selector) => new Promise((resolve, reject) => {
  const target = document.querySelector(selector);
  const before = document.querySelector('main h1');
  if (target === null) return reject(new Error('nothing to press: ' + selector));
  const began = performance.now();
  const look = () => {
    const head = document.querySelector('main h1');
    if (head === null || head === before) requestAnimationFrame(look);
    else requestAnimationFrame(() => setTimeout(() => resolve(performance.now() - began)));
  };
  target.click();
  look();
})`;

/** Milliseconds from a press on a link until the heading of what it opens is another and painted, by the page's own clock. */
const untilOpen = (page: Page, link: string): Promise<number> => page.evaluate<number>(`(${UNTIL_OPEN})(${JSON.stringify(link)})`);

/** Every station of the batch that is open, for the first time and again. */
async function stationLines(page: Page): Promise<string[]> {
  const lines: string[] = [];
  for (const when of ['for the first time', 'again']) {
    const times: [name: string, ms: number][] = [];
    for (const name of STATIONS) {
      times.push([name, await untilOpen(page, `a[href$='/${name}']`)]);
      await page.waitForTimeout(PAUSE_MS);
    }
    const told = times.map(([name, ms]) => `${name} ${ms.toFixed(0)}`).join(', ');
    lines.push(`a station opened ${when}: slowest ${Math.max(...times.map(([, ms]) => ms)).toFixed(0)} ms, budget 150 ms (${told})`);
  }
  return lines;
}

const FIRST_ASK = `(() => {
  const look = () => {
    if (document.querySelector('[aria-label="What the vessels ask for"] li') === null) requestAnimationFrame(look);
    else requestAnimationFrame(() => setTimeout(() => { window.firstAskMs = performance.now(); }));
  };
  look();
})()`;

/** Rounds of a club’s cellar, opened anew and come back to. */
async function roundsLine(page: Page): Promise<string> {
  const cellar = await startCellar(false);
  try {
    await fillClub(cellar.url, 200);
    const first = page.getByRole('list', { name: 'What the vessels ask for' }).getByRole('listitem').first();
    await page.goto(cellar.url);
    await first.waitFor();
    await page.waitForLoadState('networkidle');
    await page.addInitScript(FIRST_ASK);
    await page.reload();
    const anew = await page.waitForFunction(() => (window as unknown as { firstAskMs?: number }).firstAskMs).then((at) => at.jsonValue());
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.waitForLoadState('networkidle');
    const back = await untilOpen(page, 'header a[href="/"]');
    return `Rounds with 200 vessels: its first ask ${(anew ?? Number.NaN).toFixed(0)} ms after the page is opened anew, ${back.toFixed(0)} ms after it is come back to, budget 300 ms`;
  } finally {
    await cellar.stop();
  }
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
    const stations = await stationLines(page);
    return [
      `first view, scripts on the wire: ${(bytes / 1000).toFixed(0)} kB, budget 125 kB`,
      `the page while ${ROUNDS * QUESTIONS.length} forecasts are worked out: ${longestMs === 0 ? 'no task over 50 ms' : `longest task ${longestMs.toFixed(0)} ms`}, budget 50 ms`,
      ...stations,
      await roundsLine(page),
    ];
  } finally {
    await browser.close();
    await cellar.stop();
  }
}
