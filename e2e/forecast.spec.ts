import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

test('a forecast is drawn, is asked what if, and moves with a reading', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Borage, even/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  const panel = page.locator('[data-test=forecast]');
  const row = (label: string) => panel.locator('.pairs p').filter({ hasText: label }).locator('b');
  const inDays = async (): Promise<number> => Number(/in (\d+) days/.exec(await row('It ends').innerText())?.[1]);
  const isDone = () => expect(panel.getByText(/^Working it out/)).toHaveCount(0);
  await expect(row('It ends')).toHaveText(/in \d+ days \(.+ to \d+\)/);
  await isDone();
  const asPlanned = await inDays();

  await panel.getByRole('button', { name: /4.°C warmer/ }).click();
  await expect.poll(inDays).toBeLessThan(asPlanned);
  await expect(panel.locator('[data-test=difference]')).toHaveText(/It ends about \d+ days? sooner/);

  await panel.getByRole('button', { name: 'as planned' }).click();
  await expect.poll(inDays).toBe(asPlanned);

  // Eleven points within a day: it goes faster than was thought.
  await type(page.getByRole('textbox', { name: 'Dip line' }), '1.066 20c');
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(page.getByText('Written:')).toBeVisible();
  await expect.poll(inDays).toBeLessThan(asPlanned);
});
