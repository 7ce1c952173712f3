import type { KeptRecipe, Recipe, ShelvedBatch } from '@hollow-bell/contract';
import type { MustPlan } from '@hollow-bell/core/must';
import { defineStore } from 'pinia';
import { shallowRef } from 'vue';
import { api } from '../api/client.ts';
import { useKept } from './kept.ts';
import { loading } from './loading.ts';
import { useOutbox } from './outbox.ts';

/** Every bottled batch as a shelf of its bottles. */
export const useCellar = defineStore('cellar', () => {
  const shelves = shallowRef<ShelvedBatch[]>([]);
  const { load, ...state } = loading(async () => {
    shelves.value = (await api.cellar()).shelves;
  });
  /** What was written into one of them shows on its shelf. */
  useOutbox().onAcknowledged((batchId) => {
    if (shelves.value.some(({ id }) => id === batchId)) void load();
  });
  return { shelves, load, ...state };
});

/** Plans that are kept without a batch. */
export const useRecipes = defineStore('recipes', () => {
  const recipes = shallowRef<KeptRecipe[]>([]);
  const { load, ...state } = loading(async () => {
    recipes.value = (await api.recipes()).recipes;
  });
  async function put(recipe: Recipe, afterVersion: number): Promise<void> {
    const kept = await useKept().write<KeptRecipe>({ what: 'recipe', recipe, afterVersion });
    const made = recipes.value.find((each) => each.recipe.id === recipe.id)?.made ?? [];
    recipes.value = [{ ...kept, made }, ...recipes.value.filter((each) => each.recipe.id !== recipe.id)];
  }
  async function remove({ id, name }: Recipe): Promise<void> {
    await useKept().write({ what: 'off the book', id, name });
    recipes.value = recipes.value.filter(({ recipe }) => recipe.id !== id);
  }
  return { recipes, load, ...state, put, remove };
});

/** A batch's plan as a recipe, with what was noted for the next time. */
export const recipeOf = (fromBatch: string, name: string, must: MustPlan, notes: readonly { readonly text: string }[]): Recipe => ({
  id: crypto.randomUUID(),
  name,
  tags: [],
  note: notes.map(({ text }) => `Next time: ${text}`).join('\n'),
  must,
  fromBatch,
});
