import { clear, createStore, get, set, update } from 'idb-keyval';
import type { UseStore } from 'idb-keyval';
import { computed, shallowReactive } from 'vue';
import { ofCellar } from '../cellar.ts';

/** What the server answered last, on this device, for when nobody answers. */
interface Seen {
  at: number;
  answer: unknown;
}

let store: UseStore | null = null;
const opened = (): UseStore => (store ??= createStore(ofCellar('hollow-bell-last-seen'), 'answers'));

/** A browser that keeps nothing, or no more, is one without a last sight; it costs no answer. */
async function orNothing<T>(deed: () => Promise<T>): Promise<T | undefined> {
  if (typeof indexedDB === 'undefined') return undefined;
  try {
    return await deed();
  } catch (error) {
    if (error instanceof DOMException) return undefined;
    throw error;
  }
}

/** What is shown as it was last seen, by its address, and when that was. */
const stale = shallowReactive(new Map<string, number>());
/** Since when something that is shown may be out of date, ms since 1970 UTC; null where all of it is as it stands. */
export const seenSince = computed(() => (stale.size === 0 ? null : Math.min(...stale.values())));
/** Somebody answers again, and all of it is asked for anew. */
export const nothingStale = (): void => stale.clear();

export async function keepSeen(address: string, answer: unknown): Promise<void> {
  stale.delete(address);
  await orNothing(() => set(address, { at: Date.now(), answer } satisfies Seen, opened()));
}

/** What was answered there last; from now on it counts as that old. */
export async function lastSeen(address: string): Promise<unknown> {
  const seen = await orNothing(() => get<Seen>(address, opened()));
  if (seen === undefined) return undefined;
  stale.set(address, seen.at);
  return seen.answer;
}

/** What was written since stands in what was seen, too; an answer that the change hands back is as old as it was. */
export async function amendSeen(address: string, change: (answer: unknown) => unknown): Promise<void> {
  await orNothing(() =>
    update<Seen | undefined>(
      address,
      (seen) => {
        const answer = seen === undefined ? undefined : change(seen.answer);
        return answer === seen?.answer ? seen : { at: Date.now(), answer };
      },
      opened(),
    ),
  );
}

/** Who is not let in is shown nothing of before. */
export const forgetSeen = (): Promise<void> => orNothing(() => clear(opened())).then(() => undefined);
