<script setup lang="ts">
import type { Ask, Station } from '@hollow-bell/core/rounds';
import AskRow from './AskRow.vue';
import { putOffEvent } from './putOffEvent.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** The station that this stands at: nobody is sent where he is. */
defineProps<{ here?: Station }>();

const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt } = useAttempt();

const putOff = (ask: Ask, choice: { until: number } | { reason: string }): Promise<boolean> =>
  attempt(() => store.write([putOffEvent(ask, choice, tell)], 'until' in choice ? 'put off' : 'left for good'));
async function done(ask: Ask): Promise<void> {
  const deed = ask.done;
  if (deed !== null) await attempt(() => store.write(deed.events, tell(deed.label)));
}
</script>

<template>
  <ul v-if="store.batch !== null" class="rule-top" aria-label="What this vessel asks for">
    <AskRow
      v-for="ask in store.asks"
      :key="ask.key"
      :ask="ask"
      :batch-id="store.batch.id"
      :is-here="ask.station === here"
      :busy="busy"
      @done="done"
      @put-off="putOff"
    />
    <li v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</li>
  </ul>
</template>
