import type { BatchList } from '@hollow-bell/contract';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { anew, everyView } from './everyView.ts';
import { faultsInBothLights, overhang } from './readable.ts';
import { type } from './typing.ts';

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

test('every view has its own title and one heading, can be read by all in both lights, and fits a phone, a small one, and twice the text', async ({
  page,
  readCellar,
}) => {
  await page.emulateMedia({ reducedMotion: 'reduce' });
  const titles = new Map<string, string>();
  const wrong: string[] = [];
  page.on('console', (message) => message.type() === 'error' && wrong.push(message.text()));
  await page.addInitScript(() => localStorage.setItem('hollow-bell-light', 'day'));
  const views = await everyView(page, readCellar.url, anew, async (path) => {
    const title = await page.title();
    if (!title.endsWith(' · Hollow Bell') || [...titles.values()].includes(title)) wrong.push(`${path}: title “${title}”`);
    titles.set(path, title);
    const headings = await page.locator('h1').allInnerTexts();
    if (headings.length !== 1 || headings[0]!.trim() === '') wrong.push(`${path}: ${headings.length} h1`);
    if ((await page.locator('nav[aria-label=Places] [aria-current=page]').count()) > 1) wrong.push(`${path}: several places are current`);
    const byAxe = async (at: string): Promise<void> => {
      wrong.push(...(await faultsInBothLights(page)).map((each) => `${path} ${at}: ${each}`));
    };
    await byAxe('on a desk');
    for (const width of [390, 320, 195]) {
      await page.setViewportSize({ width, height: 844 });
      const over = await overhang(page);
      if (over.length > 0) wrong.push(`${path} at ${width}: ${over.join(', ')}`);
      if (width !== 390) continue;
      wrong.push(...(await smallTargets(page)).map((each) => `${path}: small ${each}`));
      wrong.push(...(await smallFields(page)).map((each) => `${path}: a phone zooms into ${each}`));
      await byAxe('on a phone');
    }
    await page.setViewportSize({ width: 1280, height: 800 });
  });
  expect(views.length).toBeGreaterThan(35);
  expect(wrong).toEqual([]);
});

test('doses, outcomes and forecasts are said once, when they have come to rest', async ({ page, readCellar }) => {
  const { batches } = (await (await fetch(`${readCellar.url}/api/batches`)).json()) as BatchList;
  const at = (name: string, station: string): string =>
    `${readCellar.url}/batches/${batches.find((batch) => batch.name === name)!.id}/${station}`;
  const spoken = page.locator('[data-test=spoken]').filter({ hasText: /\S/ });
  await page.goto(at('Borage, even', 'watch'));
  await expect(spoken).toHaveText(/It ends: .*It sticks before that: /);
  await page.getByRole('button', { name: 'fed now' }).click();
  await expect(spoken).toHaveText(/It ends: .*sticks /);
  await page.goto(at('Linden B', 'sweeten'));
  await type(page.getByLabel('gravity wanted'), '1.005');
  await expect(spoken).toHaveText(/Gravity .* becomes 1\.005, alcohol /);
});
