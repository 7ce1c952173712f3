import { expect, test } from './cellar.ts';
import { byKeys } from './hands.ts';
import { choose } from './typing.ts';

test('a lesson and a drill are played to their verdict by the keyboard alone', async ({ page, readCellar }) => {
  const press = (keys: string): Promise<void> =>
    Array.from(keys).reduce((before, key) => before.then(() => page.keyboard.press(key)), Promise.resolve());
  const book = page.getByRole('region', { name: 'Your book' }).getByRole('listitem');
  const written = (count: number): Promise<void> => expect(book).toHaveCount(count);

  await page.goto(readCellar.url);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await press('gp');
  await expect(page.getByRole('heading', { level: 1, name: 'Feeding by the sugar' })).toBeVisible();
  await page.getByRole('group', { name: 'At the vessel' }).waitFor();
  await press('r');
  await written(1);
  await press('.d');
  await written(2);
  await press('f');
  await expect(page.getByRole('textbox', { name: 'nutrient' })).toBeFocused();
  await page.keyboard.press('Enter');
  await written(3);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await press('..r');
  await written(4);
  expect(new URL(page.url()).searchParams.get('run')).toMatch(/^0r 24d 24f6 \d+(\.\d+)?r$/);
  await page.getByRole('button', { name: 'See what came of it' }).press('Enter');
  const verdict = page.getByRole('region', { name: 'Verdict' });
  await expect(verdict).toContainText(/Nothing was wrong with it/);
  await expect(verdict.getByRole('heading')).toBeFocused();

  await page.goto(`${readCellar.url}/practice?drill=5&depth=1`);
  await page.getByRole('group', { name: 'At the vessel' }).waitFor();
  await press('r....l');
  await written(2);
  await page.reload();
  await written(2);
  await byKeys(page).choose('what is wrong with it', 'the room went hot');
  await page.getByRole('button', { name: 'Name it, and see' }).press('Enter');
  await expect(verdict).toContainText(/You named it|You took it for: the room went hot/);
  await expect(verdict).toContainText('What shows it:');
  await page.getByRole('button', { name: 'Day by day again' }).press('Enter');
  await written(1);
  await press('....');
  await written(2);
});

test('an unfinished must can be bottled here, bursts, and the verdict says why the cellar offers no bottle', async ({
  page,
  readCellar,
}) => {
  await page.goto(`${readCellar.url}/practice?lesson=finished+or+quiet&run=24d+24f8+48d+48f8+72d+72f8+190r`);
  const time = page.getByRole('region', { name: 'Time' });
  await expect(time).toContainText('Day 8');
  await page.getByRole('button', { name: /^Bottle still/ }).click();
  await expect(page.getByText('bottled still, in wine bottles').first()).toBeVisible();
  await time.getByRole('button', { name: '3 days' }).click();
  await expect(page.getByText(/The first bottle burst, at/)).toBeVisible();
  await expect(time.getByRole('button', { name: 'stop', exact: true })).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('button', { name: 'See what came of it' }).click();
  await expect(page.getByRole('region', { name: 'Verdict' })).toContainText(/\d+ of \d+ bottles burst\..*The cellar offers no bottle here/);
});

test('a change is rehearsed beside the plan, and carried into it', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/practice`);
  const rehearsal = page.getByRole('region', { name: 'Rehearse a plan' });
  await choose(page, 'whose plan', 'Borage, even');
  await expect(rehearsal).toContainText(/As planned\..* (?:days|end)/);
  await rehearsal.getByRole('button', { name: 'three weeks warmer first' }).click();
  await rehearsal.getByRole('button', { name: 'Planned: three weeks warmer first' }).click();
  await expect(rehearsal.getByText('The plan of Borage, even has it now')).toBeVisible();
  const { batches } = (await (await page.request.get(`${demoCellar.url}/api/batches`)).json()) as {
    batches: { id: string; name: string }[];
  };
  const id = batches.find(({ name }) => name === 'Borage, even')!.id;
  const kept = (await (await page.request.get(`${demoCellar.url}/api/batches/${id}`)).json()) as {
    plan: { must: { roomTempC: number } };
    planVersion: number;
  };
  expect(kept.plan.must.roomTempC).toBe(20);
  expect(kept.planVersion).toBeGreaterThan(1);
});
