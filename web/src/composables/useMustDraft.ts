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
import { useReader } from './useReader.ts';

/**
 * A must being planned: what is held stays, what is free moves. Where no must meets the holds, the draft stays as it was and
 * says why and what to let go of.
 */
export function useMustDraft(initial: MustPlan) {
  const { tell } = useReader();
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

  /** What was wanted when no must met the holds. */
  let wanted: ((from: MustPlan) => MustPlan) | null = null;

  /** The must before the field that is typed in was touched: all its keys are one change of that. */
  let untouched: MustPlan | null = null;

  function apply(next: (from: MustPlan) => MustPlan, from?: MustPlan): boolean {
    if (untouched !== null && plan.value !== untouched) undo();
    try {
      plan.value = next(from ?? plan.value);
      wanted = null;
      refusal.value = '';
      loosen.value = [];
      return true;
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      wanted = next;
      refusal.value = tell(error.said);
      loosen.value = error instanceof HoldsRefusal ? error.loosen : [];
      return false;
    }
  }

  return {
    plan,
    /** From here to `typed`, what is applied replaces what was applied before. */
    typing: () => {
      untouched = plan.value;
    },
    typed: () => {
      untouched = null;
    },
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
    hold: (name: Hold, value: number): boolean => apply((from) => hold(from, name, value)),
    /** What was refused, with one hold let go to what it then becomes. */
    letGo: (name: Hold, reachable: number): boolean =>
      wanted !== null && apply(wanted, { ...plan.value, wanted: { ...plan.value.wanted, [name]: reachable } }),
    change: (over: Partial<MustPlan>): boolean => apply((from) => change(from, over)),
    replace: (next: MustPlan): boolean => apply(() => change(next, {})),
    line: (id: string, over: Partial<PlannedIngredient>): boolean => apply((from) => changeLine(from, id, over)),
    perLiter: (id: string): boolean => apply((from) => holdPerLiter(from, id)),
    add: (ingredient: PlannedIngredient): boolean => apply((from) => change(from, { ingredients: [...from.ingredients, ingredient] })),
    remove: (id: string): boolean =>
      apply((from) => change(from, { ingredients: from.ingredients.filter((ingredient) => ingredient.id !== id) })),
    undo,
    redo,
    canUndo,
    canRedo,
  };
}

export type MustDraft = ReturnType<typeof useMustDraft>;
