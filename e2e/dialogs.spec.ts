import type { BatchList } from '@hollow-bell/contract';
import { expect, test } from './cellar.ts';
import { faultsInBothLights, overhang } from './readable.ts';

/** The second of them is where the next is opened, so that all but the first are opened on a phone. */
const SIZES = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
] as const;

test('the pad and every dialog can be read by all, in both lights, on a desk and on a phone, and give the focus back', async ({
  page,
  readCellar,
}) => {
  const wrong: string[] = [];
  await page.emulateMedia({ reducedMotion: 'reduce' });
  await page.addInitScript(() => localStorage.setItem('hollow-bell-light', 'day'));
  const check = async (what: string): Promise<void> => {
    for (const size of SIZES) {
      await page.setViewportSize(size);
      wrong.push(...(await faultsInBothLights(page, '[role=dialog]')).map((each) => `${what} at ${size.width}: ${each}`));
      const over = await overhang(page);
      if (over.length > 0) wrong.push(`${what} at ${size.width} reaches over: ${over.join(', ')}`);
    }
  };
  const focusIsKept = (): Promise<boolean> => page.evaluate(() => document.activeElement !== document.body);
  const { batches } = (await (await fetch(`${readCellar.url}/api/batches`)).json()) as BatchList;
  const id = batches.find(({ name }) => name === 'Borage, even')!.id;
  const dialogs: readonly (readonly [opener: RegExp | string, title: RegExp | string])[] = [
    [/^Correct: /, /./],
    ['Write down what happened', 'What happened?'],
    ['Pour in another', 'Pour in another batch'],
    ['Split', 'Split into other vessels'],
    ['Add something', 'Add to the must'],
    ['Readings from a table', 'Readings from a table'],
    ['Rename', 'Rename'],
    ['Make it again', 'Make it again'],
    ['Delete', 'Delete this batch?'],
  ];
  await page.goto(`${readCellar.url}/batches/${id}/watch`);
  await expect(page.getByRole('heading', { level: 1, name: 'Borage, even' })).toBeVisible();
  for (const [opener, title] of dialogs) {
    await page.getByRole('button', { name: opener }).first().click();
    const dialog = page.getByRole('dialog', { name: title });
    await expect(dialog).toBeVisible();
    await expect.poll(() => dialog.evaluate((element) => element.contains(document.activeElement))).toBe(true);
    await check(`“${String(title)}”`);
    await page.keyboard.press('Escape');
    await expect(dialog).toBeHidden();
    await expect.poll(focusIsKept, `focus after “${String(title)}”`).toBe(true);
  }
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await check('the sheet of keys');
  await page.keyboard.press('Escape');
  await page.goto(readCellar.url);
  await page.getByRole('button', { name: 'Read Borage, even' }).click();
  await expect(page.getByRole('group', { name: 'Keys' })).toBeVisible();
  await page.keyboard.type('1012');
  await check('the pad');
  await page.keyboard.press('Escape');
  await expect.poll(focusIsKept).toBe(true);
  expect(wrong).toEqual([]);
});
