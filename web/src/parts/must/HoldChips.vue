<script setup lang="ts">
import type { Hold } from '@hollow-bell/core/must';
import { ref, watch } from 'vue';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import { useReader } from '../../composables/useReader.ts';
import QuantityField from '../fields/QuantityField.vue';
import type { FieldKind } from '@hollow-bell/core/quantities';

const props = defineProps<{ draft: MustDraft }>();
const { show, money } = useReader();

const HOLDS: Record<Hold, { label: string; kind: FieldKind }> = {
  rackedL: { label: 'Volume after racking', kind: 'volume' },
  volumeL: { label: 'Volume at the pitch', kind: 'volume' },
  og: { label: 'Original gravity', kind: 'sg' },
  abv: { label: 'Alcohol it ends with', kind: 'abv' },
  sweetnessGPerL: { label: 'Sugar it keeps', kind: 'gPerL' },
  honeyG: { label: 'Honey, all lots', kind: 'mass' },
  waterL: { label: 'Water', kind: 'volume' },
  cost: { label: 'Cost', kind: 'money' },
};
const NAMES = Object.keys(HOLDS) as Hold[];

/** What is typed stays, even where no must meets it. */
const typed = ref<Partial<Record<Hold, number | null>>>({});
watch(
  () => props.draft.plan.value,
  () => {
    typed.value = Object.fromEntries(props.draft.held.value.map((hold) => [hold, props.draft.valueOf(hold)]));
  },
  { immediate: true },
);

function take(hold: Hold, value: number | null): void {
  typed.value = { ...typed.value, [hold]: value };
  if (value !== null) props.draft.hold(hold, value);
}

const shownReach = (hold: Hold, value: number): string => {
  const kinds = {
    rackedL: 'volumeL',
    volumeL: 'volumeL',
    waterL: 'volumeL',
    og: 'sg',
    abv: 'abv',
    sweetnessGPerL: 'gPerL',
    honeyG: 'massG',
  } as const;
  return hold === 'cost' ? money(value) : show(kinds[hold], value);
};
</script>

<template>
  <div class="holds">
    <div v-for="hold in draft.held.value" :key="hold" class="held" :data-held="hold">
      <span>{{ HOLDS[hold].label }}</span>
      <QuantityField
        :model-value="typed[hold] ?? null"
        :kind="HOLDS[hold].kind"
        :label="HOLDS[hold].label"
        hide-label
        @update:model-value="take(hold, $event)"
      />
    </div>
    <div class="chips">
      <button
        v-for="hold in NAMES.filter((name) => !draft.held.value.includes(name))"
        :key="hold"
        type="button"
        class="chip"
        :aria-label="`Hold ${HOLDS[hold].label}`"
        @click="draft.hold(hold, draft.valueOf(hold))"
      >
        {{ HOLDS[hold].label }}
      </button>
      <button
        v-if="draft.plan.value.ingredients.filter(({ lock }) => lock === 'free').length === 2"
        type="button"
        class="chip"
        :aria-pressed="draft.plan.value.ratioFree !== true"
        @click="draft.change({ ratioFree: draft.plan.value.ratioFree !== true })"
      >
        {{ draft.plan.value.ratioFree === true ? 'Ratio of the two moves' : 'Ratio of the two is kept' }}
      </button>
    </div>
    <div v-if="draft.refusal.value !== ''" class="refusal" role="alert">
      <p>{{ draft.refusal.value }}</p>
      <p v-for="{ hold, reachable } in draft.loosen.value" :key="hold">
        <el-button size="small" @click="draft.letGo(hold, reachable)"
          >Let go of the {{ HOLDS[hold].label.toLowerCase() }}: about {{ shownReach(hold, reachable) }}</el-button
        >
      </p>
    </div>
  </div>
</template>

<style scoped>
.holds {
  display: grid;
  gap: 8px;
}

.held {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 116px);
  align-items: center;
  padding-left: 10px;
  border: 1px solid var(--bronze);
  border-radius: 2px;
  background: var(--bronze-soft);
  font-weight: 680;
}

.chips {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.chip {
  min-height: 32px;
  padding: 4px 10px;
  border: 1px solid var(--rule);
  border-radius: 2px;
  background: none;
  color: var(--soot-2);
  font-size: 14px;
  cursor: pointer;
}

.chip:hover {
  border-color: var(--soot-3);
  color: var(--soot);
}

.chip[aria-pressed='true'] {
  border-color: var(--bronze);
}

@media (max-width: 720px) {
  .chip {
    min-height: 44px;
  }
}
</style>
