import type { Standing } from '@hollow-bell/contract';
import { computed, ref } from 'vue';
import type { ComputedRef, Ref } from 'vue';
import { byUrgency } from '@hollow-bell/core/rounds';

/** So many stand on the floor; with more, only those that ask do, the most pressing first. */
const ON_FLOOR = 12;

/** Vessels by the most pressing of what each asks for; those that ask for nothing last, in the order they have. */
export const pressingFirst = (all: readonly Standing[]): Standing[] =>
  all.toSorted(({ asks: [a] }, { asks: [b] }) =>
    a === undefined || b === undefined ? Number(a === undefined) - Number(b === undefined) : byUrgency(a, b),
  );

const asksNow = ({ asks }: Standing): boolean => asks[0]?.bell === 'swinging' || asks[0]?.bell === 'cracked';

/** What stands on the floor and what is folded, among any number of vessels; both keep their order while a name is typed. */
export function useManyVessels(all: ComputedRef<readonly Standing[]>): {
  isMany: ComputedRef<boolean>;
  sought: Ref<string>;
  onFloor: ComputedRef<readonly Standing[]>;
  folded: ComputedRef<readonly Standing[]>;
} {
  const sought = ref('');
  const isMany = computed(() => all.value.length > ON_FLOOR);
  const found = computed(() => {
    const words = sought.value.trim().toLowerCase();
    return words === '' ? all.value : all.value.filter(({ name }) => name.toLowerCase().includes(words));
  });
  const onFloor = computed(() => {
    if (!isMany.value) return all.value;
    const wanted = sought.value.trim() === '' ? pressingFirst(found.value.filter((vessel) => asksNow(vessel))) : found.value;
    return wanted.slice(0, ON_FLOOR);
  });
  const folded = computed(() => {
    const standing = new Set(onFloor.value.map(({ id }) => id));
    return found.value.filter(({ id }) => !standing.has(id));
  });
  return { isMany, sought, onFloor, folded };
}
