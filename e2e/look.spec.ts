import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

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
  await expect(page.getByRole('alert')).toContainText('stops near 14.0 % vol');
  await expect(honey).toHaveValue(before);
  await type(page.getByLabel('Alcohol it ends with', { exact: true }), '11');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await expect(honey).not.toHaveValue(before);
});
