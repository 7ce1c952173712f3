import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';

const VIEWS: [name: string, open: (page: Page, url: string) => Promise<void>][] = [
  ['Rounds', (page, url) => go(page, url, 'for you')],
  ['the formulation', (page, url) => go(page, `${url}/batches/new`, 'What it makes')],
  ['House', (page, url) => go(page, `${url}/house`, 'Your units')],
  ...(['watch', 'feed', 'clear', 'stabilize', 'bottle', 'taste'] as const).map((station): (typeof VIEWS)[number] => [
    station,
    async (page, url) => {
      await go(page, `${url}/batches`, 'Batches');
      await page.getByRole('link', { name: /Borage, even/ }).click();
      await page.getByRole('link', { name: new RegExp(`^${station}`, 'i') }).click();
      await expect(page).toHaveURL(new RegExp(`/${station}$`));
      await expect(page.locator('.log')).toBeVisible();
    },
  ]),
];

async function go(page: Page, url: string, sees: string): Promise<void> {
  await page.goto(url);
  await expect(page.getByText(sees).first()).toBeVisible();
}

for (const light of ['day', 'cellar'] as const) {
  test(`every view can be read and worked by all, in ${light} light`, async ({ page, demoCellar }) => {
    test.setTimeout(120_000);
    const errors: string[] = [];
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
    await page.addInitScript((kept) => localStorage.setItem('hollow-bell-light', kept), light);
    for (const [name, open] of VIEWS) {
      await open(page, demoCellar.url);
      const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']).analyze();
      expect(violations.map(({ id, nodes }) => `${name}: ${id}: ${nodes.map((node) => node.target.join(' ')).join('; ')}`)).toEqual([]);
    }
    expect(errors).toEqual([]);
  });
}

test('a phone shows every view without scrolling sideways', async ({ page, demoCellar }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [name, open] of VIEWS) {
    await open(page, demoCellar.url);
    const overhang = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(overhang, name).toBeLessThanOrEqual(0);
  }
});

test('the level is dragged and typed alike, and the keyboard reaches it', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches/new`);
  const level = page.getByRole('slider', { name: 'Level of the must' });
  const volume = page.getByLabel('Volume of must', { exact: true });
  await expect(volume).toHaveValue('5.00');
  await level.focus();
  await page.keyboard.press('ArrowUp');
  await expect(volume).toHaveValue('5.10');
  const box = (await level.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 60, { steps: 4 });
  await page.mouse.up();
  expect(Number(await volume.inputValue())).toBeGreaterThan(6);
  await expect(page.getByLabel('Original gravity', { exact: true })).toHaveValue('1.095');
});

test('holds that contradict leave the must as it was and say why', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches/new`);
  const honey = page.getByLabel('Honey, all lots', { exact: true });
  const before = await honey.inputValue();
  await page.getByLabel('Alcohol it ends with', { exact: true }).fill('19');
  await expect(page.getByRole('alert')).toContainText('stops near 14 % vol');
  await expect(honey).toHaveValue(before);
  await page.getByLabel('Alcohol it ends with', { exact: true }).fill('11');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(honey).not.toHaveValue(before);
});
