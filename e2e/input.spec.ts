import type { Page } from '@playwright/test';
import { Client } from 'pg';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';
import type { Cellar } from './startCellar.ts';

async function openBatch(page: Page, cellar: Cellar, name: string): Promise<void> {
  await page.goto(`${cellar.url}/batches`);
  await page.getByRole('link', { name: new RegExp(name) }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
  await page.getByRole('link', { name: /^Watch/ }).click();
  await expect(page.getByLabel('hydrometer reads')).toBeVisible();
}

const dipLine = (page: Page) => page.getByRole('textbox', { name: 'Dip line' });
const status = (page: Page) => page.locator('.dip .under');

test.describe('the dip line', () => {
  test('offers what was meant, keeps what was typed, and undoes', async ({ page, demoCellar }) => {
    await openBatch(page, demoCellar, 'Borage, even');
    const log = page.locator('.log li');
    const before = await log.count();
    await type(dipLine(page), '1077 21c');
    await expect(status(page)).toContainText('1077 of what?');
    await status(page).getByRole('button', { name: 'gravity 1.077' }).click();
    await expect(dipLine(page)).toHaveValue('1.077');
    await type(dipLine(page), '1.077 21c');
    await expect(status(page)).toContainText('Gravity 1.077 at 21 °C');
    await dipLine(page).press('Enter');
    await expect(page.getByText('Written: Gravity 1.077')).toBeVisible();
    await expect(log).toHaveCount(before + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(log.first()).toContainText('taken back');
  });

  test('answers what cannot be with one sentence each', async ({ page, readCellar }) => {
    await openBatch(page, readCellar, 'Borage, even');
    for (const [typed, sentence] of [
      ['10,48', 'of what?'],
      ['1.048 200c', '200 °C cannot be'],
      ['ph abc 1', 'I do not understand “ph abc 1”'],
      ['blorped 3 l', 'keep the line as a note'],
      ['fed 50 g dap', 'may go into this volume by the cap'],
      ['14 bx', 'faster than musts fall'],
      ['34 bx', 'more than this must ever held'],
      ['0.950', 'no specific gravity'],
    ] as const) {
      await type(dipLine(page), typed);
      await expect(status(page)).toContainText(sentence);
    }
    await type(dipLine(page), '3 days ago 1.040');
    await page.getByRole('button', { name: 'It is so' }).click();
    await expect(status(page)).toContainText('Nothing was poured yet at that time');
    await expect(dipLine(page)).toHaveValue('3 days ago 1.040');
  });

  test('asks before it writes what wants a second look: the first Enter goes to its answer', async ({ page, demoCellar }) => {
    await openBatch(page, demoCellar, 'Heather, strong');
    const log = page.locator('.log li');
    const before = await log.count();
    await type(dipLine(page), 'fed 50 g dap');
    await expect(status(page)).toContainText('by the cap');
    await dipLine(page).press('Enter');
    await expect(page.getByRole('button', { name: 'It is so' })).toBeFocused();
    await expect(log).toHaveCount(before);
    await page.keyboard.press('Enter');
    await expect(log).toHaveCount(before + 1);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(log.first()).toContainText('taken back');
  });

  test('finds the batch by name on Rounds', async ({ page, demoCellar }) => {
    await page.goto(demoCellar.url);
    await expect(page.getByRole('heading', { level: 1 })).toContainText('for you');
    await page.keyboard.press('/');
    await page.keyboard.type('heather 1.05');
    await expect(status(page).getByRole('button', { name: 'Heather, waiting' })).toBeVisible();
    await type(dipLine(page), 'heather strong 1.106 20c');
    await expect(status(page)).toContainText('Heather, strong: Gravity 1.106');
    await dipLine(page).press('Enter');
    await expect(page.locator('[data-batch="Heather, strong"]')).toContainText('1.106');
  });
});

test('fields take letters, slips and other scales with a sentence, and lose nothing', async ({ page, readCellar }) => {
  await openBatch(page, readCellar, 'Borage, even');
  const reads = page.getByLabel('hydrometer reads');
  await type(reads, 'abc');
  await reads.press('Tab');
  await expect(page.getByText('“abc” is not a number')).toBeVisible();
  await expect(reads).toHaveValue('abc');
  await expect(page.getByRole('button', { name: 'Write it' })).toBeDisabled();
  await type(reads, '1048');
  await expect(page.getByRole('button', { name: 'Write it' })).toBeDisabled();
  await reads.press('Tab');
  await page.getByRole('button', { name: 'Take 1.048' }).click();
  await expect(reads).toHaveValue('1.048');
  await type(page.getByLabel('sample at'), '200');
  await page.getByLabel('sample at').press('Tab');
  await expect(page.getByText('200 °C cannot be')).toBeVisible();
});

test('an entry is corrected, its old value stays to be seen, and the future is refused', async ({ page, demoCellar }) => {
  await openBatch(page, demoCellar, 'Borage, even');
  await page.getByRole('button', { name: /^Correct: 1\.079/ }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('when').fill('2030-01-01T10:00');
  await dialog.getByRole('button', { name: 'Correct it' }).click();
  await expect(dialog.getByRole('alert')).toContainText('lies in the future');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: /^Correct: 1\.079/ }).click();
  await type(dialog.getByLabel('gravity'), '1.076');
  await dialog.getByRole('button', { name: 'Correct it' }).click();
  await expect(page.locator('.log')).toContainText('was: 1.079 at 20 °C');
  await expect(page.locator('[data-figure=Gravity]')).toContainText('1.076');
});

test('two windows on one batch: the second is told, keeps its entry, and nothing is doubled', async ({ context, demoCellar }) => {
  const [first, second] = [await context.newPage(), await context.newPage()];
  await openBatch(first, demoCellar, 'Borage, even');
  await openBatch(second, demoCellar, 'Borage, even');
  await type(dipLine(first), 'lost 0.5 l');
  await dipLine(first).press('Enter');
  await expect(first.getByText('Written: 0.50 L lost')).toBeVisible();
  await type(dipLine(second), '1.070 20c');
  await dipLine(second).press('Enter');
  await expect(second.getByRole('alert')).toContainText('0.50 L lost');
  await expect(second.getByRole('alert')).toContainText('Gravity 1.070');
  await second.getByRole('button', { name: 'Write mine after it' }).click();
  await expect(second.getByText('Written: Gravity 1.070')).toBeVisible();
  await first.reload();
  await expect(first.locator('.log').getByText('1.070')).toHaveCount(1);
  await expect(first.locator('.log').getByText('0.50 L')).toHaveCount(1);
});

test('while the database is away an entry is kept, and written once when it is back', async ({ page, demoCellar }) => {
  await openBatch(page, demoCellar, 'Borage, even');
  const name = new URL(demoCellar.databaseUrl).pathname.slice(1);
  const admin = new Client({ connectionString: process.env['HOLLOW_BELL_TEST_CLUSTER'] });
  await admin.connect();
  await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS false`);
  await admin.query(`SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname = $1`, [name]);
  await type(dipLine(page), '1.071 20c');
  await dipLine(page).press('Enter');
  await expect(page.getByRole('status').filter({ hasText: 'cannot be reached just now' })).toBeVisible();
  await expect(page.locator('.log')).toContainText('1.071');
  await admin.query(`ALTER DATABASE ${name} ALLOW_CONNECTIONS true`);
  await admin.end();
  await expect(page.getByText('Written: Gravity 1.071')).toBeVisible();
  await page.reload();
  await expect(page.locator('.log').getByText('1.071')).toHaveCount(1);
});
