import { expect, test } from './cellar.ts';
import { choose, type } from './typing.ts';

test('a batch is found by its honey, its yeast, where it stands and its year, and comes back from where it was put away', async ({
  page,
  demoCellar,
}) => {
  await page.goto(`${demoCellar.url}/batches`);
  const lines = page.locator('.list li');
  const find = page.getByRole('textbox', { name: 'Find by name, honey or yeast' });
  await type(find, 'linden avenue');
  await expect(lines.filter({ hasText: 'Borage, even' })).toHaveCount(0);
  await expect(lines.filter({ hasText: 'Linden, plain' })).toHaveCount(1);
  await page.getByRole('button', { name: 'in bottles' }).click();
  await expect(lines.filter({ hasText: 'Linden, plain' })).toHaveCount(0);
  await type(find, 'no such honey');
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(lines.filter({ hasText: 'Borage, even' })).toHaveCount(1);
  await choose(page, 'Year', `begun in ${new Date().getFullYear()}`);
  await expect(lines.filter({ hasText: 'Borage, even' })).toHaveCount(1);

  await lines.filter({ hasText: 'Borage, even' }).getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1, name: 'Borage, even' })).toBeVisible();
  await page.getByRole('button', { name: 'Put away' }).click();
  await expect(page.getByRole('button', { name: 'Put away', pressed: true })).toBeVisible();
  await expect(lines).toHaveCount(1);
  await lines.filter({ hasText: 'Borage, even' }).getByRole('button', { name: 'Bring it back' }).click();
  await expect(lines).toHaveCount(0);
  await page.getByRole('button', { name: 'Standing and bottled' }).click();
  await expect(lines.filter({ hasText: 'Borage, even' })).toHaveCount(1);
});
