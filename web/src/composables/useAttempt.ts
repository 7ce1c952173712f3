import { Refusal } from '@hollow-bell/core/quantities';
import { ref } from 'vue';
import { ApiFailure } from '../api/client.ts';

/** Runs a deed of the maker's; what refuses it becomes one sentence beside the button. */
export function useAttempt() {
  const refusal = ref('');
  const busy = ref(false);

  async function attempt(deed: () => Promise<void> | void): Promise<boolean> {
    refusal.value = '';
    busy.value = true;
    try {
      await deed();
      return true;
    } catch (error) {
      if (!(error instanceof Refusal) && !(error instanceof ApiFailure)) throw error;
      refusal.value = error.message;
      return false;
    } finally {
      busy.value = false;
    }
  }

  return { refusal, busy, attempt };
}
