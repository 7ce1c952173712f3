import {
  HoldsRefusal,
  change,
  changeLine,
  costOf,
  fillOfPlan,
  heldIn,
  hold,
  holdPerLiter,
  holdableValue,
  judgeMust,
  openPlan,
  predictMust,
  stepFeedingOf,
  styleOf,
} from '@hollow-bell/core/must';
import type { Hold, MustPlan, PlannedIngredient } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import { useRefHistory } from '@vueuse/core';
import { computed, ref, shallowRef } from 'vue';

/**
 * A must being planned: what is held stays, what is free moves. Where no must meets the holds, the draft stays as it was and
 * says why and what to let go of.
 */
export function useMustDraft(initial: MustPlan) {
  const plan = shallowRef<MustPlan>(openPlan(initial));
  const refusal = ref('');
  const loosen = ref<HoldsRefusal['loosen']>([]);
  const { undo, redo, canUndo, canRedo } = useRefHistory(plan, { capacity: 100, flush: 'sync' });

  const figures = computed(() => predictMust(plan.value));
  const verdicts = computed(() => judgeMust(plan.value, figures.value));
  const style = computed(() => styleOf(plan.value, figures.value.abv.value));
  const cost = computed(() => costOf(plan.value, figures.value.finishedL.value));
  const fill = computed(() => fillOfPlan(plan.value, figures.value.fillL.value));
  const steps = computed(() => stepFeedingOf(plan.value));

  function apply(next: () => MustPlan): boolean {
    try {
      plan.value = next();
      refusal.value = '';
      loosen.value = [];
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      refusal.value = error.message;
      loosen.value = error instanceof HoldsRefusal ? error.loosen : [];
      return false;
    }
  }

  return {
    plan,
    figures,
    verdicts,
    style,
    cost,
    fill,
    steps,
    refusal,
    loosen,
    held: computed(() => heldIn(plan.value.wanted)),
    valueOf: (name: Hold): number => plan.value.wanted[name] ?? holdableValue(plan.value, name),
    hold: (name: Hold, value: number): boolean => apply(() => hold(plan.value, name, value)),
    change: (over: Partial<MustPlan>): boolean => apply(() => change(plan.value, over)),
    replace: (next: MustPlan): boolean => apply(() => change(next, {})),
    line: (id: string, over: Partial<PlannedIngredient>): boolean => apply(() => changeLine(plan.value, id, over)),
    perLiter: (id: string): boolean => apply(() => holdPerLiter(plan.value, id)),
    add: (ingredient: PlannedIngredient): boolean =>
      apply(() => change(plan.value, { ingredients: [...plan.value.ingredients, ingredient] })),
    remove: (id: string): boolean =>
      apply(() => change(plan.value, { ingredients: plan.value.ingredients.filter((ingredient) => ingredient.id !== id) })),
    undo,
    redo,
    canUndo,
    canRedo,
  };
}

export type MustDraft = ReturnType<typeof useMustDraft>;
