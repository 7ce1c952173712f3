import type { Page } from '@playwright/test';
import { expect } from './cellar.ts';

/** An address with what differs from batch to batch left out: one view each. */
const viewOf = (path: string): string => path.replaceAll(/[0-9a-f]{8}-[0-9a-f-]{27}/g, ':id');

/** Waits until a view shows its heading and no longer says that it is on its way. */
async function settled(page: Page): Promise<void> {
  await expect(page.locator('h1').first()).toBeAttached();
  await expect(page.getByText(/^(?:Opening the|Looking at|One moment|Reading the)/).filter({ visible: true })).toHaveCount(0);
}

/** How a view is come to: opened anew, as from outside, or from the one before it, which loads nothing twice. */
type Way = (page: Page, address: URL) => Promise<void>;
export const anew: Way = async (page, address) => {
  await page.goto(address.href);
};
export const onwards: Way = async (page, address) => {
  if (page.url() === 'about:blank') {
    await page.goto(address.href);
    return;
  }
  const before = await page.title();
  await page.evaluate((path) => {
    history.pushState(null, '', path);
    dispatchEvent(new PopStateEvent('popstate', { state: null }));
  }, address.pathname);
  await expect(page).not.toHaveTitle(before);
};

/**
 * Every view that a link leads to, each once, beginning at Rounds: a new place or tool is walked without being listed.
 * @param look what is held against each
 */
export async function everyView(page: Page, url: string, come: Way, look: (path: string) => Promise<void>): Promise<string[]> {
  const base = new URL(url);
  const waiting = [`${base.pathname}/`, `${base.pathname}/batches/new`, `${base.pathname}/batches/found`];
  const seen = new Map<string, string>();
  for (let path = waiting.shift(); path !== undefined; path = waiting.shift()) {
    if (seen.has(viewOf(path))) continue;
    seen.set(viewOf(path), path);
    await come(page, new URL(path, base));
    await page.waitForURL(`${base.origin}${path}`);
    await settled(page);
    await look(path);
    const links = await page.locator('a[href]:not([download])').evaluateAll((all) => all.map((link) => (link as HTMLAnchorElement).href));
    for (const link of links) {
      const { origin, pathname } = new URL(link);
      if (origin === base.origin && pathname.startsWith(base.pathname) && !pathname.includes('/api/')) waiting.push(pathname);
    }
  }
  return [...seen.values()];
}
