<script setup lang="ts">
import type { Ask } from '@hollow-bell/core/rounds';
import AskRow from './AskRow.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt } = useAttempt();

async function done(ask: Ask): Promise<void> {
  const deed = ask.done;
  if (deed !== null) await attempt(() => store.write(deed.events, tell(deed.label)));
}
</script>

<template>
  <ul v-if="store.batch !== null" class="rule-top" aria-label="What this vessel asks for">
    <AskRow
      v-for="ask in store.asks"
      :key="`${ask.station} ${ask.dueAt}`"
      :ask="ask"
      :batch-id="store.batch.id"
      :busy="busy"
      @done="done"
    />
    <li v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</li>
  </ul>
</template>
