import type { Standing } from '@hollow-bell/contract';
import { useIntervalFn, useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { watch } from 'vue';
import { useReader } from '../composables/useReader.ts';
import { REMINDS, askForOutside, tellOutside } from '../ringing/outside.ts';
import { useRounds } from './rounds.ts';

/** Rounds are asked this often while nobody looks at them. */
const ASKS_AGAIN_MS = 5 * 60_000;

/** What asks now: its words, each under a name that stays while it asks. */
const asking = (standing: readonly Standing[]) =>
  standing.flatMap(({ id, name, asks }) =>
    asks
      .filter(({ bell }) => bell === 'swinging' || bell === 'cracked')
      .map(({ key, sentence }) => ({ tag: `${id} ${key}`, name, sentence })),
  );

/** While the page is open somewhere, this browser says once what begins to ask. */
export const useReminders = defineStore('reminders', () => {
  const isOn = useLocalStorage(REMINDS, false);
  const rounds = useRounds();
  const { tell } = useReader();
  let known: Set<string> | null = null;

  function look(): void {
    const now = asking(rounds.standing);
    const fresh = known === null ? [] : now.filter(({ tag }) => known?.has(tag) === false);
    known = new Set(now.map(({ tag }) => tag));
    for (const { tag, name, sentence } of fresh) void tellOutside(name, tell(sentence), tag);
  }
  watch(
    () => (rounds.loaded ? rounds.standing : null),
    (standing) => {
      if (isOn.value && standing !== null) look();
    },
  );
  const { pause, resume } = useIntervalFn(() => void rounds.load(), ASKS_AGAIN_MS, { immediate: isOn.value });
  if (isOn.value) void rounds.load();

  async function turn(on: boolean): Promise<void> {
    if (on && (await askForOutside()) !== 'granted') return;
    isOn.value = on;
    known = null;
    if (on) {
      resume();
      await rounds.load();
    } else pause();
  }
  return { isOn, turn };
});
