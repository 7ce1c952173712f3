import type { Locator, Page } from '@playwright/test';
import { expect } from './cellar.ts';

/** How a maker works the page: what is pressed, written and chosen, and by nothing else. */
export interface Hand {
  press: (target: Locator) => Promise<void>;
  write: (field: Locator, text: string) => Promise<void>;
  choose: (list: string, line: string) => Promise<void>;
}

export const byTouch = (page: Page): Hand => ({
  press: (target) => target.tap(),
  write: async (field, text) => {
    await field.tap();
    await field.fill('');
    await field.pressSequentially(text);
  },
  choose: async (list, line) => {
    await page
      .locator('.el-select')
      .filter({ has: page.getByRole('combobox', { name: list, exact: true }) })
      .tap();
    await page.getByRole('option', { name: line }).locator('visible=true').tap();
  },
});

const MOST_TABS = 250;

/** The keyboard alone: everything is gone to by Tab, or back to by Shift and Tab, from wherever the focus stands. */
export function byKeys(page: Page): Hand {
  const hasFocus = (target: Locator): Promise<boolean> => target.evaluate((element) => element === document.activeElement);
  const liesBefore = (target: Locator): Promise<boolean> =>
    target.evaluate(
      (element) =>
        document.activeElement !== document.body &&
        ((document.activeElement?.compareDocumentPosition(element) ?? 0) & Node.DOCUMENT_POSITION_PRECEDING) !== 0,
    );
  async function reach(target: Locator): Promise<void> {
    await target.waitFor();
    const step = (await liesBefore(target)) ? 'Shift+Tab' : 'Tab';
    for (let i = 0; i < MOST_TABS; i++) {
      if (await hasFocus(target)) return;
      await page.keyboard.press(step);
    }
    throw new Error(`Tab does not reach ${String(target)}`);
  }
  return {
    press: async (target) => {
      await reach(target);
      await page.keyboard.press('Enter');
      /** Whatever that did, the focus stands on something: never on the page as a whole. */
      await expect.poll(() => page.evaluate(() => document.activeElement !== document.body)).toBe(true);
    },
    write: async (field, text) => {
      await reach(field);
      await page.keyboard.press('ControlOrMeta+a');
      await page.keyboard.type(text);
    },
    choose: async (list, line) => {
      await reach(page.getByRole('combobox', { name: list, exact: true }));
      await page.keyboard.press('Enter');
      const hovered = page.locator('.el-select-dropdown__item.is-hovering').filter({ visible: true });
      for (let i = 0; i < MOST_TABS && (await hovered.filter({ hasText: line }).count()) === 0; i++) await page.keyboard.press('ArrowDown');
      await page.keyboard.press('Enter');
    },
  };
}
