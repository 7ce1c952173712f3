import { onKeyStroke, useLocalStorage } from '@vueuse/core';
import { SHORTCUTS, shortcutOf } from '../shortcuts.ts';
import type { ShortcutName } from '../shortcuts.ts';

/** Whether one key alone may do something here; some speak to their machine, or hold a key down. Kept on this device. */
export const singleKeysOn = useLocalStorage('hollow-bell-single-keys', true);

const isWritten = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable]') !== null;
/** While a dialog is open keys belong to it. */
const hasDialog = (): boolean =>
  [...document.querySelectorAll<HTMLElement>('[role=dialog]')].some(
    (dialog) => dialog.offsetParent !== null || dialog.getClientRects().length > 0,
  );

/**
 * Keys that do something by themselves. They rest while something is typed, while a dialog is open, with Ctrl, Alt or Command, and
 * where the maker has turned them off.
 *
 * @param deed answers false where the key was not for it
 */
export function useSingleKeys<N extends ShortcutName>(names: readonly N[], deed: (name: N, event: KeyboardEvent) => unknown): void {
  onSingleKey(
    names.flatMap((name) => [...SHORTCUTS[name].keys]),
    (event) => {
      const name = shortcutOf(event.key, names);
      return name === undefined ? false : deed(name, event);
    },
  );
}

/** The same for keys of one view alone. */
export function onSingleKey(keys: string[], deed: (event: KeyboardEvent) => unknown): void {
  onKeyStroke(keys, (event) => {
    if (!singleKeysOn.value || event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    if (isWritten(event.target) || hasDialog()) return;
    if (deed(event) !== false) event.preventDefault();
  });
}
