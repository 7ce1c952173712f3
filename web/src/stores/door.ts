import type { Visitor } from '@hollow-bell/contract';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ApiFailure, api, onSignedOut } from '../api/client.ts';

/** Whether this device is let in, and as whom. What it wrote meanwhile stays kept in the outbox. */
export const useDoor = defineStore('door', () => {
  const visitor = ref<Visitor | null>(null);
  const isOut = ref(false);
  onSignedOut(() => {
    isOut.value = true;
  });

  /** How far the machine’s clock was set while the program ran, ms. */
  const clockMovedMs = ref(0);

  async function ask(): Promise<void> {
    visitor.value = await api.visitor();
  }

  async function askClock(): Promise<void> {
    try {
      clockMovedMs.value = (await api.health()).clockMovedMs;
    } catch (error) {
      if (!(error instanceof ApiFailure)) throw error;
    }
  }

  function come(as: Visitor): void {
    visitor.value = as;
    isOut.value = false;
  }

  return { visitor, isOut, clockMovedMs, isGuest: computed(() => visitor.value?.as === 'guest'), ask, askClock, come };
});
