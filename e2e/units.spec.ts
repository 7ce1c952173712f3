import type { Practice } from '@hollow-bell/contract';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

test('a house of US gallons reads refusals and workings in gallons and pounds', async ({ page, demoCellar }) => {
  const address = `${demoCellar.url}/api/practice`;
  const { practice } = (await (await page.request.get(address)).json()) as { practice: Practice };
  expect((await page.request.put(address, { data: { ...practice, units: 'us' } })).ok()).toBe(true);
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();

  const line = page.getByRole('textbox', { name: 'Dip line' });
  await type(line, 'racked 9 gal');
  await line.press('Enter');
  const under = page.locator('.dip .under');
  await expect(under).toContainText(/9\.00\sUS gal cannot be racked: there was only \d\.\d\d\sUS gal/);
  await expect(under).not.toContainText(/\d\sL\b/);
  await expect(line).toHaveValue('racked 9 gal');

  await page
    .getByRole('button', { name: /Show working/ })
    .first()
    .click();
  const working = page.locator('.working').first();
  await expect(working).toContainText(/water\s*\d+(\.\d+)?\slb/);
  await expect(working).not.toContainText(/\d\s(kg|L)\b/);
});
