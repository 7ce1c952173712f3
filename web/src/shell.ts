import { registerSW } from 'virtual:pwa-register';
import { newerShell } from './stores/newerShell.ts';

/** The shell and every station go onto the device; where a newer one is there, the maker says when it is taken. */
export function keepShell(): void {
  const take = registerSW({
    onNeedRefresh: () => {
      newerShell.value = () => take(true);
    },
  });
}
