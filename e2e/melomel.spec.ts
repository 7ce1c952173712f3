import type { Page } from '@playwright/test';
import { expect, test } from './cellar.ts';
import { type } from './typing.ts';

const HOUR_MS = 3_600_000;
const BEGUN = Date.now() - 60 * 24 * HOUR_MS;

const SHELF = `kind,name,stock_g,shape,capacity_l,material,yeast_type,g_per_packet,is,g_per_tablet,ammonium_n_pct,amino_n_pct
vessel,2 gal bucket,1,bucket,7.9,plastic,,,,,,
vessel,small jug,2,jug,2.5,glass,,,,,,
vessel,pint bottle,1,jug,0.5,glass,,,,,,
yeast,even yeast,20,,,,allround,5,,,,
nutrient,yeast food,50,,,,,10,,,0,4
chemical,white tablets,44,,,,,,potassium metabisulfite,0.44,,
`;

const log = (page: Page) => page.locator('.log');
const head = (page: Page) => page.locator('.bench-head');
const figure = (page: Page, label: string) => page.locator(`[data-figure="${label}"] .number`);

async function at(page: Page, hour: number, station: string): Promise<void> {
  await page.clock.setFixedTime(BEGUN + hour * HOUR_MS);
  const batch = /^.*\/batches\/[0-9a-f-]{36}/.exec(page.url())?.[0] ?? '';
  await page.goto(`${batch}/${station}`);
  await expect(page.locator('.bench-head h1')).toBeVisible();
}

/** Typed key by key; what wants a second look is so. */
async function dip(page: Page, typed: string, written: RegExp): Promise<void> {
  await type(page.getByRole('textbox', { name: 'Dip line' }), typed);
  await page.getByRole('button', { name: 'Write it down' }).click();
  await expect(
    page
      .getByText('Written:')
      .or(page.getByRole('button', { name: 'It is so, write it' }))
      .first(),
  ).toBeVisible();
  const asked = page.getByRole('button', { name: 'It is so, write it' });
  if (await asked.isVisible()) await asked.click();
  await expect(log(page)).toContainText(written);
}

/*
 * By hand. Honey 17.2 % water: 4 lb = 1814.4 g hold 1502.3 g; raspberries 4.4 % sugar, 3.3 % other, 6.5 % pulp: 2 lb = 907.2 g hold
 * 69.9 g dissolved and 59.0 g of pulp. A gallon of water weighs 3.785 × 998.2 = 3778.6 g.
 *
 * liquid      1814.4 + 907.2 − 59.0 + 3778.6 = 6441.2 g, with 1572.2 g dissolved: 24.41 °Bx, in the sucrose tables 1.1031
 * volume      6441.2 / (1.1031 × 998.2) = 5.850 L = 1.55 US gal
 *
 * A jug is drawn 3.1 radii high; its outline holds 0.7513 π r² h. Of 2.5 L: r³ = 2500 / (0.7513 × 3.1 π), r = 6.99 cm, h = 216.7 mm.
 * 2.35 L are 94 %, 0.7062 of the 0.7513: up to the shoulder at 0.74 h go 0.7072, the last of it (r from 0.93 to 0.74 of the whole)
 * ends at 0.738 h = 160 mm; the bung sits 20 mm deep: 37 mm of air, 0.15 L = 5.1 US fl oz to the brim.
 * Half a liter: r = 4.09 cm, h = 126.7 mm; 0.4 L reach 0.605 h = 77 mm, 30 mm under the bung, 0.1 L = 3.4 US fl oz to the brim.
 */
test('a melomel from a bucket into two jugs and a companion, topped up, one jug going its own way', async ({ page, emptyCellar }) => {
  await page.clock.setFixedTime(BEGUN);
  await page.goto(emptyCellar.url);

  await test.step('a house of pounds and gallons, with what stands on its shelf', async () => {
    await page.getByRole('radio', { name: /^US pounds/ }).check();
    await expect(page.getByRole('radio', { name: 'marked 60 °F' })).toBeChecked();
    await page.getByRole('button', { name: 'Begin with an empty cellar' }).click();
    await page.getByRole('link', { name: 'Shelf' }).click();
    await page.locator('[data-test=csv]').setInputFiles({ name: 'shelf.csv', mimeType: 'text/csv', buffer: Buffer.from(SHELF) });
    await page.getByRole('button', { name: 'Put them on the shelf' }).click();
    await expect(page.locator('[data-item="small jug"]')).toContainText('2 ×');
  });

  await test.step('poured by the pound and the gallon, in a 2 gal bucket', async () => {
    await page.getByRole('link', { name: 'Batches', exact: true }).click();
    await page.getByRole('button', { name: 'Formulate a mead' }).click();
    await type(page.getByLabel('Name of the batch'), 'Red gate');
    await type(page.getByLabel('Volume at the pitch', { exact: true }), '1.55');
    await page.locator('.vessel-pick .el-select').click();
    await page.getByRole('option', { name: /^2 gal bucket/ }).click();
    await page.getByRole('button', { name: 'Save as a batch' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Red gate' })).toBeVisible();
    await dip(page, '4 lb honey', /poured 4\.00\slb/);
    await dip(page, '1 gal water', /poured 1\.00\sUS\sgal water/);
    await dip(page, '2 lb raspberries in a bag for 3 days', /poured 2\.00\slb raspberries/);
    await expect(head(page)).toContainText(/1\.5[3-7]\sUS\sgal in the 2 gal bucket/);
  });

  await test.step('pitched from a packet, fed half a packet of powder', async () => {
    await at(page, 1, 'pitch');
    await dip(page, 'pitched one packet', /pitched 5\.0\sg even yeast/);
    await at(page, 26, 'feed');
    await dip(page, 'fed half a packet yeast food', /fed 5\.0\sg yeast food/);
  });

  await test.step('the bag comes out on the third day, asked for on Rounds', async () => {
    await page.clock.setFixedTime(BEGUN + 73 * HOUR_MS);
    await page.getByRole('link', { name: 'Rounds', exact: true }).click();
    await expect(page.getByText('The bag of raspberries comes out now.')).toBeVisible();
    await page
      .getByRole('link', { name: /Red gate/ })
      .first()
      .click();
    await expect(head(page)).toContainText('Red gate');
    await dip(page, 'bag out, 9 oz', /lifted 9\.0\soz|lifted 0\.56\slb|lifted 255\sg/);
  });

  await test.step('racked into two jugs and a companion, each level told before', async () => {
    await at(page, 24 * 30, 'clear');
    await dip(page, '0.998 68f', /0\.998/);
    await page.getByText('In another way: other vessels').click();
    const into = page.locator('form.rack .into');
    await into.nth(0).locator('.el-select').click();
    await page.getByRole('option', { name: /^small jug/ }).click();
    await type(into.nth(0).getByLabel('left in the new vessel'), '2.35 l');
    await page.keyboard.press('Tab');
    await expect(into.nth(0)).toContainText(/stands 160\smm high, 37\smm of air under the bung, 5\.1\sUS\sfl\soz to the brim/);
    await page.getByRole('button', { name: 'One more vessel' }).click();
    await into.nth(1).locator('.el-select').click();
    await page
      .getByRole('option', { name: /^small jug/ })
      .last()
      .click();
    await type(into.nth(1).getByLabel('how much'), '2.35 l');
    await into
      .nth(1)
      .getByRole('checkbox', { name: /companion/ })
      .uncheck();
    await page.getByRole('button', { name: 'One more vessel' }).click();
    await into.nth(2).locator('.el-select').click();
    await page
      .getByRole('option', { name: /^pint bottle/ })
      .last()
      .click();
    await type(into.nth(2).getByLabel('how much'), '0.4 l');
    await page.keyboard.press('Tab');
    await expect(into.nth(2)).toContainText(/stands 77\smm high, 30\smm of air under the bung, 3\.4\sUS\sfl\soz to the brim/);
    await page.getByRole('button', { name: 'Racked', exact: true }).click();
    // 2.35 L = 0.62 US gal, 0.4 L = 13.5 US fl oz.
    await expect(head(page)).toContainText(
      /0\.62\sUS\sgal in the small jug, 0\.62\sUS\sgal in the small jug, 13\.5\sUS\sfl\soz in the pint bottle beside it/,
    );
    await page.getByRole('link', { name: 'Rounds', exact: true }).click();
    const stands = page.locator('[data-batch="Red gate"]');
    // Marked for 60 °F: 0.998 of the water at 60 °F, 999.0 g/L, is 0.9988 of that at 68 °F, 998.2 g/L.
    await expect(stands).toContainText('0.999');
    await stands.getByRole('link').click();
    await page.waitForURL(/batches\/[0-9a-f-]{36}/);
    await expect(head(page)).toContainText('Red gate');
  });

  await test.step('topped up from the companion: the batch stays what it is', async () => {
    await at(page, 24 * 31, 'clear');
    // 80 ml go over: 40 into each jug, 2.39 L = 0.63 US gal; 320 ml = 10.8 US fl oz stay.
    await dip(page, 'topped up 80 ml from the companion', /topped up with 2\.7\sUS\sfl\soz from the companion jug/);
    await expect(head(page)).toContainText(
      /0\.63\sUS\sgal in the small jug, 0\.63\sUS\sgal in the small jug, 10\.8\sUS\sfl\soz in the pint bottle/,
    );
    await at(page, 24 * 31, 'watch');
    // 2.35 + 2.35 + 0.4 L.
    await expect(figure(page, 'In the vessel')).toHaveText('1.35');
  });

  await test.step('one jug goes its own way as it stands', async () => {
    await page.getByRole('button', { name: 'Split' }).click();
    const dialog = page.getByRole('dialog');
    await type(dialog.getByLabel('called'), 'Red gate with ginger');
    await dialog.locator('.el-select').click();
    await page
      .getByRole('option', { name: /its own small jug as it stands/ })
      .first()
      .click();
    await dialog.getByRole('button', { name: 'Split it' }).click();
    await expect(log(page)).toContainText(/0\.63\sUS\sgal went into Red gate with ginger/);
    await expect(head(page)).toContainText(/0\.63\sUS\sgal in the small jug, 10\.8\sUS\sfl\soz in the pint bottle beside it/);
    await page.getByRole('link', { name: 'Red gate with ginger' }).click();
    await expect(head(page)).toContainText(/0\.63\sUS\sgal in the small jug/);
    await expect(head(page)).toContainText('from Red gate');
  });

  await test.step('its own flavor, acid by the spoon, sulfite by the tablet, off the shelf', async () => {
    await dip(page, '20 g ginger', /20\.0\sg .*ginger/);
    // A level teaspoon of tartaric acid holds 4.6 g.
    await dip(page, 'half a teaspoon tartaric acid', /2\.3\sg tartaric acid/);
    await dip(page, '1 white tablet', /0\.44\sg potassium metabisulfite/);
    await page.getByRole('link', { name: 'Shelf' }).click();
    await expect(page.locator('[data-item="white tablets"]')).toContainText(/43\.6\sg/);
    await expect(page.locator('[data-item="even yeast"]')).toContainText(/15\.0\sg/);
    await expect(page.locator('[data-item="yeast food"]')).toContainText(/45\.0\sg/);
  });

  await test.step('an entry of each is corrected and struck out from the log', async () => {
    await page.getByRole('link', { name: 'Batches', exact: true }).click();
    await page.getByRole('link', { name: /Red gate with ginger/ }).click();
    await page.getByRole('button', { name: /^Correct: .*tartaric acid/ }).click();
    await type(page.getByRole('dialog').getByLabel('how much'), '1.2 g');
    await page.getByRole('button', { name: 'Correct it' }).click();
    await expect(log(page)).toContainText(/1\.2\sg tartaric acid/);
    await page.getByRole('button', { name: /^Correct: .*ginger/ }).click();
    await page.getByRole('button', { name: 'It never happened' }).click();
    await expect(log(page)).toContainText('taken back');
  });
});
