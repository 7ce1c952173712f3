<script setup lang="ts">
import { AMMONIUM_CUTOFF_ABV, feedingWorkings, mustNitrogenOf } from '@hollow-bell/core/feed';
import type { DoseNow } from '@hollow-bell/core/feed';
import type { EventContent } from '@hollow-bell/core/ledger';
import { exactly } from '@hollow-bell/core/quantities';
import { yeastOf } from '@hollow-bell/core/yeast';
import { computed, ref } from 'vue';
import BatchLog from '../parts/BatchLog.vue';
import BenchHead from '../parts/BenchHead.vue';
import DoseRow from '../parts/DoseRow.vue';
import FigureValue from '../parts/FigureValue.vue';
import NitrogenLedger from '../parts/NitrogenLedger.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, attempt } = useAttempt();
const giving = ref<number | null>(null);
const yeast = computed(() => (store.ledger.pitch === null ? null : yeastOf(store.ledger.pitch)));
const workings = computed(() => (store.feeding === null ? null : feedingWorkings(store.feeding, store.ledger.pitch)));

async function give(dose: DoseNow, organicG: number, dapG: number): Promise<void> {
  const number = dose.dose.number;
  const events: EventContent[] = [
    { source: 'organic' as const, massG: organicG },
    { source: 'dap' as const, massG: dapG },
  ]
    .filter(({ massG }) => massG > 0)
    .map((part) => ({ kind: 'nutrient', payload: { ...part, dose: number } }));
  giving.value = number;
  await attempt(() => store.write(events, `dose ${number}, ${show('massG', organicG + dapG)}`));
  giving.value = null;
}
</script>

<template>
  <section>
    <BenchHead v-if="yeast !== null">{{ yeast.name }}, {{ yeast.demand }} demand</BenchHead>
    <BenchHead v-else />
    <p v-if="store.feeding === null" class="quiet none">The feeding is worked out from the sugar at the pitch. Pitch first.</p>
    <div v-else class="columns">
      <div class="stack">
        <div v-if="workings !== null" class="needs">
          <FigureValue label="Nitrogen it needs" kind="mgPerL" :figure="exactly(store.feeding.needMgPerL)" :working="workings.need" />
          <FigureValue label="The must brings" kind="mgPerL" :figure="mustNitrogenOf(store.feeding)" :working="workings.honey" />
          <FigureValue
            label="This plan gives"
            kind="mgPerL"
            :figure="exactly(store.feeding.suppliedMgPerL)"
            :working="workings.supply"
            :note="workings.supply.school ?? ''"
          />
        </div>
        <NitrogenLedger :feeding="store.feeding" :doses="store.doses" :ledger="store.ledger" />
        <ul class="rule-top" aria-label="Doses">
          <DoseRow
            v-for="dose in store.doses"
            :key="dose.dose.number"
            :dose="dose"
            :of="store.doses.length"
            :busy="giving === dose.dose.number"
            @give="(organicG, dapG) => give(dose, organicG, dapG)"
          />
        </ul>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <p class="caution">
          Degas slowly before every dose: powder gives the gas a place to form, and the must erupts. No ammonium while rehydrating, and none
          above {{ AMMONIUM_CUTOFF_ABV }} % vol: it stays as a salty taste and feeds what spoils mead. DAP cut with urea leaves off-flavors;
          ask before you buy.
        </p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.needs {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 24px;
  border-bottom: 1px solid var(--rule);
}

.needs :deep(.press) {
  grid-template-columns: 1fr;
  grid-template-areas: 'label' 'value' 'range';
}

.needs :deep(.value),
.needs :deep(.range) {
  text-align: left;
}

.none {
  padding: 30px 0;
}

@media (max-width: 720px) {
  .needs {
    grid-template-columns: 1fr 1fr;
    gap: 4px 16px;
  }
}
</style>
