<script setup lang="ts">
import { HOUR_MS } from '@hollow-bell/core/quantities';
import type { BrewStep } from '@hollow-bell/core/must';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import TimeIt from '../figures/TimeIt.vue';

const props = defineProps<{ step: BrewStep; batchId: string; doneAt: number | null; busy: boolean; blocked: boolean; now: number }>();
const emit = defineEmits<{ done: [] }>();
/** What was really poured; the plan’s own amount until another is typed. */
const amount = defineModel<number | null>('amount', { required: true });
const { show } = useReader();

const planned = computed(() => {
  const { deed } = props.step;
  if (deed.kind === 'water') return deed.volumeL;
  return deed.kind === 'ingredient' || deed.kind === 'sulfite' || deed.kind === 'strain' ? deed.massG : null;
});
const readyAt = computed(() => (props.doneAt === null || props.step.waitH === 0 ? null : props.doneAt + props.step.waitH * HOUR_MS));
const kind = computed(() =>
  props.step.deed.kind === 'water' ? ('volume' as const) : (planned.value ?? 0) < 100 ? ('smallMass' as const) : ('mass' as const),
);
</script>

<template>
  <li :class="{ done: doneAt !== null }" :data-step="step.id">
    <button
      type="button"
      class="tick"
      role="checkbox"
      :aria-checked="doneAt !== null"
      :aria-label="`${step.title}, done`"
      :disabled="doneAt !== null || busy || blocked"
      @click="emit('done')"
    >
      <svg viewBox="0 0 20 20" width="22" height="22" aria-hidden="true">
        <rect x="2" y="2" width="16" height="16" rx="1.500" />
        <path v-if="doneAt !== null" d="M5 10.500l3.500 3.500L15.500 6" />
      </svg>
    </button>
    <div class="what">
      <b>{{ step.title }}</b>
      <SentenceText :sentence="step.sentence" class="quiet" />
      <p v-if="step.caution !== null && doneAt === null" class="caution"><SentenceText :sentence="step.caution" /></p>
      <TimeIt
        v-if="step.minutes !== null && doneAt === null"
        :id="`${batchId} ${step.id}`"
        class="small"
        :label="step.title"
        :minutes="step.minutes"
      />
      <p v-if="readyAt !== null && readyAt > now" class="small wait">Wait until {{ show('when', readyAt) }}.</p>
      <slot />
    </div>
    <QuantityField
      v-if="planned !== null && doneAt === null"
      v-model="amount"
      class="amount"
      :kind="kind"
      :label="`${step.title}, really poured`"
      hide-label
      needed
    />
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr) 116px;
  gap: 2px 10px;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}

.tick {
  display: grid;
  place-items: center;
  width: 40px;
  height: 40px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}

.tick:disabled {
  cursor: default;
}

rect,
path {
  fill: none;
  stroke: var(--bronze);
  stroke-width: 1.6;
}

path {
  stroke: var(--verdigris);
  stroke-width: 2.4;
}

.what {
  display: grid;
  align-content: center;
}

.done .what > b,
.done .what > .quiet {
  color: var(--soot-3);
}

.wait {
  color: var(--wax);
  font-weight: 640;
}

@media (max-width: 720px) {
  li {
    grid-template-columns: 44px minmax(0, 1fr);
  }

  .tick {
    width: 44px;
    height: 44px;
  }

  .amount {
    grid-column: 2;
  }
}
</style>
