<script setup lang="ts">
import { AMOUNTS, DEEDS } from '@hollow-bell/core/chalk';
import type { DeedKind } from '@hollow-bell/core/chalk';
import type { FieldKind } from '@hollow-bell/core/quantities';
import { computed, nextTick, ref, useTemplateRef } from 'vue';
import { useFormGuard } from '../../composables/useFormGuard.ts';
import { onSingleKey } from '../../composables/useSingleKeys.ts';
import QuantityField from '../fields/QuantityField.vue';

/** What may be done at the vessel; each by its own key. */
const props = defineProps<{ isClosed: boolean; isOver: boolean }>();
const emit = defineEmits<{ act: [does: DeedKind, amount?: number]; takeBack: [] }>();

interface Shown {
  does: DeedKind;
  label: string;
  /** What its amount is asked as. */
  asks?: { label: string; kind: FieldKind };
}
const SHOWN: readonly Shown[] = [
  { does: 'read', label: 'Read' },
  { does: 'look', label: 'Look and smell' },
  { does: 'ph', label: 'pH' },
  { does: 'zero', label: 'Try the hydrometer in water' },
  { does: 'degas', label: 'Degas slowly' },
  { does: 'shake', label: 'Shake it' },
  { does: 'feed', label: 'Feed', asks: { label: 'nutrient', kind: 'smallMass' } },
  { does: 'warm', label: 'Put it where it is', asks: { label: 'the room', kind: 'temp' } },
  { does: 'rouse', label: 'Rouse' },
  { does: 'acid', label: 'Fruit acid', asks: { label: 'acid', kind: 'smallMass' } },
  { does: 'base', label: 'Raise its pH', asks: { label: 'potassium carbonate', kind: 'smallMass' } },
  { does: 'restart', label: 'A lively starter' },
  { does: 'rack', label: 'Rack' },
  { does: 'sulfite', label: 'Sulfite', asks: { label: 'SO₂', kind: 'mgPerL' } },
  { does: 'sorbate', label: 'Sorbate', asks: { label: 'sorbate', kind: 'mgPerL' } },
  { does: 'heat', label: 'Heat it' },
  { does: 'honey', label: 'Sweeten', asks: { label: 'honey', kind: 'smallMass' } },
  { does: 'prime', label: 'Prime and bottle', asks: { label: 'sugar', kind: 'gPerL' } },
  { does: 'bottle', label: 'Bottle still' },
];
const AFTER_GLASS: ReadonlySet<DeedKind> = new Set(['read', 'look', 'ph', 'zero']);
const open = computed(() => (props.isOver ? [] : SHOWN.filter(({ does }) => !props.isClosed || AFTER_GLASS.has(does))));

const asking = ref<Shown | null>(null);
const amount = ref<number | null>(null);
const form = useTemplateRef<HTMLFormElement>('form');
const { standing } = useFormGuard();
async function choose(shown: Shown): Promise<void> {
  if (shown.asks === undefined) {
    asking.value = null;
    emit('act', shown.does);
    return;
  }
  amount.value = AMOUNTS[shown.does]?.usual ?? null;
  asking.value = shown;
  await nextTick();
  form.value?.querySelector('input')?.select();
}
function give(): void {
  if (asking.value === null || amount.value === null || standing.value !== '') return;
  const { does } = asking.value;
  asking.value = null;
  emit('act', does, Math.round(100 * amount.value) / 100);
}
const limitsOf = (does: DeedKind): { low: number; high: number } => AMOUNTS[does] ?? { low: 0, high: 1 };
onSingleKey(Object.values(DEEDS), ({ key }) => {
  const shown = open.value.find(({ does }) => DEEDS[does] === key);
  if (shown === undefined) return false;
  void choose(shown);
  return true;
});
</script>

<template>
  <div>
    <div class="deeds-bar" role="group" aria-label="At the vessel">
      <button
        v-for="shown in open"
        :key="shown.does"
        type="button"
        class="deed"
        :aria-pressed="asking?.does === shown.does"
        @click="choose(shown)"
      >
        {{ shown.label }}{{ shown.asks === undefined ? '' : '…' }} <kbd>{{ DEEDS[shown.does] }}</kbd>
      </button>
      <button v-if="!isOver" type="button" class="link" @click="emit('takeBack')">Take the last back</button>
    </div>
    <form v-if="asking !== null && asking.asks !== undefined" ref="form" class="amount" @submit.prevent="give">
      <QuantityField
        :key="asking.does"
        v-model="amount"
        :kind="asking.asks.kind"
        :label="asking.asks.label"
        :limits="limitsOf(asking.does)"
        needed
      />
      <el-button type="primary" native-type="submit">{{ asking.label }}</el-button>
      <el-button @click="asking = null">Leave it</el-button>
      <p v-if="standing !== ''" class="refusal" role="alert">{{ standing }}</p>
    </form>
  </div>
</template>

<style scoped>
.deeds-bar {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding: 10px 0;
}

.deed {
  min-height: 38px;
  padding: 0 10px;
  border: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  font-weight: 600;
  cursor: pointer;
}

.deed:hover,
.deed[aria-pressed='true'] {
  border-color: var(--bronze);
}

kbd {
  padding: 0 4px;
  border: 1px solid var(--rule);
  color: var(--soot-2);
  font-family: var(--mono);
  font-size: 11px;
  font-weight: 400;
}

.amount {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 14px;
  padding-bottom: 10px;
}

@media (max-width: 900px) {
  .deed {
    min-height: 44px;
  }

  kbd {
    display: none;
  }
}
</style>
