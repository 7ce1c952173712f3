import { randomUUID } from 'node:crypto';
import type { Batch, BatchList } from '@hollow-bell/contract';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import type { Cellar } from './startCellar.ts';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

async function idOf(cellar: Cellar, name: string): Promise<string> {
  const { batches } = (await (await fetch(`${cellar.url}/api/batches`)).json()) as BatchList;
  return batches.find((batch) => batch.name === name)!.id;
}
const recordOf = async (cellar: Cellar, id: string): Promise<Batch> =>
  (await fetch(`${cellar.url}/api/batches/${id}`)).json() as Promise<Batch>;
const gravities = ({ events }: Batch): (number | undefined)[] =>
  events.flatMap((event) => (event.kind === 'reading' ? [event.payload.sg] : []));

async function dip(page: Page, typed: string): Promise<void> {
  const line = page.getByRole('textbox', { name: /Dip line/i });
  await line.pressSequentially(typed);
  await line.press('Enter');
  await expect(line).toHaveValue('');
}

/** One touch that opens the pad, the digits, and one that writes. */
async function read(page: Page, opener: string | RegExp, digits: string): Promise<void> {
  await page.getByRole('button', { name: opener }).filter({ visible: true }).first().tap();
  const keys = page.getByRole('group', { name: 'Keys' });
  await expect(keys).toBeVisible();
  for (const digit of digits) await keys.getByRole('button', { name: digit, exact: true }).tap();
  await page.getByRole('button', { name: /^Read \d/ }).tap();
  await expect(keys).toBeHidden();
}

test('a gravity is two touches and its digits, from Rounds and in a batch', async ({ page, demoCellar }) => {
  const id = await idOf(demoCellar, 'Borage, even');
  await page.goto(demoCellar.url);
  await read(page, 'Read Borage, even', '2');
  await expect(page.getByText(/^Written: Borage, even: 1\.\d\d2\./)).toBeInViewport();
  await page.getByRole('button', { name: 'Undo' }).tap();
  await expect(page.getByText(/^Took back/)).toBeInViewport();
  await page.goto(`${demoCellar.url}/batches/${id}/feed`);
  await read(page, 'Read', '1');
  await expect(page.getByText(/^Written/)).toBeInViewport();
  const both = gravities(await recordOf(demoCellar, id)).slice(-2);
  expect(both.map((sg) => Math.round(sg! * 1000) % 10)).toEqual([2, 1]);
});

test('the pad shows a slip before it is written, and keeps what was pressed', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  await page.getByRole('button', { name: 'Read Borage, even' }).tap();
  const keys = page.getByRole('group', { name: 'Keys' });
  for (const digit of '1062') await keys.getByRole('button', { name: digit, exact: true }).tap();
  await expect(page.getByText(/1062 is no specific gravity/)).toBeVisible();
  await expect(page.getByRole('button', { name: /^Read \d/ })).toHaveCount(0);
  await page.getByRole('button', { name: /1\.062 take this/ }).tap();
  await page.getByRole('button', { name: /^pH/ }).tap();
  for (const sign of ['3', 'point', '4', '2']) await keys.getByRole('button', { name: sign, exact: true }).tap();
  await page.getByRole('button', { name: /^sample/ }).tap();
  for (const digit of '21') await keys.getByRole('button', { name: digit, exact: true }).tap();
  await expect(page.getByRole('button', { name: /ead 1\.062, pH 3\.42 at 21/ })).toBeVisible();
  for (const key of await keys.getByRole('button').all()) {
    const box = (await key.boundingBox())!;
    expect(Math.min(box.width, box.height)).toBeGreaterThanOrEqual(48);
  }
  await page.getByRole('button', { name: /^now/ }).tap();
  await page.getByRole('button', { name: 'yesterday evening' }).tap();
  await expect(keys.getByRole('button', { name: /yesterday/ })).toBeVisible();
});

test('the pad takes the keys of a keyboard', async ({ page, demoCellar }) => {
  const id = await idOf(demoCellar, 'Borage, even');
  await page.goto(demoCellar.url);
  await page.getByRole('button', { name: 'Read Borage, even' }).press('Enter');
  await expect(page.getByRole('group', { name: 'Keys' })).toBeVisible();
  await expect(page.getByRole('button', { name: /^gravity/ })).toBeFocused();
  await page.keyboard.type('1.0695');
  await page.keyboard.press('Backspace');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/^Written: Borage, even: 1\.069/)).toBeVisible();
  expect(gravities(await recordOf(demoCellar, id)).at(-1)).toBe(1.069);
});

test('the pad keeps out a sample and feeds what is due at the same visit', async ({ page, demoCellar }) => {
  const id = await idOf(demoCellar, 'Borage, even');
  await page.goto(demoCellar.url);
  await page.getByRole('button', { name: 'Read Borage, even' }).tap();
  const keys = page.getByRole('group', { name: 'Keys' });
  const press = async (signs: readonly string[]): Promise<void> => {
    for (const sign of signs) await keys.getByRole('button', { name: sign, exact: true }).tap();
  };
  await press(['3']);
  await page.getByRole('button', { name: /^kept out/ }).tap();
  await press(['0', 'point', '1']);
  await page.getByRole('button', { name: /^organic nutrient/ }).tap();
  await press(['3']);
  await page.getByRole('button', { name: /^Read 1\.\d\d3; 0\.10 L taken as a sample; fed 3\.0 g organic nutrient/ }).tap();
  await expect(page.getByText(/^Written: Borage, even/)).toBeInViewport();
  const last = (await recordOf(demoCellar, id)).events.slice(-3);
  expect(last.map(({ kind }) => kind)).toEqual(['reading', 'removal', 'nutrient']);
  expect(last.slice(1).map(({ payload }) => payload)).toMatchObject([
    { volumeL: 0.1, reason: 'sample' },
    { massG: 3, source: 'organic' },
  ]);
});

test('the first ask stands whole on a phone, with what is to be done', async ({ page, demoCellar }) => {
  await page.goto(demoCellar.url);
  const deed = page.getByRole('list', { name: 'What the vessels ask for' }).getByRole('listitem').first().getByRole('button').first();
  await expect(deed).toBeInViewport({ ratio: 1 });
});

test('Formulate keeps what it makes and the worst of it in sight while it is typed', async ({ page, demoCellar }) => {
  await page.goto(`${demoCellar.url}/batches/new`);
  const volume = page.getByLabel('Volume at the pitch', { exact: true });
  await volume.tap();
  await volume.fill('');
  await volume.pressSequentially('20');
  await page.getByRole('button', { name: 'Hold Cost' }).scrollIntoViewIfNeeded();
  const line = page.locator('[data-test=outcome-line]');
  await expect(line).toBeInViewport({ ratio: 1 });
  await expect(line).toContainText('20.0 L at 1.');
  await expect(line).toContainText(/will not fit/);
  await expect(line.getByRole('status')).toContainText(/20\.0\sL at .*will not fit/);
});

test('a timer goes on over other views and says when its time is up', async ({ page, demoCellar }) => {
  await page.clock.install();
  const id = await idOf(demoCellar, 'Borage, even');
  await page.goto(`${demoCellar.url}/batches/${id}/feed`);
  await page.getByRole('button', { name: 'time it, 3:00' }).first().tap();
  await expect(page.getByText('Degassing Borage, even')).toBeInViewport();
  await page.getByRole('link', { name: 'Rounds' }).tap();
  await expect(page.getByRole('timer')).toBeInViewport();
  await page.clock.fastForward(181_000);
  await expect(page.getByRole('alert').filter({ hasText: 'Degassing Borage, even' })).toContainText('time is up');
  await page.getByRole('button', { name: 'Good' }).tap();
  await expect(page.getByText('Degassing Borage, even')).toHaveCount(0);
});

/** The whole shell lies on the device. */
const installed = (page: Page): Promise<unknown> => page.evaluate(async () => (await navigator.serviceWorker.ready).active?.state);

test.describe('without a network', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the page opens, shows what was last seen, keeps what happens, and merges it with what others wrote', async ({
    page,
    demoCellar,
    context,
  }) => {
    const [borage, clearing] = [await idOf(demoCellar, 'Borage, even'), await idOf(demoCellar, 'Gooseberry, clearing')];
    await page.goto(demoCellar.url);
    await expect(page.getByText('for you')).toBeVisible();
    await installed(page);
    /** Each vessel's record lies on the device before the network goes. */
    await expect
      .poll(() =>
        page.evaluate(
          () =>
            new Promise<number>((resolve) => {
              const opening = indexedDB.open('hollow-bell-last-seen-demo');
              opening.onsuccess = () => {
                const counting = opening.result.transaction('answers').objectStore('answers').getAllKeys();
                counting.onsuccess = () => {
                  opening.result.close();
                  resolve(counting.result.filter((key) => typeof key === 'string' && key.includes('/batches/')).length);
                };
              };
            }),
        ),
      )
      .toBeGreaterThan(7);
    await context.setOffline(true);
    await page.reload();
    await expect(page.getByText(/Nobody answers: this is how it stood/)).toBeVisible();
    await read(page, 'Read Borage, even', '0');
    await expect(page.getByText('1 waiting')).toBeVisible();
    await page.goto(`${demoCellar.url}/batches/${clearing}/watch`);
    await read(page, 'Read', '5');
    await dip(page, 'note: clear as a window');
    await expect(page.getByText('3 waiting')).toBeVisible();
    await page.goto(`${demoCellar.url}/batches`);
    await expect(page.getByRole('link', { name: /Borage, even/ })).toBeVisible();
    await page.goto(`${demoCellar.url}/shelf`);
    await expect(page.getByText('linden avenue').first()).toBeVisible();

    const { lastSeq } = await recordOf(demoCellar, borage);
    const event = { id: randomUUID(), happenedAt: Date.now(), kind: 'note', payload: { text: 'by the other phone' } };
    await fetch(`${demoCellar.url}/api/batches/${borage}/events`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ afterSeq: lastSeq, events: [event] }),
    });
    await context.setOffline(false);
    await expect(page.getByText(/Another window wrote to this batch: .*by the other phone/)).toBeVisible();
    await page.getByRole('button', { name: 'Write mine after it' }).tap();
    const lastTwo = async (id: string): Promise<string[]> => (await recordOf(demoCellar, id)).events.slice(-2).map(({ kind }) => kind);
    await expect.poll(() => lastTwo(borage)).toEqual(['note', 'reading']);
    await expect.poll(() => lastTwo(clearing)).toEqual(['reading', 'note']);
    await expect(page.getByText(/waiting/)).toHaveCount(0);
    for (const { events } of [await recordOf(demoCellar, borage), await recordOf(demoCellar, clearing)])
      expect(events.map(({ seq }) => seq)).toEqual(events.map((_, i) => i + 1));
    await expect(page.getByText(/Nobody answers/)).toHaveCount(0);
  });

  test('what waits can be looked at and taken out, and what stands behind it still goes', async ({ page, demoCellar }) => {
    const id = await idOf(demoCellar, 'Borage, even');
    await page.goto(`${demoCellar.url}/batches/${id}/watch`);
    await expect(page.getByRole('heading', { name: 'Borage, even' })).toBeVisible();
    await installed(page);
    await page.context().setOffline(true);
    await dip(page, 'note: not this');
    await dip(page, 'note: but this');
    await page.getByRole('button', { name: 'See what waits' }).tap();
    await page.getByRole('listitem').filter({ hasText: 'not this' }).getByRole('button', { name: 'Take it out' }).tap();
    await expect(page.getByText('1 waiting')).toBeVisible();
    await page.context().setOffline(false);
    await expect(page.getByText('1 waiting')).toHaveCount(0);
    const texts = (await recordOf(demoCellar, id)).events.flatMap((event) => (event.kind === 'note' ? [event.payload.text] : []));
    expect(texts.at(-1)).toBe('but this');
    expect(texts).not.toContain('not this');
  });
});
