<script setup lang="ts">
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useTimers } from '../../stores/timers.ts';
import TimeIt from '../figures/TimeIt.vue';

/** Gentle stirring until it foams no more takes a few minutes (our estimate). */
const STIR_MIN = 3;
const timers = useTimers();
const timerId = computed(() => `degas ${store.batch?.id ?? ''}`);

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
/** Degassed within the hour counts for this dose. */
const degassedAt = computed(() => {
  const at = store.ledger.history.marks.degassed;
  return at !== undefined && store.now - at < HOUR_MS ? at : null;
});

async function degassed(): Promise<void> {
  if (await attempt(() => store.write([{ kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }], 'degassed')))
    timers.stop(timerId.value);
}
</script>

<template>
  <div class="first" aria-label="At the vessel">
    <p v-if="degassedAt !== null">
      <b>Degassed {{ show('when', degassedAt) }}.</b>
    </p>
    <template v-else>
      <p><b>First degas.</b> Stir slowly from the bottom and wait for the foam to sink, again and again.</p>
      <p class="deeds">
        <TimeIt :id="timerId" :label="`Degassing ${store.batch?.name ?? ''}`" :minutes="STIR_MIN" />
        <el-button :loading="busy" @click="degassed">Degassed</el-button>
      </p>
    </template>
    <p><b>Then feed.</b> Stir the powder into a little of the must, pour it back in three parts, and wait after each.</p>
    <p><b>Then write</b> gravity and temperature, and in the evening how it smells.</p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.first {
  grid-column: 2 / -1;
  display: grid;
  gap: 2px;
}

.deeds {
  display: flex;
  align-items: center;
  gap: 8px;
  padding: 2px 0;
}

@media (max-width: 720px) {
  .first {
    grid-column: 1 / -1;
  }
}
</style>
