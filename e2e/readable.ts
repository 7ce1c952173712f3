import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type Axe from 'axe-core';

const GUARD_MS = 20_000;

/** What reaches over the edge once drawings have followed the page's width, outermost first; empty where nothing does. */
export async function overhang(page: Page): Promise<string[]> {
  const fits = (): boolean => document.documentElement.scrollWidth <= document.documentElement.clientWidth;
  const comesToFit = await page.waitForFunction(fits, undefined, { timeout: GUARD_MS }).then(
    () => true,
    () => false,
  );
  if (comesToFit) return [];
  return page.evaluate(() => {
    const edge = document.documentElement.clientWidth;
    const isOver = (element: Element): boolean => element.getBoundingClientRect().right > edge + 0.5;
    const scrolls = (element: Element | null): boolean =>
      element !== null &&
      element !== document.body &&
      (getComputedStyle(element).overflowX !== 'visible' || scrolls(element.parentElement));
    return [...document.querySelectorAll('body *')]
      .filter((element) => isOver(element) && !scrolls(element.parentElement) && ![...element.children].some((child) => isOver(child)))
      .slice(0, 4)
      .map((element) => `${element.parentElement?.className ?? ''} > ${element.tagName.toLowerCase()}.${element.className}`);
  });
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe finds in a part of the page, but what it calls minor; by all its rules where none are named. Its script is put in once a page. */
async function faultsOf(page: Page, part: string, rules?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in globalThis))) await page.evaluate(AXE);
  return page.evaluate(
    async ({ within, only }) => {
      const { violations } = await (globalThis as unknown as { axe: typeof Axe }).axe.run(within, {
        resultTypes: ['violations'],
        ...(only === undefined ? {} : { runOnly: { type: 'rule', values: [...only] } }),
      });
      return violations
        .filter(({ impact }) => impact !== 'minor')
        .map(
          ({ id, nodes }) =>
            `${id}: ${nodes
              .slice(0, 3)
              .map((node) => node.target.join(' '))
              .join('; ')}`,
        );
    },
    { within: part, only: rules },
  );
}

/** Turns the light of an open page, as another window of the same browser would. */
const turnLight = (page: Page, light: 'day' | 'cellar'): Promise<void> =>
  page.evaluate((newValue) => {
    localStorage.setItem('hollow-bell-light', newValue);
    dispatchEvent(new StorageEvent('storage', { key: 'hollow-bell-light', newValue, storageArea: localStorage }));
  }, light);

/**
 * What axe finds as the page stands, by all its rules in daylight and by what the light changes in cellar light; daylight is left on.
 * @param part only within this
 */
export async function faultsInBothLights(page: Page, part = 'html'): Promise<string[]> {
  const byDay = await faultsOf(page, part);
  await turnLight(page, 'cellar');
  const byNight = await faultsOf(page, part, ['color-contrast']);
  await turnLight(page, 'day');
  return [...byDay, ...byNight.map((each) => `in cellar light: ${each}`)];
}
