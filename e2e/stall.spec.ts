import { execFile } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { fileURLToPath } from 'node:url';
import { promisify } from 'node:util';
import type { Batch } from '@hollow-bell/contract';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const DAY_MS = 86_400_000;
const FLOAT = fileURLToPath(new URL('../instruments/float.ts', import.meta.url));

test('a cold stall is found, argued with, warmed and goes on', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  await page.getByRole('link', { name: 'Linden, plain', exact: true }).first().click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  const clinic = page.locator('[data-test=clinic]');
  await expect(clinic).toHaveAttribute('data-kind', 'stuck');
  const first = clinic.locator('[data-cause]').first();
  await expect(first).toHaveAttribute('data-cause', 'cold');
  await expect(first).toContainText(/14\s°C, and this yeast wants 18\s°C to 26\s°C/);
  await expect(clinic.locator('[data-cure]').first()).toHaveAttribute('data-cure', 'warm');
  // Half of (18 + 26): 22 °C; 8 degrees at 3 a day are 64 hours.
  await expect(clinic.locator('[data-cure=warm]')).toContainText(/Warm it to 22\s°C, .* some 64\sh/);

  await first.getByRole('button', { name: 'It is not' }).click();
  await expect(first).not.toHaveAttribute('data-cause', 'cold');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(first).toHaveAttribute('data-cause', 'cold');

  await clinic.getByRole('button', { name: /Warming it to 22/ }).click();
  await expect(clinic.locator('[data-test=under-way]')).toContainText(/warming it to 22\s°C\. Read it again/);
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  const row = page.locator('li.ask').filter({ hasText: 'Linden, plain' });
  await expect(row).toHaveAttribute('data-bell', 'muffled');
  await expect(row).toContainText(/warming it to 22.*One change at a time/);
  await row.getByRole('link', { name: 'Linden, plain' }).click();

  const dip = async (typed: string): Promise<void> => {
    await type(page.getByRole('textbox', { name: 'Dip line' }), typed);
    await page.getByRole('button', { name: 'Write it down' }).click();
    await expect(page.getByText('Written:')).toBeVisible();
  };
  await dip('1.039 21c');
  await expect(page.getByText('Does it look stuck?')).toBeVisible();
  await expect(clinic).toBeHidden();
});

test('a float in a must that stops in the cold shows the stall, and its cure', async ({ page, emptyCellar }) => {
  const { url } = emptyCellar;
  await page.goto(url);
  await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();
  await page.getByRole('button', { name: 'Formulate a mead' }).click();
  await type(page.getByLabel('Name of the batch'), 'Cold corner');
  await page.getByRole('button', { name: 'Save as a batch' }).click();
  await expect(page).toHaveURL(/batches\/[0-9a-f-]{36}/);
  const id = /batches\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const pitchedAt = Date.now() - 20 * DAY_MS;
  const rows = [
    [-0.1, { kind: 'honey', payload: { name: 'heather', massG: 2050, moisture: 0.172, unfermentable: 0.045 } }],
    [-0.1, { kind: 'water', payload: { volumeL: 4.6 } }],
    [0, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 6 } }],
  ] as const;
  const events = rows.map(([day, content]) => ({ ...content, id: randomUUID(), happenedAt: Math.round(pitchedAt + day * DAY_MS) }));
  const written = await page.request.post(`${url}/api/batches/${id}/events`, { data: { afterSeq: 0, events } });
  expect(written.ok(), await written.text()).toBe(true);

  await page.goto(`${url}/batches/${id}/watch`);
  const panel = page.locator('[data-test=float]');
  await panel.getByText('A float hydrometer in it').click();
  await panel.getByRole('button', { name: 'Hang a float in' }).click();
  const token = await panel.locator('[data-test=float-token]').innerText();
  const float = async (...more: string[]): Promise<string> =>
    (
      await promisify(execFile)(process.execPath, [
        '--import',
        'tsx',
        FLOAT,
        '--url',
        url,
        '--batch',
        id,
        '--token',
        token,
        '--story',
        'cold',
        ...more,
      ])
    ).stdout;

  // The room falls from 20 to 8 °C between day 3 and day 6; the yeast wants 15 to 25.
  expect(await float('--to-hour', '384')).toMatch(/\d{3} readings kept/);
  expect(await float('--to-hour', '384'), 'sent again, nothing is written twice').toMatch(/^0 readings kept/);
  await page.reload();
  const clinic = page.locator('[data-test=clinic]');
  await expect(clinic).toHaveAttribute('data-kind', 'stuck');
  await expect(clinic.locator('[data-cause]').first()).toHaveAttribute('data-cause', 'cold');
  await expect(clinic.locator('[data-cure=warm]')).toContainText(/Warm it to 20\s°C/);
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  await expect(page.locator('li[data-bell=cracked]')).toContainText('too cold');

  await float('--from-hour', '384', '--warmed-at-hour', '384', '--to-hour', '479');
  await page.reload();
  await expect(page.locator('li[data-bell=cracked]')).toHaveCount(0);
  await page.goto(`${url}/batches/${id}/watch`);
  await expect(page.getByText('Does it look stuck?')).toBeVisible();
});

test('a braggot that ends on its malt is left alone', async ({ page, emptyCellar }) => {
  await page.goto(emptyCellar.url);
  await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();
  await page.getByRole('button', { name: 'Formulate a mead' }).click();
  await type(page.getByLabel('Name of the batch'), 'Malt lamp');
  await page.getByRole('button', { name: 'Save as a batch' }).click();
  await expect(page).toHaveURL(/batches\/[0-9a-f-]{36}/);
  const id = /batches\/([0-9a-f-]{36})/.exec(page.url())![1]!;

  // 0.7 kg of honey and 0.9 kg of malt in 5 L: its malt leaves more than the table says, and it stays at 1.017.
  const malt = { sugar: 0.62, unfermentable: 0.34, insoluble: 0, ammoniumNMgPerKg: 150, aminoNMgPerKg: 1000, acidGPerKg: 0 };
  const startAt = Date.now() - 24 * DAY_MS;
  const sg = (day: number, gravity: number) => [day, { kind: 'reading', payload: { sg: gravity, tempC: 20 } }] as const;
  const rows = [
    [0, { kind: 'honey', payload: { name: 'heather', massG: 700, moisture: 0.172, unfermentable: 0.032 } }],
    [
      0,
      {
        kind: 'ingredient',
        payload: { name: 'pale malt extract', family: 'malt', makes: 'malt', massG: 900, composition: malt, sugarSpread: 0.1 },
      },
    ],
    [0, { kind: 'water', payload: { volumeL: 5 } }],
    [0.1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even-tempered wine type', massG: 4 } }],
    sg(3, 1.06),
    sg(8, 1.026),
    sg(17, 1.018),
    sg(20, 1.018),
    sg(23, 1.018),
  ] as const;
  const events = rows.map(([day, content]) => ({ ...content, id: randomUUID(), happenedAt: startAt + day * DAY_MS }));
  const written = await page.request.post(`${emptyCellar.url}/api/batches/${id}/events`, { data: { afterSeq: 0, events } });
  expect(written.ok(), await written.text()).toBe(true);
  const batch = (await (await page.request.get(`${emptyCellar.url}/api/batches/${id}`)).json()) as Batch;
  expect(batch.ledger.history.readings).toHaveLength(5);

  await page.goto(`${emptyCellar.url}/batches/${id}/watch`);
  const clinic = page.locator('[data-test=clinic]');
  await expect(clinic).toHaveAttribute('data-kind', 'malt');
  await expect(clinic).toContainText('leaves sugars that no mead yeast eats');
  await expect(clinic.locator('[data-cure]')).toHaveCount(1);
  await expect(clinic.locator('[data-cure=leave]')).toBeVisible();
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  await expect(page.locator('[data-bell=cracked]')).toHaveCount(0);
});

test('a bottle that reads less than what went in alarms on Rounds, and a slip taken back is quiet again', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Heather of last winter/ }).click();
  await page.getByRole('link', { name: /^Watch/ }).click();
  await type(page.getByRole('textbox', { name: 'Dip line' }), '0.988');
  await page.getByRole('button', { name: /Write it down|It is so/ }).click();
  await expect(page.getByText('Written:')).toBeVisible();
  // It went into its bottles at 0.993.
  await expect(page.getByRole('main').getByRole('alert').first()).toContainText('burst in the hand');
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  const alarm = page.locator('li.ask[data-bell=cracked]').filter({ hasText: 'Heather of last winter' });
  await expect(alarm).toContainText('ferments in closed glass');
  await expect(alarm.getByRole('button', { name: 'Later' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(alarm).toHaveCount(0);
});
