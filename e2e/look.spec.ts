import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const VIEWS: [name: string, path: string, sees: string][] = [
  ['Rounds', '/', 'for you'],
  ['the formulation', '/batches/new', 'What it makes'],
  ['the shelf', '/shelf', 'linden avenue'],
  ['the bench', '/bench/reading', 'Really, at 20'],
  ['House', '/house', 'Your units'],
  ['the Cellar', '/cellar', 'bottles on'],
  ['the recipe book', '/cellar/recipes', 'Nothing is kept yet'],
  ['labels', '/batches/{sparkling}/label', 'At true size'],
  ['a crate', '/batches/{hydromel}/bottle', 'In this order'],
  ['what is bottled', '/batches/{sparkling}/bottle', 'In bottles since'],
  ['priming', '/bench/priming', 'In it already'],
  ...['pitch', 'watch', 'feed', 'clear', 'stabilize', 'bottle', 'taste'].map((station): [string, string, string] => [
    station,
    `/batches/{borage}/${station}`,
    'Log',
  ]),
];

/** Opens a view of the demo cellar and waits until it shows what it is known by. */
async function open(page: Page, url: string, path: string, sees: string): Promise<void> {
  const { batches } = (await (await page.request.get(`${url}/api/batches`)).json()) as { batches: { id: string; name: string }[] };
  const named: Record<string, string> = { borage: 'Borage, even', sparkling: 'Gooseberry, sparkling', hydromel: 'Gooseberry hydromel' };
  const idOf = (of: string): string => batches.find(({ name }) => name === named[of])?.id ?? '';
  await page.goto(url + path.replaceAll(/\{(\w+)\}/g, (_, of: string) => idOf(of)));
  await expect(page.getByText(sees).first()).toBeVisible();
}

for (const light of ['day', 'cellar'] as const) {
  test(`every view can be read and worked by all, in ${light} light`, async ({ page, readCellar }) => {
    test.setTimeout(120_000);
    const errors: string[] = [];
    page.on('console', (message) => message.type() === 'error' && errors.push(message.text()));
    await page.addInitScript((kept) => localStorage.setItem('hollow-bell-light', kept), light);
    for (const [name, path, sees] of VIEWS) {
      await open(page, readCellar.url, path, sees);
      const axe = new AxeBuilder({ page });
      // The lights differ in colors alone.
      const { violations } = await (
        light === 'day' ? axe.withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']) : axe.withRules(['color-contrast'])
      ).analyze();
      expect(violations.map(({ id, nodes }) => `${name}: ${id}: ${nodes.map((node) => node.target.join(' ')).join('; ')}`)).toEqual([]);
    }
    expect(errors).toEqual([]);
  });
}

test('a phone shows every view without scrolling sideways', async ({ page, readCellar }) => {
  test.setTimeout(120_000);
  await page.setViewportSize({ width: 390, height: 844 });
  for (const [name, path, sees] of VIEWS) {
    await open(page, readCellar.url, path, sees);
    const overhang = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth);
    expect(overhang, name).toBeLessThanOrEqual(0);
  }
});

test('the level is dragged and typed alike, and the keyboard reaches it', async ({ page, readCellar }) => {
  await page.goto(`${readCellar.url}/batches/new`);
  const level = page.getByRole('slider', { name: 'Level of the must' });
  const volume = page.getByLabel('Volume at the pitch', { exact: true });
  await expect(volume).toHaveValue('5.00');
  await level.focus();
  await page.keyboard.press('ArrowUp');
  await expect(volume).toHaveValue('5.10');
  const box = (await level.boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2 - 60, { steps: 4 });
  await page.mouse.up();
  expect(Number(await volume.inputValue())).toBeGreaterThan(6);
  await expect(page.getByLabel('Original gravity', { exact: true })).toHaveValue('1.095');
});

test('holds that contradict leave the must as it was and say why', async ({ page, readCellar }) => {
  await page.goto(`${readCellar.url}/batches/new`);
  const honey = page.getByLabel('linden avenue, mass', { exact: true });
  await page.getByRole('button', { name: 'Hold Alcohol it ends with' }).click();
  const before = await honey.inputValue();
  await type(page.getByLabel('Alcohol it ends with', { exact: true }), '19');
  await expect(page.getByRole('alert')).toContainText('stops near 14 % vol');
  await expect(honey).toHaveValue(before);
  await type(page.getByLabel('Alcohol it ends with', { exact: true }), '11');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(honey).not.toHaveValue(before);
});
