import type { Locator } from '@playwright/test';

/** Types as hands do: what stood there is selected, then key by key. */
export async function type(field: Locator, text: string): Promise<void> {
  await field.click();
  await field.press('ControlOrMeta+a');
  if (text === '') await field.press('Delete');
  else await field.pressSequentially(text);
}
