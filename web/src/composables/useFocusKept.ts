import { useEventListener, useMutationObserver } from '@vueuse/core';
import type { Ref } from 'vue';

const isThere = (element: Element): boolean =>
  element.isConnected && element.getClientRects().length > 0 && !(element as HTMLButtonElement).disabled;

/**
 * Where what had the focus is gone or rests, the focus goes to the heading that stands nearest: never to the page as a whole, and
 * never onto another deed, so that a second Enter writes nothing.
 */
export function useFocusKept(root: Ref<HTMLElement | null>): void {
  /** What had the focus, and all that it stood in, nearest first. */
  let path: Element[] = [];
  useEventListener(document, 'focusin', ({ target }) => {
    /** The page as a whole is nobody’s choice: a dialog that closes may hand the focus there. */
    if (target === document.body) return;
    path = [];
    for (let at = target instanceof Element ? target : null; at !== null; at = at.parentElement) path.push(at);
  });
  useEventListener(document, 'pointerdown', ({ target }) => {
    if (target instanceof Element && target.closest('button, a, input, select, textarea, summary, [tabindex]') === null) path = [];
  });

  function keep(): void {
    const [last] = path;
    if (last === undefined || document.activeElement !== document.body) return;
    if (isThere(last)) {
      (last as HTMLElement).focus({ preventScroll: true });
      return;
    }
    /** It only rests while its deed is under way. */
    if (last.isConnected && last.classList.contains('is-loading')) return;
    const heading = path
      .filter((each) => each.isConnected && each !== document.body && each !== document.documentElement)
      .map((each) => [...each.querySelectorAll<HTMLElement>('h1, h2')].find(isThere))
      .find((each) => each !== undefined);
    const goal = heading ?? root.value?.querySelector<HTMLElement>('h1') ?? null;
    if (goal === null) return;
    goal.tabIndex = -1;
    goal.focus({ preventScroll: true });
  }
  /** A browser takes the focus from what is hidden only once it has drawn the page without it. */
  const keepSoon = (): void => void requestAnimationFrame(() => requestAnimationFrame(keep));
  useEventListener(document, 'focusout', ({ relatedTarget }) => {
    if (relatedTarget === null || relatedTarget === document.body) keepSoon();
  });
  useMutationObserver(root, keepSoon, {
    childList: true,
    subtree: true,
    attributeFilter: ['disabled', 'style', 'aria-hidden'],
  });
}
