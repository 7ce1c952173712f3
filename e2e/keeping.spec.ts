import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';
import type { Cellar } from './startCellar.ts';

async function openBatch(page: Page, cellar: Cellar, name: string): Promise<void> {
  await page.goto(`${cellar.url}/batches`);
  await page.getByRole('link', { name }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}
const dipLine = (page: Page) => page.getByRole('textbox', { name: 'Dip line' });
const log = (page: Page) => page.locator('.log li');

test('what was typed in a row of the brew day is what is poured, and nothing is ticked that was not asked for', async ({
  page,
  demoCellar,
}) => {
  await openBatch(page, demoCellar, 'Linden for spring');
  await page.getByRole('link', { name: /^Pitch/ }).click();
  const water = page.locator('[data-step=water]').getByRole('textbox');
  const planned = await water.inputValue();
  await type(water, '3.5x');
  await expect(page.getByRole('button', { name: /^All / })).toBeDisabled();
  await type(water, '3.51');
  await page.getByRole('button', { name: /^All / }).click();
  await expect(log(page).filter({ hasText: /poured 3\.51\sL water/ })).toHaveCount(1);
  expect(planned).not.toBe('3.51');
  await expect(page.locator('[data-step=stir] [role=checkbox]')).toHaveAttribute('aria-checked', 'false');
});

test('a must that was begun and settings that were changed are there again after leaving', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches/new`);
  await type(page.getByLabel('Name of the batch'), 'Begun on a Friday');
  await type(page.getByLabel('Original gravity', { exact: true }), '1.083');
  await page.getByRole('link', { name: 'House', exact: true }).click();
  await type(page.getByLabel('Room temperature', { exact: true }), '23');
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  await expect(page.getByText('for you')).toBeVisible();
  await page.getByRole('link', { name: 'House', exact: true }).click();
  await expect(page.getByLabel('Room temperature', { exact: true })).toHaveValue(/^23/);
  await page.goto(`${demoCellar.url}/batches/new`);
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Begun on a Friday');
  await expect(page.getByLabel('Original gravity', { exact: true })).toHaveValue('1.083');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('');
});

test('a dialog takes the keys, and single keys rest while it is open or where they are turned off', async ({ page, demoCellar }) => {
  await openBatch(page, demoCellar, 'Borage, even');
  const address = page.url();
  await page.getByRole('button', { name: 'Add something' }).click();
  await expect(page.getByRole('dialog').locator('input').first()).toBeFocused();
  await page.keyboard.type('honey n');
  await page.getByRole('dialog').getByRole('heading').first().click();
  await page.keyboard.press('n');
  expect(page.url()).toBe(address);
  await page.goto(`${demoCellar.url}/house`);
  await page.getByLabel(/single keys/).uncheck();
  await page.goto(demoCellar.url);
  await expect(page.getByText('for you')).toBeVisible();
  await page.keyboard.press('n');
  await expect(page).toHaveURL(/\/$/);
});

test('a batch that was split off takes a reading with its temperature, and opens again', async ({ page, demoCellar }) => {
  await openBatch(page, demoCellar, 'Linden B, second jug');
  await page.getByRole('link', { name: /^Watch/ }).click();
  await expect(log(page)).not.toHaveCount(0);
  const before = await log(page).count();
  await type(dipLine(page), '0.994 20c');
  await expect(page.locator('.dip .under')).toContainText('Gravity 0.994');
  await page.locator('.dip .under').getByRole('button').click();
  await expect(log(page)).toHaveCount(before + 1);
  await page.reload();
  await expect(log(page)).toHaveCount(before + 1);
});

test('Rounds is quiet only where that is known', async ({ page, readCellar }) => {
  await page.route('**/api/rounds', (route) => route.abort());
  await page.goto(readCellar.url);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/cannot be read just now/);
});
