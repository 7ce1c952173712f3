import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const HOUR_MS = 3_600_000;
const field = (page: Page, label: string) => page.getByLabel(label, { exact: true });
const figure = (page: Page, label: string) => page.locator(`[data-figure="${label}"] .number`);
const number = async (page: Page, label: string): Promise<number> => Number(await figure(page, label).innerText());
const dose = (page: Page, n: number) => page.locator(`[data-dose="${n}"]`);
/** Grams that stand before this word. */
const grams = async (page: Page, n: number, of: string): Promise<number> =>
  Number(new RegExp(`([\\d.]+)\\sg ${of}`).exec(await dose(page, n).innerText())?.[1]);

async function dip(page: Page, typed: string): Promise<void> {
  await type(page.getByRole('textbox', { name: 'Dip line' }), typed);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Written:')).toBeVisible();
}

async function pick(page: Page, label: string, option: string): Promise<void> {
  const list = page.getByRole('combobox', { name: label, exact: true });
  await page.locator('.el-select').filter({ has: list }).click();
  await page.getByRole('option', { name: option }).click();
}

/*
 * The same feeding by hand. 5 L at 1.112 hold 292.9 g/L of extract (ICUMSA): 1464.4 g. 1.5 kg of sour cherries (8.5 % sugar,
 * 3.8 % other solids, 150 mg amino and 22.5 mg ammonium N a kg) bring 184.5 g of it, 127.5 g sugar and 259 mg N; honey (82.8 % solids, 79.6 % sugar)
 * brings 1279.9 / 0.828 = 1546 g, 1230.4 g sugar.
 *
 * sugar       (127.5 + 1230.4) / 5 = 271.6 g/L; a high demand wants 1.25 mg/g: 339.5 mg/L
 * the must's  20 of honey + 259 / 5 = 71.8 mg/L; to be given 267.7 mg/L, half of it ammonium
 * DAP         133.9 / 212.1 = 0.631 g/L in three doses: 1.05 g in 5 L (the cap of 1 g/L is not reached)
 * organic     133.9 / 40 = 3.347 g/L in four doses: 4.18 g in 5 L
 * 1.5 L less  0.7 of everything, given and lacking alike: 2.90 g and 0.73 g
 * fast        third break 7 h before dose 2: it comes now, ammonium stays out, doses 3 and 4 are dropped. Lacking are
 *             0.7 × (1697.5 − 100 − 259 − 401) = 656 mg, dose 2 held (0.837 × 40 + 0.210 × 212.1) × 3.5 = 273 mg: it grows
 *             by the most it may, a half: 0.837 × 3.5 × 1.5 = 4.39 g of organic nutrient
 */
test('a strong sour-cherry melomel is fed as it really goes: a loss, a fast break, a smell', async ({ page, emptyCellar }) => {
  const pitchedAt = Date.now() - 10 * 24 * HOUR_MS;
  const afterHours = async (hours: number): Promise<void> => {
    await page.clock.setFixedTime(pitchedAt + hours * HOUR_MS);
    await page.goto(page.url().replace(/\/[^/]+$/, '/feed'));
    await expect(figure(page, 'Nitrogen it needs')).toBeVisible();
  };
  await page.clock.setFixedTime(pitchedAt);
  await page.goto(emptyCellar.url);
  await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();

  await test.step('formulate, and see the feeding before anything is poured', async () => {
    await page.getByRole('button', { name: 'Formulate a mead' }).click();
    await type(field(page, 'Name of the batch'), 'Signal cherry');
    await pick(page, 'Yeast', 'strong wine type');
    await page.getByRole('button', { name: 'Add to the must' }).click();
    await type(field(page, 'Ingredient'), 'sour cherries');
    await page.keyboard.press('Enter');
    await type(field(page, 'sour cherries, mass'), '1.5');
    await type(field(page, 'Volume at the pitch'), '5');
    await type(field(page, 'Original gravity'), '1.112');
    await expect(field(page, 'wildflower, mass')).toHaveValue('1.55');
    await page.getByRole('button', { name: 'Save as a batch' }).click();
    await page.getByRole('link', { name: /^Feed/ }).click();
    await expect(page.locator('[data-test=preview]')).toBeVisible();
    expect(Math.abs((await number(page, 'Nitrogen it needs')) - 339.5)).toBeLessThanOrEqual(1);
    expect(Math.abs((await number(page, 'The must brings')) - 71.8)).toBeLessThanOrEqual(1);
    expect(Math.abs((await grams(page, 1, 'organic')) - 4.18)).toBeLessThanOrEqual(0.06);
    await expect(dose(page, 1).getByRole('button')).toHaveCount(0);
  });

  await test.step('pour and pitch', async () => {
    await page.getByRole('link', { name: /^Pitch/ }).click();
    await page.getByRole('button', { name: 'All as planned' }).click();
    await type(page.getByLabel('hydrometer reads'), '1.112');
    await type(page.getByLabel('sample at'), '20');
    await page.getByRole('button', { name: 'Write it' }).click();
    await expect(page.getByLabel('hydrometer reads')).toHaveValue('');
    await page.getByRole('button', { name: /^Pitched/ }).click();
    await expect(page.locator('[data-test=doubts]')).toContainText('Sulfite went in');
    await page.getByRole('button', { name: 'It is so, write it' }).click();
    await expect(page.getByText('Silence').or(page.getByText('First signs'))).toBeVisible();
  });

  await test.step('dose 1: degas, then as planned', async () => {
    await afterHours(25);
    await expect(dose(page, 1)).toHaveAttribute('data-state', 'due');
    await dose(page, 1).getByRole('button', { name: 'Degassed' }).click();
    await expect(dose(page, 1)).toContainText('Degassed today');
    expect(Math.abs((await grams(page, 1, 'organic')) - 4.18)).toBeLessThanOrEqual(0.06);
    expect(Math.abs((await grams(page, 1, 'diammonium')) - 1.05)).toBeLessThanOrEqual(0.06);
    await dose(page, 1)
      .getByRole('button', { name: /^Fed 5\.[23]/ })
      .click();
    await expect(dose(page, 1)).toHaveAttribute('data-state', 'given');
  });

  await test.step('1.5 L foam over: what is left shrinks, what was given stays', async () => {
    await dip(page, 'foamed over 1.5 l');
    await expect(page.locator('[data-test=changes]')).toContainText(
      /1\.50\sL foamed over: the 3 doses left are for the 3\.50\sL there is, dose 2 3\.7\sg instead of 5\.2\sg/,
    );
    expect(Math.abs((await grams(page, 2, 'organic')) - 2.9)).toBeLessThanOrEqual(0.06);
    expect(Math.abs((await grams(page, 2, 'diammonium')) - 0.73)).toBeLessThanOrEqual(0.02);
    await expect(dose(page, 1)).toContainText(/4\.2\sg organic nutrient\s+and 1\.1\sg diammonium/);
  });

  await test.step('the third break comes 7 h early', async () => {
    await afterHours(41);
    await dip(page, '1.068 20c');
    await expect(page.locator('[data-test=changes]')).toContainText(
      /A third of the sugar was gone 7\sh before its hour: dose 2 now, doses 3 and 4 dropped, and without ammonium/,
    );
    for (const [n, state] of [
      ['1', 'given'],
      ['2', 'due'],
      ['3', 'dropped'],
      ['4', 'dropped'],
    ] as const)
      await expect(dose(page, Number(n))).toHaveAttribute('data-state', state);
    expect(Math.abs((await grams(page, 2, 'organic')) - 4.39)).toBeLessThanOrEqual(0.1);
    await expect(dose(page, 2)).toContainText(/1\.1\sg ammonium left out/);
  });

  await test.step('it smells of sulfur: hungry, and past the air', async () => {
    await dip(page, 'smells of sulfur');
    const smell = page.locator('[data-test=smell]');
    await expect(smell.locator('[data-verdict=blamed]')).toContainText(/lacking.*Degas, then give dose 2 now/);
    await expect(smell).toContainText('air would only harm now');
    await page.getByRole('link', { name: /^Watch/ }).click();
    await expect(page.getByRole('list', { name: 'What this vessel asks for' })).toContainText('It smells of sulfur');
  });
});

test('a feeding is worked out from the shelf, followed, compared, and refused where it cannot be', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Sour cherry for autumn/ }).click();
  await page.getByRole('link', { name: /^Feed/ }).click();
  await expect(dose(page, 4)).toBeVisible();

  await page.getByText('Three schools side by side').click();
  await expect(page.locator('[data-school]')).toHaveCount(3);
  await page.getByText('Worked out from what is on the shelf').click();
  await pick(page, 'of what is on the shelf, the', 'fewest doses');
  const found = page.locator('[data-test=worked-out] li');
  await expect(found).toHaveCount(3);
  await type(field(page, 'most in one dose'), '60');
  await expect(found).toHaveCount(2);
  await page.getByRole('button', { name: 'Feed by this' }).click();
  await expect(dose(page, 2)).toBeVisible();
  await expect(dose(page, 3)).toHaveCount(0);
  await expect(page.getByText('Dose by dose as it was worked out for this must.')).toBeVisible();

  await pick(page, 'when', 'My own hours');
  const hours = field(page, 'hours after the pitch');
  await type(hours, '-4, 24');
  await hours.press('Enter');
  await expect(page.getByRole('alert')).toContainText('-4 h lies before the pitch');
  await expect(hours).toHaveValue('-4, 24');
  await type(hours, '12; 36');
  await hours.press('Enter');
  await expect(dose(page, 2)).toBeVisible();
  await page.reload();
  await expect(field(page, 'hours after the pitch')).toHaveValue('12, 36');

  await page.goto(`${demoCellar.url}/shelf`);
  await page.locator('[data-item="diammonium phosphate"] button').click();
  await type(page.getByLabel('nitrogen as ammonium'), '80');
  await page.getByRole('button', { name: 'Keep' }).click();
  await expect(page.getByRole('alert')).toContainText(/47/);
  await expect(page.getByLabel('nitrogen as ammonium')).toHaveValue('80.0');
});

test('dates go to calendars at an address that can be shut', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/house`);
  await page.getByRole('button', { name: 'Open an address' }).click();
  const address = page.locator('[data-test=calendar-address]');
  await expect(address).toHaveValue(/\/api\/calendar\/[\w-]{32}\.ics$/);
  const url = await address.inputValue();
  const calendar = await (await page.request.get(url)).text();
  expect(calendar).toContain('BEGIN:VCALENDAR');
  expect(calendar).toMatch(/SUMMARY:Borage\\, even: Dose 3/);
  await page.getByRole('button', { name: 'Close it' }).click();
  await expect(page.getByRole('button', { name: 'Open an address' })).toBeVisible();
  expect((await page.request.get(url)).status()).toBe(404);
});
