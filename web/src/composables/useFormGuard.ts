import { computed, inject, onScopeDispose, provide, shallowReactive, watchEffect } from 'vue';
import type { InjectionKey, Ref } from 'vue';

/** What stands against writing a form: a field that was refused, or one that is needed and empty. */
export interface FieldState {
  label: string;
  problem: 'none' | 'refused' | 'empty';
  /** What was wrong with it. */
  said: string;
}

interface Guard {
  tell: (id: string, state: FieldState | null) => void;
}

const GUARD: InjectionKey<Guard> = Symbol('the form that a field belongs to');

/** The fields below this component are one form: `standing` says what stands against writing it, and is empty where nothing does. */
export function useFormGuard() {
  const states = shallowReactive(new Map<string, FieldState>());
  provide(GUARD, {
    tell: (id, state) => {
      if (state === null) states.delete(id);
      else states.set(id, state);
    },
  });
  const standing = computed(() => {
    const all = [...states.values()];
    const refused = all.find(({ problem }) => problem === 'refused');
    if (refused !== undefined) return `${refused.label}: ${refused.said}`;
    const empty = all.find(({ problem }) => problem === 'empty');
    return empty === undefined ? '' : `${empty.label} is still empty.`;
  });
  return { standing };
}

/** A field tells the form that it belongs to how it stands. */
export function useGuardedField(id: string, state: Ref<FieldState>): void {
  const guard = inject(GUARD, null);
  watchEffect(() => guard?.tell(id, state.value), { flush: 'sync' });
  onScopeDispose(() => guard?.tell(id, null));
}
