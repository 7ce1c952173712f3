<script setup lang="ts">
import { Refusal } from '@hollow-bell/core/quantities';
import { REHYDRATION, attemper, rehydrationOf, yeastToPitchG } from '@hollow-bell/core/yeast';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';

const store = useBatch();
const { show } = useReader();
const starterC = ref<number | null>(REHYDRATION.tempC - 4);
const mustC = ref<number | null>(store.ledger.history.temps.at(-1)?.tempC ?? store.batch?.plan.must.roomTempC ?? 20);
const starterL = computed(() => {
  const { view } = store;
  return view === null ? 0 : rehydrationOf(yeastToPitchG(view.volumeL, view.sg)).waterL;
});
const plan = computed(() => {
  if (starterC.value === null || mustC.value === null || starterL.value === 0) return null;
  try {
    return attemper(starterL.value, starterC.value, mustC.value);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return null;
  }
});
</script>

<template>
  <div class="attemper">
    <QuantityField v-model="starterC" kind="temp" label="yeast at" />
    <QuantityField v-model="mustC" kind="temp" label="must at" />
    <p v-if="plan !== null && plan.additions === 0">Near enough: in with it.</p>
    <p v-else-if="plan !== null">
      {{ plan.additions === 1 ? 'Once' : `${plan.additions} times` }} <b>{{ show('volumeL', plan.eachL) }}</b> of must, some minutes apart:
      {{ plan.temps.map((t) => show('tempC', t)).join(', ') }}, then in.
    </p>
  </div>
</template>

<style scoped>
.attemper {
  display: grid;
  grid-template-columns: 92px 92px minmax(0, 1fr);
  gap: 6px 16px;
  align-items: end;
}

@media (max-width: 720px) {
  .attemper {
    grid-template-columns: 1fr 1fr;
  }

  p {
    grid-column: 1 / -1;
  }
}
</style>
