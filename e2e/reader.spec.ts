import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { everyView } from './everyView.ts';

/** What reaches over the edge, outermost first; empty where nothing does. */
const overhang = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const edge = document.documentElement.clientWidth;
    if (document.documentElement.scrollWidth <= edge) return [];
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

/** Targets that a wet finger misses: anything under 24 px, and what a row or a form does under 44. */
const smallTargets = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const isInText = (element: Element): boolean => getComputedStyle(element).display === 'inline';
    return [...document.querySelectorAll<HTMLElement>('main button, main a[href], .thumb button')]
      .filter((element) => element.getClientRects().length > 0 && !isInText(element) && element.closest('.visually-hidden, svg') === null)
      .flatMap((element) => {
        const { width, height } = element.getBoundingClientRect();
        const least = element.matches('.deeds button, .el-button') ? 43.5 : 23.5;
        return Math.min(width, height) < least
          ? [`${element.textContent.trim().slice(0, 24)} ${Math.round(width)}×${Math.round(height)}`]
          : [];
      })
      .slice(0, 5);
  });
const smallFields = (page: Page): Promise<string[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll<HTMLInputElement>('input:not([type=checkbox], [type=radio], [type=file]), textarea')]
      .filter((field) => field.getClientRects().length > 0 && Number.parseFloat(getComputedStyle(field).fontSize) < 16)
      .slice(0, 3)
      .map((field) => field.ariaLabel ?? field.className),
  );

const told = ({ violations }: Awaited<ReturnType<AxeBuilder['analyze']>>): string[] =>
  violations
    .filter(({ impact }) => impact !== 'minor')
    .map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map((node) => node.target.join(' '))
          .join('; ')}`,
    );

test('every view has its own title and one heading, can be read by all, and fits a phone, a small one, and twice the text', async ({
  page,
  readCellar,
}) => {
  test.setTimeout(600_000);
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const titles = new Map<string, string>();
  const wrong: string[] = [];
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  await page.addInitScript(() => localStorage.setItem('hollow-bell-light', 'day'));
  const views = await everyView(page, readCellar.url, async (path) => {
    const title = await page.title();
    if (!title.endsWith(' · Hollow Bell') || [...titles.values()].includes(title)) wrong.push(`${path}: title “${title}”`);
    titles.set(path, title);
    const headings = await page.locator('h1').allInnerTexts();
    if (headings.length !== 1 || headings[0]!.trim() === '') wrong.push(`${path}: ${headings.length} h1`);
    if ((await page.locator('nav[aria-label=Places] [aria-current=page]').count()) > 1) wrong.push(`${path}: several places are current`);
    wrong.push(...told(await new AxeBuilder({ page }).analyze()).map((each) => `${path}: ${each}`));
    for (const width of [390, 320, 195]) {
      await page.setViewportSize({ width, height: 844 });
      const over = await overhang(page);
      if (over.length > 0) wrong.push(`${path} at ${width}: ${over.join(', ')}`);
      if (width !== 390) continue;
      wrong.push(...(await smallTargets(page)).map((each) => `${path}: small ${each}`));
      wrong.push(...(await smallFields(page)).map((each) => `${path}: a phone zooms into ${each}`));
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  });
  expect(views.length).toBeGreaterThan(35);
  expect(wrong).toEqual([]);
});

test('every view can be read on a phone in cellar light, and so can the pad and the dialogs', async ({ page, readCellar }) => {
  test.setTimeout(600_000);
  const wrong: string[] = [];
  await page.setViewportSize({ width: 390, height: 844 });
  await page.addInitScript(() => localStorage.setItem('hollow-bell-light', 'cellar'));
  const check = async (what: string): Promise<void> => {
    wrong.push(...told(await new AxeBuilder({ page }).analyze()).map((each) => `${what}: ${each}`));
  };
  await everyView(page, readCellar.url, check);
  await page.goto(readCellar.url);
  await page.getByRole('button', { name: 'Read Borage, even' }).click();
  await expect(page.getByRole('group', { name: 'Keys' })).toBeVisible();
  await page.keyboard.type('1012');
  await check('the pad');
  await page.keyboard.press('Escape');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await check('the sheet of keys');
  expect(wrong).toEqual([]);
});
