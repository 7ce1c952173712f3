import { ref } from 'vue';
import { ofCellar } from '../cellar.ts';

/** Where the device keeps that its maker wishes to be reminded. */
export const REMINDS = ofCellar('hollow-bell-reminds');

/** Whether this browser may tell something outside the page; 'never' where it cannot. */
export type Allowed = NotificationPermission | 'never';
const allowedNow = (): Allowed => (typeof Notification === 'undefined' || !window.isSecureContext ? 'never' : Notification.permission);
export const outsideAllowed = ref<Allowed>(allowedNow());

/** Asks the maker once, through the browser; only after a press. */
export async function askForOutside(): Promise<Allowed> {
  if (allowedNow() === 'default') await Notification.requestPermission();
  outsideAllowed.value = allowedNow();
  return outsideAllowed.value;
}

/** Tells it outside the page, where nobody looks at the page; one of the same tag takes the place of the one before. */
export async function tellOutside(title: string, body: string, tag: string): Promise<void> {
  if (allowedNow() !== 'granted' || document.visibilityState === 'visible') return;
  const shell = 'serviceWorker' in navigator ? await navigator.serviceWorker.getRegistration() : undefined;
  const options = { body, tag, icon: '/icon-192.png' };
  if (shell?.active) await shell.showNotification(title, options);
  else new Notification(title, options);
}
