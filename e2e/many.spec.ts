import { expect, test } from './cellar.ts';
import { fillClub } from './clubCellar.ts';
import { type } from './typing.ts';

test('two hundred vessels: what asks stands in front, the rest is folded and found by its name', async ({ page, emptyCellar }) => {
  await fillClub(emptyCellar.url, 200);
  await page.goto(emptyCellar.url);
  const floor = page.getByRole('list', { name: 'Vessels', exact: true }).getByRole('listitem');
  await expect(floor).toHaveCount(12);
  const asks = page.getByRole('list', { name: 'What the vessels ask for' }).getByRole('listitem');
  await expect(asks.first()).toBeInViewport();
  await expect(asks).toHaveCount(25);
  const height = (): Promise<number> => page.evaluate(() => document.documentElement.scrollHeight);
  expect(await height()).toBeLessThan(3500);
  const folded = page.locator('.folds summary b');
  const counts = (await folded.allInnerTexts()).map(Number);
  expect(counts.reduce((sum, count) => sum + count, 12)).toBe(200);
  await type(page.getByRole('searchbox', { name: 'Find a vessel' }), 'heather 19');
  await expect(floor).toHaveCount(3);
  await floor
    .first()
    .getByRole('button', { name: /^Read heather 19/ })
    .click();
  await expect(page.getByRole('group', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.setViewportSize({ width: 390, height: 844 });
  await type(page.getByRole('searchbox', { name: 'Find a vessel' }), '');
  expect(await height()).toBeLessThan(9000);
});
