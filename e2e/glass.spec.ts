import { randomUUID } from 'node:crypto';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { readPdf } from './readPdf.ts';
import type { Cellar } from './startCellar.ts';
import { choose, type } from './typing.ts';

const DAY_MS = 86_400_000;
const BEGUN = Date.now() - 460 * DAY_MS;
type Row = readonly [day: number, content: { kind: string; payload: object }];

const honey = (massG: number): Row => [0, { kind: 'honey', payload: { name: 'linden', massG, moisture: 0.172, unfermentable: 0.032 } }];
const berries = (massG: number): Row => [
  0,
  {
    kind: 'ingredient',
    payload: {
      name: 'sour cherries',
      family: 'fruit',
      makes: 'fruit',
      massG,
      composition: { sugar: 0.085, unfermentable: 0.03, insoluble: 0.03, ammoniumNMgPerKg: 10, aminoNMgPerKg: 70, acidGPerKg: 15 },
      sugarSpread: 0.2,
    },
  },
];
const malt: Row = [
  0,
  {
    kind: 'ingredient',
    payload: {
      name: 'pale dried malt',
      family: 'malt',
      makes: 'malt',
      massG: 400,
      composition: { sugar: 0.62, unfermentable: 0.34, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
      sugarSpread: 0.1,
    },
  },
];
const water = (volumeL: number): Row => [0, { kind: 'water', payload: { volumeL } }];
const pitched = (yeastId: string): Row => [0.1, { kind: 'yeast', payload: { yeastId, name: yeastId, massG: 3 } }];
const read = (sg: number, ...days: number[]): Row[] =>
  days.map((day) => [day, { kind: 'reading', payload: { sg, tempC: 20, calibrationC: 20 } }]);

/** A batch with a past, made through the plan as a maker does it. */
async function begin(page: Page, { url }: Cellar, name: string, rows: readonly Row[], isFirst = true): Promise<string> {
  await page.clock.setFixedTime(BEGUN);
  await page.goto(isFirst ? url : `${url}/batches/new`);
  if (isFirst) {
    await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();
    await page.getByRole('button', { name: 'Formulate a mead' }).click();
  }
  await type(page.getByLabel('Name of the batch'), name);
  await page.getByRole('button', { name: 'Save as a batch' }).click();
  await expect(page).toHaveURL(/batches\/[0-9a-f-]{36}/);
  const id = /batches\/([0-9a-f-]{36})/.exec(page.url())![1]!;
  const events = rows.map(([day, content]) => ({ ...content, id: randomUUID(), happenedAt: Math.round(BEGUN + day * DAY_MS) }));
  const written = await page.request.post(`${url}/api/batches/${id}/events`, { data: { afterSeq: 0, events } });
  expect(written.ok(), await written.text()).toBe(true);
  return id;
}

async function onShelf(page: Page, { url }: Cellar, name: string, stockG: number, detail: object): Promise<void> {
  const item = { id: randomUUID(), name, stockG, pricePerKg: null, expiresOn: null, note: '', putAway: false, detail };
  const put = await page.request.put(`${url}/api/shelf/${item.id}`, { data: { afterVersion: 0, item } });
  expect(put.ok(), await put.text()).toBe(true);
}

async function onDay(page: Page, { url }: Cellar, day: number, path: string): Promise<void> {
  await page.clock.setFixedTime(BEGUN + day * DAY_MS);
  await page.goto(`${url}${path}`);
}
const wrote = (page: Page) => expect(page.getByText('Written:')).toBeVisible();
const kind = (page: Page, of: string) => page.locator(`[data-kind="${of}"]`);

async function became(page: Page, what: string, count: string): Promise<void> {
  await choose(page, 'what became of them', what);
  await type(page.getByLabel('how many'), count);
  await page.getByRole('button', { name: 'Write it', exact: true }).click();
  await wrote(page);
}

test('a braggot is primed in mixed bottles, one kind barred, tested on its day, and labeled', async ({ page, emptyCellar, browser }) => {
  const rests: Row = [50, { kind: 'staysHere', payload: {} }];
  const id = await begin(page, emptyCellar, 'Lamp braggot', [
    honey(850),
    malt,
    water(4.4),
    pitched('ale'),
    ...read(1.006, 20, 34, 49),
    rests,
    ...read(1.006, 62),
  ]);
  await onShelf(page, emptyCellar, 'swing-tops', 6, {
    kind: 'bottle',
    sizeMl: 500,
    is: 'swing-top',
    closure: 'swing-top',
    ratedVolumes: 5,
    priceEach: 1.5,
  });
  await onShelf(page, emptyCellar, 'heavy bottles', 20, { kind: 'bottle', sizeMl: 330, is: 'new beer', closure: 'crown cap' });
  await onShelf(page, emptyCellar, 'washed bottles', 8, { kind: 'bottle', sizeMl: 500, is: 'used beer', closure: 'crown cap' });

  await test.step('nothing is primed before the volume is measured', async () => {
    await onDay(page, emptyCellar, 70, `/batches/${id}/bottle`);
    await page.getByRole('button', { name: 'Sparkling', exact: true }).click();
    await expect(page.getByRole('button', { name: /^Bottled/ })).toBeDisabled();
    await type(page.getByLabel('measured after racking'), '4.9');
    await type(page.getByLabel('gas wanted', { exact: true }), '2.6');
    await expect(page.locator('[data-test=sugar]')).toContainText(/3\d\.\d\sg table sugar/);
  });

  await test.step('the washed bottles are barred, with the reason and the gas at which they would hold', async () => {
    await expect(kind(page, '500 used beer')).toContainText(/bears 3\.0\svolumes, and one slip would make 3\.1/);
    await expect(kind(page, '500 used beer')).toContainText(/At 2\.\d\svolumes it would hold/);
    await expect(kind(page, '500 used beer').getByLabel('bottles of 500 ml')).toHaveCount(0);
    await expect(page.locator('[data-test=crate]')).toContainText(/\d+ bottles take 4\.\d+\sL/);
  });

  await test.step('half the mead for the same sugar is seen at the measured volume', async () => {
    const before = await page.locator('[data-test=sugar] b').innerText();
    await type(page.getByLabel('measured after racking'), '2.45');
    await expect(page.locator('[data-test=sugar] b')).not.toHaveText(before);
    await type(page.getByLabel('measured after racking'), '4.9');
  });

  await test.step('bottled: what went in is kept', async () => {
    await page.locator('[data-step=taste]').getByRole('checkbox').click();
    await page.getByRole('button', { name: /^Bottled \d+, primed with/ }).click();
    await expect(page.getByText('In bottles since')).toBeVisible();
    await expect(page.locator('[data-figure=Gas] .number')).toHaveText('2.6');
    await expect(page.locator('[data-test=gas-now]')).toContainText(/up to [\d.]+\sbar/);
  });

  await test.step('Rounds asks for the test bottle on its day', async () => {
    await onDay(page, emptyCellar, 85, '/');
    await expect(page.getByText('Test bottle now')).toBeVisible();
    await onDay(page, emptyCellar, 85, `/batches/${id}/bottle`);
    const left = Number(await page.locator('[data-test=left]').innerText());
    await became(page, 'opened', '1');
    await became(page, 'burst', '4');
    await expect(page.locator('[data-test=left]')).toHaveText(String(left - 5));
    await onDay(page, emptyCellar, 86, '/');
    await expect(page.getByText('Test bottle now')).toHaveCount(0);
  });

  await test.step('more than are there cannot be opened', async () => {
    await onDay(page, emptyCellar, 86, `/batches/${id}/bottle`);
    await choose(page, 'what became of them', 'opened');
    await type(page.getByLabel('how many'), '99');
    await page.getByRole('button', { name: 'Write it', exact: true }).click();
    await expect(page.getByText(/Only \d+ bottles of it are left; 99 cannot have gone/)).toBeVisible();
    await expect(page.getByLabel('how many')).toHaveValue('99');
  });

  await test.step('a sheet of thirty labels reads back, text and code', async () => {
    await onDay(page, emptyCellar, 86, `/batches/${id}/label`);
    await type(page.getByLabel(/^how many/), '30');
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: '30 labels as PDF' }).click()]);
    const pages = await readPdf(browser, await file.path(), { widthMm: 70, heightMm: 29.7 });
    expect(pages).toHaveLength(1);
    const [sheet] = pages;
    expect(sheet!.text.match(/Lamp braggot/g)).toHaveLength(30);
    expect(sheet!.text).toContain('braggot');
    expect(sheet!.text).toMatch(/[\d.]+\s%\svol\s\([\d.]+\s–\s[\d.]+\)/);
    expect(sheet!.text).toContain('Contains gluten.');
    expect(sheet!.text).toMatch(/500\sml/);
    expect(sheet!.text).toMatch(/330\sml/);
    expect(sheet!.code).toBe(`${emptyCellar.url}/batches/${id}`);
  });

  await test.step('text that is too long, and a code that is too small, are said', async () => {
    await choose(page, 'sheet', 'a size of my own, plain paper');
    await type(page.getByLabel('wide, mm'), '40');
    await type(page.getByLabel('high, mm'), '17');
    await page.keyboard.press('Tab');
    await expect(page.getByText(/A code of 12 mm cannot be read/)).toBeVisible();
    await page.getByLabel('a code that opens its record').uncheck();
    await type(
      page.getByLabel('Your own words'),
      'bottled in the lamp room of the old signal box, when the last train had gone and the frost came down upon the allotments',
    );
    await expect(page.getByText(/too long for this label/)).toBeVisible();
    await expect(page.getByLabel('Your own words')).toHaveValue(/^bottled in the lamp room/);
  });
});

test('a still melomel is given, drunk, tasted, compared with its twin, and made again at three gallons', async ({ page, emptyCellar }) => {
  const must = (end: number, tempC: number): Row[] => [
    honey(1300),
    berries(900),
    water(3.7),
    pitched('white'),
    ...[10, 24, 38, 52].map((day): Row => [day, { kind: 'reading', payload: { sg: end, tempC, calibrationC: 20 } }]),
  ];
  const bottled = (closure: 'cork' | 'screw cap', count: number) => ({ sizeMl: 750, count, kind: 'wine', closure });
  const cool = await begin(page, emptyCellar, 'Cherry, cool', must(0.995, 16));
  await begin(
    page,
    emptyCellar,
    'Cherry, warm',
    [...must(0.995, 25), [60, { kind: 'bottling', payload: { bottles: [bottled('cork', 6)] } }]],
    false,
  );
  await onShelf(page, emptyCellar, 'green bottles', 5, { kind: 'bottle', sizeMl: 750, is: 'wine', closure: 'cork' });
  await onShelf(page, emptyCellar, 'small bottles', 2, { kind: 'bottle', sizeMl: 330, is: 'wine', closure: 'screw cap' });

  await test.step('bottled under cork and screw cap', async () => {
    await onDay(page, emptyCellar, 60, `/batches/${cool}/bottle`);
    await expect(kind(page, '750 wine').getByLabel('bottles of 750 ml')).toHaveValue('5');
    await page.getByRole('button', { name: 'Bottled 7' }).click();
    await expect(page.getByText('In bottles since')).toBeVisible();
  });

  await test.step('a shelf in the Cellar: one given, one drunk, with words', async () => {
    await onDay(page, emptyCellar, 120, '/cellar');
    const shelf = page.locator('[data-shelf="Cherry, cool"]');
    await expect(shelf).toContainText('7 of 7 left');
    await shelf.locator('.choose').click();
    await choose(page, 'what became of them', 'gave away');
    await type(page.getByLabel('to whom'), 'the bell ringers');
    await page.getByRole('button', { name: 'Write it', exact: true }).click();
    await wrote(page);
    await expect(shelf).toContainText('6 of 7 left');
    await page.getByRole('button', { name: 'Opened one Cherry, cool' }).click();
    await expect(shelf).toContainText('5 of 7 left');
    await page.getByRole('button', { name: 'Tasting', exact: true }).click();
    await type(page.getByRole('textbox', { name: 'Tasting note' }), 'almond, long');
    await page.getByRole('button', { name: 'Write the tasting' }).click();
    await expect(page.getByRole('list', { name: 'Tastings' })).toContainText('almond, long');
    await type(page.getByRole('textbox', { name: 'Next time' }), 'Under 18 for ten days');
    await page.getByRole('button', { name: 'Note it' }).click();
    await expect(page.getByRole('listitem').filter({ hasText: 'Under 18 for ten days' })).toBeVisible();
  });

  await test.step('side by side with its twin: what differed', async () => {
    await page.getByRole('button', { name: 'Compare Cherry, cool' }).click();
    await page.getByRole('button', { name: 'Compare Cherry, warm' }).click();
    await expect(page.locator('[data-test=compare]')).toContainText(/Cherry, warm stood 9\s°C warmer/);
    await expect(page.locator('[data-test=compare]')).not.toContainText('yeast: ');
  });

  await test.step('kept as a recipe, found, and made again at three gallons with its note in view', async () => {
    await page.locator('[data-shelf="Cherry, cool"] .choose').click();
    await page.getByRole('button', { name: 'Keep as a recipe' }).click();
    await expect(page).toHaveURL(/cellar\/recipes/);
    await type(page.getByLabel('find by name, tag, ingredient'), 'cherry');
    await page.locator('[data-recipe="Cherry, cool"] .line').click();
    await choose(page, 'in', /15 L bucket/);
    await type(page.getByLabel(/^how much/), '3 us gal');
    await page.getByRole('button', { name: 'To the plan' }).click();
    await expect(page.locator('[data-test=next-time]')).toContainText('Under 18 for ten days');
    await expect(page.getByRole('textbox', { name: 'Volume at the pitch' })).toHaveValue('11.36');
    await type(page.getByLabel('Name of the batch'), 'Cherry, again');
    await page.getByRole('button', { name: 'Save as a batch' }).click();
    await expect(page).toHaveURL(/batches\/[0-9a-f-]{36}\/pitch/);
    await page.goto(`${emptyCellar.url}/cellar/recipes`);
    await expect(page.locator('[data-recipe="Cherry, cool"]')).toContainText('Cherry, again');
  });

  await test.step('a recipe goes out and comes in again', async () => {
    await page.locator('[data-recipe="Cherry, cool"] .line').click();
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'as JSON' }).click()]);
    await page.getByRole('button', { name: 'Take it out' }).click();
    await expect(page.locator('[data-recipe="Cherry, cool"]')).toHaveCount(0);
    await page.locator('input[type=file]').setInputFiles(await file.path());
    await expect(page.locator('[data-recipe="Cherry, cool"]')).toBeVisible();
  });
});

test('what is in glass already is written though glass is shut, rings on Rounds, and is quiet once vented', async ({
  page,
  demoCellar,
}) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.getByRole('link', { name: /Linden, plain/ }).click();
  await page.getByRole('link', { name: /^Bottle/ }).click();
  const verdict = page.locator('[data-test=no-bottling]');
  await expect(verdict).toContainText(/Glass is shut until/);
  await expect(page.getByRole('button', { name: /^Bottled \d/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'It is already in glass' }).click();
  await page.getByRole('button', { name: 'as many as fit' }).first().click();
  await page.getByRole('button', { name: /^Bottled \d/ }).click();
  await expect(page.locator('[data-test=doubts]')).toContainText('Glass is shut on it');
  await page.getByRole('button', { name: 'It is so, write it' }).click();
  await expect(page.getByRole('main').getByRole('alert').first()).toContainText('should not have been closed');

  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  const alarm = page.locator('li.ask[data-bell=cracked]').filter({ hasText: 'Linden, plain' });
  await expect(alarm).toContainText('should not have been closed');
  await alarm.getByRole('link', { name: 'Linden, plain' }).click();
  await page.getByRole('link', { name: /^Bottle/ }).click();
  await page.getByRole('button', { name: 'All of them are vented' }).click();
  await expect(page.getByRole('button', { name: 'All of them are vented' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Rounds', exact: true }).click();
  await expect(alarm).toHaveCount(0);
});
