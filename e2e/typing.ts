import type { Locator, Page } from '@playwright/test';

/** Types as hands do: what stood there is selected, then key by key. */
export async function type(field: Locator, text: string): Promise<void> {
  await field.click();
  await field.press('ControlOrMeta+a');
  if (text === '') await field.press('Delete');
  else await field.pressSequentially(text);
}

/** Opens a list and takes one of its lines. */
export async function choose(page: Page, list: string, line: string | RegExp): Promise<void> {
  await page
    .locator('.el-select')
    .filter({ has: page.getByRole('combobox', { name: list, exact: true }) })
    .click();
  await page.getByRole('option', { name: line }).locator('visible=true').click();
}
