import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const DAY_MS = 86_400_000;
const FOUND = Date.now() - 40 * DAY_MS;

const alcohol = (page: Page) => page.locator('[data-figure="Alcohol"]');

async function onDay(page: Page, day: number, station: string): Promise<void> {
  await page.clock.setFixedTime(FOUND + day * DAY_MS);
  await page.goto(page.url().replace(/\/[^/]+$/, `/${station}`));
  await expect(page.getByRole('heading', { level: 1, name: 'Under the stairs' })).toBeVisible();
}

async function read(page: Page, day: number, typed: string): Promise<void> {
  await onDay(page, day, 'watch');
  await type(page.getByRole('textbox', { name: 'Dip line' }), typed);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Written:')).toBeVisible();
}

test('a mead whose past nobody wrote goes from “0.999, about a gallon, tastes like 14 %” into bottles, with honest ranges', async ({
  page,
  emptyCellar,
}) => {
  await page.clock.setFixedTime(FOUND);
  await page.goto(emptyCellar.url);
  await page.getByRole('radio', { name: /^US pounds/ }).check();
  await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();

  await test.step('it begins from where it stands', async () => {
    await page.getByRole('link', { name: 'Begin from one that stands already' }).click();
    await type(page.getByLabel('called'), 'Under the stairs');
    await type(page.getByLabel('how much there is'), '1 gal');
    await type(page.getByLabel('gravity now, at 68 °F'), '0.999');
    await page.locator('label.pick', { hasText: 'how strong it is' }).locator('.el-select').click();
    await page.getByRole('option', { name: 'it tastes like so much' }).click();
    await type(page.getByLabel('about', { exact: true }), '14 %');
    await page.keyboard.press('Tab');
    // A tongue errs by 3 % vol either way.
    await expect(alcohol(page)).toContainText(/1[01]\.\d – 1[67]\.\d/);
    await page.getByRole('button', { name: 'Begin from here' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Under the stairs' })).toBeVisible();
    await expect(page.locator('.log')).toContainText(/found as it stands: about 1\.00\sUS\sgal at 0\.999/);
    await expect(page.locator('.bench-head')).toContainText(/1\.00\sUS\sgal in the 1 gal jug/);
  });

  await test.step('two weeks on one level are not enough for a past that is a guess', async () => {
    await read(page, 8, '0.998 68f');
    await read(page, 15, '0.998 68f');
    await onDay(page, 16, 'bottle');
    await expect(page.locator('[data-test=no-bottling]')).toContainText('above where it should stop');
  });

  await test.step('after four more, and by its maker’s word, it is worth a question, and what was a guess still says so', async () => {
    await read(page, 29, '0.998 68f');
    await read(page, 37, '0.998 68f');
    await onDay(page, 38, 'bottle');
    await page.getByRole('button', { name: 'It stays here' }).click();
    await expect(page.getByText('Written:')).toBeVisible();
    await expect(page.locator('[data-test=no-bottling]')).toContainText('Is it to be bottled as it is?');
    await page.getByRole('button', { name: 'Yes, it goes into glass' }).click();
    await page.getByRole('button', { name: 'as many as fit' }).first().click();
    await page.getByRole('button', { name: /^Bottled \d/ }).click();
    await expect(page.locator('.log')).toContainText(/bottled 4 × 25\.4\sUS\sfl\soz/);
    await expect(page.locator('[data-test=bottled-mead] [data-figure="Alcohol"]')).toContainText(/1[01]\.\d – 1[67]\.\d/);
  });
});
