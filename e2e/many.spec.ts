import { randomUUID } from 'node:crypto';
import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const HOUR_MS = 3_600_000;
const HONEYS = ['linden', 'heather', 'acacia', 'forest'];

/** A club’s cellar: so many musts, each pitched a while ago. */
async function fill(url: string, count: number): Promise<void> {
  const send = async (path: string, method: string, body: object): Promise<void> => {
    const response = await fetch(`${url}/api${path}`, {
      method,
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    if (!response.ok) throw new Error(await response.text());
  };
  await send('/practice', 'PUT', DEFAULT_PRACTICE);
  const { moisture, unfermentable } = MEAN_HONEY;
  for (let i = 0; i < count; i++) {
    const [id, honey] = [randomUUID(), HONEYS[i % HONEYS.length]!];
    await send('/batches', 'POST', {
      id,
      name: `${honey} ${i + 1}`,
      plan: { must: planOf([plannedHoney(honey, 1300)], 4), practice: DEFAULT_PRACTICE },
    });
    const at = Date.now() - (i + 2) * 30 * HOUR_MS;
    const events = [
      { kind: 'honey', payload: { name: honey, massG: 1300, moisture, unfermentable } },
      { kind: 'water', payload: { volumeL: 3.2 } },
      { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 5 } },
    ].map((event) => ({ ...event, id: randomUUID(), happenedAt: at }));
    await send(`/batches/${id}/events`, 'POST', { afterSeq: 0, events });
  }
}

test('two hundred vessels: what asks stands in front, the rest is folded and found by its name', async ({ page, emptyCellar }) => {
  test.setTimeout(180_000);
  await fill(emptyCellar.url, 200);
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
