import { expect, test } from './cellar.ts';

/** A picture of 1,600 by 1,200 pixels, drawn in the page. */
const drawn = `(() => {
  const canvas = Object.assign(document.createElement('canvas'), { width: 1600, height: 1200 });
  const brush = canvas.getContext('2d');
  brush.fillStyle = '#c9962f';
  brush.fillRect(0, 0, 1600, 1200);
  return canvas.toDataURL('image/png').split(',')[1];
})()`;

test('a picture is put on an entry, made small, seen in the log, taken off and put on again, and goes into another cellar with the file', async ({
  page,
  demoCellar,
  emptyCellar,
}) => {
  await page.goto(`${demoCellar.url}/batches`);
  await page.locator('.list li').filter({ hasText: 'Borage, even' }).getByRole('link').click();
  const buffer = Buffer.from(await page.evaluate<string>(drawn), 'base64');
  const entry = page.locator('#log li').first();
  await entry.getByRole('button').click();
  const dialog = page.getByRole('dialog');
  await dialog.locator('input[type=file]').setInputFiles({ name: 'lees.png', mimeType: 'image/png', buffer });
  const shown = dialog.getByRole('img', { name: /^Picture 1 of / });
  await expect(shown).toHaveJSProperty('naturalWidth', 1200);
  await dialog.getByRole('button', { name: 'Take picture 1 off' }).click();
  await expect(shown).toBeHidden();
  await dialog.getByRole('button', { name: 'Put it on again' }).click();
  await expect(shown).toBeVisible();

  await dialog.locator('input[type=file]').setInputFiles({ name: 'note.txt', mimeType: 'text/plain', buffer: Buffer.from('no picture') });
  await expect(dialog.getByRole('alert')).toContainText('no picture that can be read');
  await page.keyboard.press('Escape');
  await expect(entry.locator('img')).toHaveCount(1);
  await page.reload();
  await expect(entry.locator('img')).toHaveJSProperty('complete', true);
  await expect(entry.locator('img')).toHaveCount(1);

  await page.goto(`${demoCellar.url}/house`);
  const [cellar] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'The cellar as one file' }).click()]);
  const { practice } = (await (await page.request.get(`${demoCellar.url}/api/practice`)).json()) as { practice: object };
  const other = emptyCellar.url;
  await page.request.put(`${other}/api/practice`, { data: practice });
  await page.goto(`${other}/house`);
  await page.getByLabel('Bring a file in…').setInputFiles(await cellar.path());
  await dialog.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.getByText('has come in.')).toBeVisible();
  await page.goto(`${other}/batches`);
  await page.locator('.list li').filter({ hasText: 'Borage, even' }).getByRole('link').click();
  await expect(entry.locator('img')).toHaveJSProperty('naturalWidth', 1200);
});
