import { createHash, X509Certificate } from 'node:crypto';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Batch, BatchList } from '@hollow-bell/contract';
import { chromium } from '@playwright/test';
import type { Browser, BrowserContext, Page } from '@playwright/test';
import { BROWSER } from './browser.ts';
import { expect, test } from './cellar.ts';
import type { ProgramCellar } from './startCellar.ts';
import { choose, type } from './typing.ts';
import { HOUSE_ADDRESS } from './startCellar.ts';

const PASSPHRASE = 'four words of linden honey';

/** A browser that trusts this house’s certificate and no other: what a phone does that has its authority. */
function browserOfHouse(folder: string): Promise<Browser> {
  const { publicKey } = new X509Certificate(readFileSync(join(folder, 'tls', 'machine.crt')));
  const pin = createHash('sha256')
    .update(publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
  return chromium.launch({ ...BROWSER, args: [...BROWSER.args, `--ignore-certificate-errors-spki-list=${pin}`] });
}

const phone = (browser: Browser): Promise<BrowserContext> =>
  browser.newContext({ viewport: { width: 390, height: 844 }, locale: 'en-GB', timezoneId: 'Europe/Berlin' });

async function openForHouse(cellar: ProgramCellar, page: Page, folder: string): Promise<void> {
  await page.goto(`${cellar.url}/house`);
  await type(page.getByLabel('a passphrase for the house'), PASSPHRASE);
  await page.getByRole('button', { name: 'Set it' }).click();
  await expect(page.getByText('It is set.')).toBeVisible();
  await cellar.restart({ args: ['--house'], env: { HOUSE_ADDRESS, HOLLOW_BELL_DATA: folder } });
}

test('two phones of the house come in by a code and by the passphrase, write with and without a network, and one is shown out', async ({
  page,
  demoProgram,
}) => {
  const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-house-'));
  await openForHouse(demoProgram, page, folder);
  const browser = await browserOfHouse(folder);
  const { houseUrl } = demoProgram;

  await page.goto(`${demoProgram.url}/house`);
  await page.getByRole('button', { name: 'Let it in' }).click();
  const code = (await page.locator('[data-test=pairing-code] b').innerText()).replace(' ', '');

  const first = await (await phone(browser)).newPage();
  await first.goto(`${houseUrl}/enter#${code}`);
  await type(first.getByLabel('what this device is called here'), 'kitchen phone');
  await first.getByRole('button', { name: 'Come in' }).click();
  await expect(first).toHaveURL(/\/$/);

  const second = await (await phone(browser)).newPage();
  await second.goto(`${houseUrl}/demo/`);
  await second.getByLabel('by the passphrase').check();
  await type(second.getByLabel('passphrase', { exact: true }), 'four words of heather');
  await second.getByRole('button', { name: 'Come in' }).click();
  await expect(second.getByRole('alert')).toContainText('not the passphrase');
  await type(second.getByLabel('passphrase', { exact: true }), PASSPHRASE);
  await second.getByRole('button', { name: 'Come in' }).click();
  await expect(second.getByText('ask for you')).toBeVisible();

  await second.getByRole('link', { name: 'Borage, even', exact: true }).first().click();
  await second.waitForURL(/\/batches\/[0-9a-f-]{36}/);
  const id = /batches\/([0-9a-f-]{36})/.exec(second.url())![1]!;
  await expect(second.getByRole('heading', { name: 'Borage, even' })).toBeVisible();
  const dip = second.getByRole('textbox', { name: /Dip line/i });
  await type(dip, 'note: with a network');
  await dip.press('Enter');
  await expect(second.getByText(/^Written/)).toBeVisible();
  await second.context().setOffline(true);
  await type(dip, 'note: without a network');
  await dip.press('Enter');
  await expect(second.getByText(/1 waiting/)).toBeVisible();

  await page.goto(`${demoProgram.url}/house`);
  await page.locator('[data-session=computer], [data-session=phone]').getByRole('button', { name: 'End it' }).click();
  await expect(page.locator('[data-session=computer], [data-session=phone]')).toHaveCount(0);
  await second.context().setOffline(false);
  await expect(second.getByRole('heading', { name: 'Come in' })).toBeVisible();
  await expect(second.getByText('One entry of this device waits to be written.')).toBeVisible();
  const notes = async (): Promise<string[]> => {
    const { events } = (await (await fetch(`${demoProgram.url}/api/batches/${id}`)).json()) as Batch;
    return events.flatMap((event) => (event.kind === 'note' ? [event.payload.text] : [])).filter((text) => text.includes('network'));
  };
  expect(await notes()).toEqual(['with a network']);
  await type(second.getByLabel('passphrase', { exact: true }), PASSPHRASE);
  await second.getByRole('button', { name: 'Come in' }).click();
  await expect.poll(notes).toEqual(['with a network', 'without a network']);

  await choose(page, 'a device for somebody', 'who may only look');
  await page.getByRole('button', { name: 'Let it in' }).click();
  await expect(page.getByText('for somebody who may only look')).toBeVisible();
  const guestCode = await page.locator('[data-test=pairing-code] b').innerText();
  const guest = await (await phone(browser)).newPage();
  await guest.goto(`${houseUrl}/demo/enter`);
  await guest.getByLabel('by a code').check();
  await type(guest.getByLabel(/^code/), guestCode);
  await guest.getByRole('button', { name: 'Come in' }).click();
  await expect(guest.getByText('You look around as a guest')).toBeVisible();
  await guest.goto(`${houseUrl}/demo/batches/${id}`);
  const guestDip = guest.getByRole('textbox', { name: /Dip line/i });
  await type(guestDip, 'note: by a guest');
  await guestDip.press('Enter');
  await expect(guest.getByText(/here as a guest/)).toBeVisible();
  const { batches } = (await (await fetch(`${demoProgram.url}/api/batches`)).json()) as BatchList;
  expect(batches.length).toBeGreaterThan(5);

  const stranger = await (await phone(await chromium.launch(BROWSER))).newPage();
  await expect(stranger.goto(houseUrl)).rejects.toThrow(/ERR_CERT/);
  await stranger.context().browser()!.close();
  await browser.close();
  rmSync(folder, { recursive: true, force: true });
});
