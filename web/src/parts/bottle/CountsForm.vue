<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent, StandingEvent } from '@hollow-bell/core/record';
import { ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';

type Bottling = Extract<StandingEvent, { kind: 'bottling' }>;
/** What really went into bottles, where it was counted or measured wrongly; what was written first stays in the log. */
const props = defineProps<{ bottling: Bottling }>();
const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const rows = ref(props.bottling.payload.bottles.map(({ count, sizeMl }) => ({ count: count, liters: sizeMl / 1000 })));

async function write(): Promise<void> {
  const { kind, payload, happenedAt, id } = props.bottling;
  const bottles = payload.bottles.map((row, i) => ({
    ...row,
    count: rows.value[i]?.count ?? row.count,
    sizeMl: Math.round(10_000 * (rows.value[i]?.liters ?? row.sizeMl / 1000)) / 10,
  }));
  const replacement = { kind, payload: { ...payload, bottles }, happenedAt };
  const amendment = { kind: 'amendment', payload: { eventId: id, replacement } } as EventContent;
  if (await attempt(() => store.write([amendment], `corrected: ${tell(eventSentence({ kind, payload: { ...payload, bottles } }))}`)))
    emit('close');
}
</script>

<template>
  <form class="counts" @submit.prevent="write">
    <template v-for="(row, i) in rows" :key="i">
      <QuantityField
        v-model="row.count"
        kind="count"
        :label="`${show('bottleMl', bottling.payload.bottles[i]?.sizeMl ?? 0)}, really`"
        needed
      />
      <QuantityField v-model="row.liters" kind="volume" label="each holding" needed />
    </template>
    <el-button native-type="submit" :loading="busy" :disabled="blocked">Correct it</el-button>
    <el-button @click="emit('close')">Leave it</el-button>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </form>
</template>

<style scoped>
.counts {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px 18px;
  align-items: end;
}

.refusal {
  grid-column: 1 / -1;
}
</style>
