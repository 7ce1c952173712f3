import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const row = (page: Page, name: string) => page.locator('.ask').filter({ hasText: name }).first();

test('a dose that is due is written at one touch on Rounds, and taken back at another', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Five ask for you.');
  await row(page, 'Borage, even').getByRole('button', { name: /^Fed / }).click();
  await expect(page.getByText('Written: Borage, even: Fed')).toBeVisible();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Four ask for you.');
  await expect(row(page, 'Borage, even')).toContainText('Dose 3 of 4 comes');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Five ask for you.');
  await expect(row(page, 'Borage, even')).toContainText('Dose 2 of 4.');
});

test('Rounds are gone through by keyboard: moved along, put off, left with a reason', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  const first = page.locator('.ask').first();
  await expect(first).toContainText('Linden, plain');
  await page.keyboard.press('j');
  await expect(first).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('.ask').nth(1)).toBeFocused();
  await page.keyboard.press('k');
  await expect(first).toBeFocused();
  await page.keyboard.press('l');
  await expect(first.getByRole('button', { name: 'In 3 hours' })).toBeFocused();
  await first.getByRole('button', { name: 'Leave it' }).click();
  await expect(first.getByRole('alert')).toContainText('Say in a word why not');
  await type(first.getByLabel('Not at all, because'), 'it stays a sweet mead');
  await page.keyboard.press('Enter');
  await expect(page.getByText('Written: Linden, plain: left for good')).toBeVisible();
  await expect(page.locator('li[data-bell=cracked]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.locator('li[data-bell=cracked]')).toHaveCount(1);

  const dose = row(page, 'Borage, even');
  await dose.getByRole('button', { name: 'Later' }).click();
  await dose.getByRole('button', { name: 'Tomorrow at 8' }).click();
  await expect(page.getByText('Written: Borage, even: put off')).toBeVisible();
  await expect(dose).toHaveAttribute('data-bell', 'muffled');
  await expect(dose).toContainText('tomorrow');
});

test('past readings come in from a table, and a reading in the wrong batch is moved', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Heather, strong/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  await page.getByRole('button', { name: 'Readings from a table' }).click();
  const dialog = page.getByRole('dialog');
  const moment = (hoursAgo: number): string => new Date(Date.now() - hoursAgo * 3_600_000).toISOString();
  await dialog.getByLabel('Rows of readings').fill(`when;gravity;temp\n${moment(3)};1,106;20\nnoonish;1.105;20\n${moment(1)};1.105;19,5`);
  await expect(dialog.getByRole('alert')).toContainText('Row 3 “noonish” is no time');
  await dialog.getByRole('button', { name: 'Write 2, leave 1 out' }).click();
  await expect(page.getByText('Written: 2 rows of readings')).toBeVisible();
  const log = page.locator('.log');
  await log.getByRole('button', { name: /^Correct: 1\.105/ }).click();
  await page
    .locator('.el-select')
    .filter({ has: page.getByRole('combobox', { name: 'it belongs to another batch', exact: true }) })
    .click();
  await page.getByRole('option', { name: 'Borage, even' }).click();
  await dialog.getByRole('button', { name: 'Move it there' }).click();
  await expect(dialog).toBeHidden();
  await expect(log).toContainText('taken back');
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await expect(page.locator('.log')).toContainText('1.105');
});

test('a dose of another amount is kept as it was given', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  await row(page, 'Borage, even').getByRole('button', { name: 'Another amount' }).click();
  const dose = page.locator('[data-dose="2"]');
  await dose.getByRole('button', { name: 'Another amount' }).click();
  await type(dose.getByLabel('organic nutrient'), '2,5');
  await type(dose.getByLabel('diammonium phosphate'), '0');
  await dose.getByRole('button', { name: 'Given so' }).click();
  await expect(dose).toHaveAttribute('data-state', 'given');
  await expect(dose).toContainText('2.5 g organic nutrient');
  await expect(dose).not.toContainText('diammonium');
});

test('an entry that never happened is struck out, and can be brought back', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  const volume = page.locator('[data-figure="In the vessel"] .number');
  await expect(volume).toHaveText('7.05');
  await page.getByRole('button', { name: /^Correct: 0\.60 L foamed over/ }).click();
  await page.getByRole('button', { name: 'It never happened' }).click();
  await expect(volume).toHaveText(/^7\.6/);
  await expect(page.locator('.log')).toContainText('taken back');
  await page.getByRole('button', { name: /^Correct: 0\.60 L foamed over/ }).click();
  await page.getByRole('button', { name: 'Bring it back' }).click();
  await expect(volume).toHaveText('7.05');
});

test('a maker in the States sees pounds, US gallons and Fahrenheit, and the same mead', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  const alcohol = await page.locator('[data-figure=Alcohol] .number').innerText();
  await page.getByRole('link', { name: 'House' }).click();
  await page.getByRole('radio', { name: /^US pounds/ }).check();
  await page.getByRole('button', { name: 'Keep these' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByRole('link', { name: 'Batches', exact: true }).click();
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  // 7.06 L, give or take half a hundredth, ÷ 3.785 is 1.864 to 1.867 US gallons; 20 °C is 68 °F.
  await expect(page.locator('[data-figure="In the vessel"]')).toContainText(/1\.8[67]\sUS\sgal/);
  await expect(page.locator('.log')).toContainText('68 °F');
  await expect(page.locator('[data-figure=Alcohol] .number')).toHaveText(alcohol);
});

test('the keyboard alone finds its way, and a sheet lists the keys', async ({ page, readCellar }) => {
  await page.goto(readCellar.url);
  await expect(page.getByRole('heading', { level: 1 })).toContainText('for you');
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog')).toContainText('What the dip line understands');
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.keyboard.press('g');
  await page.keyboard.press('b');
  await expect(page.getByRole('heading', { level: 1, name: 'Batches' })).toBeVisible();
  await type(page.getByLabel('Find by name'), 'heather');
  // Three by their name, three by their honey.
  await expect(page.locator('.list a')).toHaveCount(6);
  await type(page.getByLabel('Find by name'), 'nettle');
  await expect(page.getByText('No batch is like that.')).toBeVisible();
  await type(page.getByLabel('Find by name'), '');
  await expect(page.locator('.list a')).not.toHaveCount(0);
  await expect(page.getByLabel('Find by name')).toBeFocused();
  await page.getByRole('heading', { level: 1 }).click();
  await page.keyboard.press('n');
  await expect(page.getByLabel('Name of the batch')).toBeVisible();
});

test('a first look around loads the made-up cellar, with the answers that were given', async ({ page, emptyCellar }) => {
  await page.goto(emptyCellar.url);
  await type(page.getByLabel('Room temperature'), '17,5');
  await page.getByRole('button', { name: 'Look around a made-up one' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Five ask for you.');
  await expect(page.getByText('Room set to')).toContainText('17.5 °C');
});

test('honey fed to the yeast knowingly is written, and keeps the bottles shut', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage hydromel/ }).click();
  await page.getByRole('link', { name: /^Sweeten/ }).click();
  await type(page.getByLabel('gravity wanted'), '1.005');
  await page.getByRole('button', { name: 'Feed the yeast with it, under an airlock' }).click();
  await expect(page.getByText('Written: stirred in')).toBeVisible();
  await page.getByRole('link', { name: /^Bottle/ }).click();
  await expect(page.locator('[data-test=no-bottling]')).toContainText('was not read since sugar went in');
});

test('a planned batch keeps its new name with its plan', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Linden for spring/ }).click();
  await page.getByRole('link', { name: /^Formulate/ }).click();
  await type(page.getByLabel('Name of the batch'), 'Linden for May');
  await page.getByRole('button', { name: 'Save the plan' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Linden for May' })).toBeVisible();
});
