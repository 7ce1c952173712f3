import { Refusal } from '@hollow-bell/core/quantities';
import { computed, ref } from 'vue';
import { ApiFailure } from '../api/client.ts';
import { useFormGuard } from './useFormGuard.ts';
import { useReader } from './useReader.ts';

/**
 * Runs a deed of the maker's; what refuses it becomes one sentence beside the button. The fields of this component are its form:
 * while one of them is refused, or needed and empty, nothing of it is written.
 *
 * @param isForm false for a part of another’s form
 */
export function useAttempt({ isForm = true } = {}) {
  const refusal = ref('');
  const busy = ref(false);
  const standing = isForm ? useFormGuard().standing : ref('');
  const { tell } = useReader();

  /** @param isWhole false for a deed that writes nothing of the fields, such as taking an entry back */
  async function attempt(deed: () => unknown, { isWhole = true } = {}): Promise<boolean> {
    refusal.value = isWhole ? standing.value : '';
    if (refusal.value !== '') return false;
    busy.value = true;
    try {
      return (await deed()) !== false;
    } catch (error) {
      if (!(error instanceof Refusal) && !(error instanceof ApiFailure)) throw error;
      refusal.value = tell(error.said);
      return false;
    } finally {
      busy.value = false;
    }
  }

  return { refusal, busy, attempt, blocked: computed(() => standing.value !== '') };
}
