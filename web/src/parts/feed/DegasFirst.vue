<script setup lang="ts">
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useCountdown } from '../../composables/useCountdown.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** Gentle stirring until it foams no more takes a few minutes (our estimate). */
const STIR_S = 3 * 60;

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const { leftS, isOver, start, stop } = useCountdown();
/** Degassed within the hour counts for this dose. */
const degassedAt = computed(() => {
  const at = store.ledger.history.marks.degassed;
  return at !== undefined && store.now - at < HOUR_MS ? at : null;
});
const clock = computed(() => {
  const left = leftS.value ?? STIR_S;
  return `${Math.floor(left / 60)}:${String(left % 60).padStart(2, '0')}`;
});

async function degassed(): Promise<void> {
  if (await attempt(() => store.write([{ kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }], 'degassed'))) stop();
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
        <output v-if="leftS !== null" class="clock" :aria-live="isOver ? 'assertive' : 'off'">{{ isOver ? 'time is up' : clock }}</output>
        <el-button v-if="leftS === null" @click="start(STIR_S)">Time it, {{ clock }}</el-button>
        <el-button v-else @click="stop">Stop</el-button>
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

.clock {
  min-width: 64px;
  font: 700 22px var(--font);
  font-variant-numeric: tabular-nums;
}

@media (max-width: 720px) {
  .first {
    grid-column: 1 / -1;
  }
}
</style>
