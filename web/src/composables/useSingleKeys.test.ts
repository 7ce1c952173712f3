import { mount } from '@vue/test-utils';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { defineComponent, h } from 'vue';
import { SHORTCUTS, shortcutOf } from '../shortcuts.ts';
import { singleKeysOn, useSingleKeys } from './useSingleKeys.ts';

let pressed: string[] = [];
const Page = defineComponent({
  setup() {
    useSingleKeys(['newBatch', 'next'], (name, { key }) => {
      pressed.push(key);
      return name !== 'next';
    });
    return () => h('div', [h('input'), h('button'), h('div', { contenteditable: 'true' })]);
  },
});
const press = (from: Element, key: string, held: KeyboardEventInit = {}): KeyboardEvent => {
  const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...held });
  from.dispatchEvent(event);
  return event;
};

let page: ReturnType<typeof mount>;
beforeEach(() => {
  pressed = [];
  singleKeysOn.value = true;
  page = mount(Page, { attachTo: document.body });
});
afterEach(() => {
  page.unmount();
  document.body.innerHTML = '';
});

describe('keys that do something by themselves', () => {
  it('work on the page, and take the key only where it was for them', () => {
    expect(press(document.body, 'n').defaultPrevented).toBe(true);
    expect(press(page.get('button').element, 'j').defaultPrevented).toBe(false);
    expect(pressed).toEqual(['n', 'j']);
  });

  it('rest while something is typed, and with a modifier', () => {
    press(page.get('input').element, 'n');
    press(page.get('[contenteditable]').element, 'n');
    for (const held of ['ctrlKey', 'altKey', 'metaKey']) press(document.body, 'n', { [held]: true });
    expect(pressed).toEqual([]);
  });

  it('rest while a dialog is open, wherever the focus is', () => {
    const dialog = document.createElement('div');
    dialog.setAttribute('role', 'dialog');
    dialog.getClientRects = () => [new DOMRect(0, 0, 1, 1)] as unknown as DOMRectList;
    document.body.append(dialog);
    press(document.body, 'n');
    expect(pressed).toEqual([]);
    dialog.remove();
    press(document.body, 'n');
    expect(pressed).toEqual(['n']);
  });

  it('are off where the maker turned them off', () => {
    singleKeysOn.value = false;
    press(document.body, 'n');
    expect(pressed).toEqual([]);
  });
});

describe('the list of keys', () => {
  it('gives no key to two deeds, and says of each what it does', () => {
    const keys = Object.values(SHORTCUTS).flatMap((shortcut) => [...shortcut.keys]);
    expect(new Set(keys).size).toBe(keys.length);
    for (const { does } of Object.values(SHORTCUTS)) expect(does).not.toBe('');
    expect(shortcutOf('ArrowDown', ['next', 'before'])).toBe('next');
    expect(shortcutOf('j', ['before'])).toBeUndefined();
  });
});
