import { Refusal } from '@hollow-bell/core/quantities';

/** What refuses a value, as a sentence; null where nothing does. */
export function refusalOf(check: () => void): string | null {
  try {
    check();
    return null;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return error.message;
  }
}
