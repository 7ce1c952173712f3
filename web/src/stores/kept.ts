import type { BatchPlan, Blend, Fate, Move, Practice, Recipe, ShelfItem, Split } from '@hollow-bell/contract';
import { useLocalStorage } from '@vueuse/core';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { ApiFailure, api } from '../api/client.ts';
import { ofCellar } from '../cellar.ts';

/** What is written over as a whole, or under an id of its own. Sending the same twice writes it once, so it may be sent until an answer comes. */
export type Write =
  | { what: 'new batch'; id: string; name: string; plan: BatchPlan }
  | { what: 'name'; id: string; name: string }
  | { what: 'fate'; id: string; name: string; fate: Fate }
  | { what: 'plan'; id: string; afterVersion: number; plan: BatchPlan }
  | { what: 'practice'; practice: Practice }
  | { what: 'shelf'; item: ShelfItem; afterVersion: number }
  | { what: 'off the shelf'; id: string; name: string }
  | { what: 'shelf file'; items: ShelfItem[] }
  | { what: 'recipe'; recipe: Recipe; afterVersion: number }
  | { what: 'off the book'; id: string; name: string }
  | { what: 'split'; id: string; split: Split }
  | { what: 'rejoin'; id: string; childId: string }
  | { what: 'blend'; id: string; blend: Blend }
  | { what: 'move'; id: string; move: Move };

interface Kept {
  key: string;
  write: Write;
}

/** As the maker would call it. */
function named(write: Write): string {
  switch (write.what) {
    case 'new batch':
      return `the plan of “${write.name}”`;
    case 'name':
      return `the name “${write.name}”`;
    case 'fate':
      return `what becomes of “${write.name}”`;
    case 'plan':
      return 'a plan';
    case 'practice':
      return 'the house’s settings';
    case 'shelf':
      return `${write.item.name} on the shelf`;
    case 'off the shelf':
      return `${write.name}, off the shelf`;
    case 'shelf file':
      return `${write.items.length} things for the shelf`;
    case 'recipe':
      return `the recipe “${write.recipe.name}”`;
    case 'off the book':
      return `${write.name}, out of the recipe book`;
    case 'split':
      return 'a split';
    case 'rejoin':
      return 'a split taken back';
    case 'blend':
      return 'a blend';
    case 'move':
      return 'a reading that moves';
  }
}

function send(write: Write): Promise<unknown> {
  switch (write.what) {
    case 'new batch':
      return api.createBatch(write.id, write.name, write.plan);
    case 'name':
      return api.rename(write.id, write.name);
    case 'fate':
      return api.decide(write.id, write.fate);
    case 'plan':
      return api.replan(write.id, write.afterVersion, write.plan);
    case 'practice':
      return api.savePractice(write.practice);
    case 'shelf':
      return api.putShelfItem(write.item, write.afterVersion);
    case 'off the shelf':
      return api.removeShelfItem(write.id);
    case 'shelf file':
      return api.importShelf(write.items);
    case 'recipe':
      return api.putRecipe(write.recipe, write.afterVersion);
    case 'off the book':
      return api.removeRecipe(write.id);
    case 'split':
      return api.split(write.id, write.split);
    case 'rejoin':
      return api.rejoin(write.id, write.childId);
    case 'blend':
      return api.blend(write.id, write.blend);
    case 'move':
      return api.move(write.id, write.move);
  }
}

const RETRY_MS = 2500;

/** Plans, shelf and settings on their way: kept in the browser until the server has them, also when the page is left at once. */
export const useKept = defineStore('kept', () => {
  const waiting = useLocalStorage<Kept[]>(ofCellar('hollow-bell-kept'), []);
  const lost = ref<{ what: string; sentence: string } | null>(null);
  let sending = false;
  let retry: ReturnType<typeof setTimeout> | undefined;

  const drop = (key: string): void => {
    waiting.value = waiting.value.filter((kept) => kept.key !== key);
  };

  async function sendOne({ key, write }: Kept): Promise<unknown> {
    try {
      const answer = await send(write);
      drop(key);
      return answer;
    } catch (error) {
      if (error instanceof ApiFailure && error.isRefusal) drop(key);
      throw error;
    }
  }

  /**
   * Writes, and answers with what the server made of it. Where nobody answers it stays kept and is sent again by itself; the caller
   * hears so by an ApiFailure.
   */
  async function write<T>(what: Write): Promise<T> {
    const kept = { key: crypto.randomUUID(), write: what };
    waiting.value = [...waiting.value, kept];
    try {
      return (await sendOne(kept)) as T;
    } catch (error) {
      if (error instanceof ApiFailure && !error.isRefusal) later();
      throw error;
    }
  }

  function later(): void {
    clearTimeout(retry);
    retry = setTimeout(() => void flush(), RETRY_MS);
  }

  /** Sends what an earlier page left behind, oldest first. */
  async function flush(): Promise<void> {
    if (sending) return;
    sending = true;
    try {
      for (const next of [...waiting.value]) {
        try {
          await sendOne(next);
        } catch (error) {
          if (!(error instanceof ApiFailure)) throw error;
          if (error.isRefusal) lost.value = { what: named(next.write), sentence: error.message };
          else later();
          if (error.isPassing) return;
        }
      }
    } finally {
      sending = false;
    }
  }

  return { waiting: computed(() => waiting.value.map((kept) => named(kept.write))), lost, write, flush };
});
