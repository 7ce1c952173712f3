<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import type { Mark } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import GateRow from '../parts/sweeten/GateRow.vue';
import RackForm from '../parts/vessel/RackForm.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const MARKS: { mark: Mark; deed: string; text: string }[] = [
  { mark: 'clear', deed: 'It is clear', text: 'clear: print can be read through it' },
  { mark: 'hazy', deed: 'Still hazy', text: 'hazy' },
  { mark: 'degassed', deed: 'Degassed', text: 'degassed: no prickle on the tongue' },
];
/** How high they stood, the last few times. */
const lees = computed(() =>
  store.ledger.history.lees
    .slice(-4)
    .map(({ mm, at }) => `${show('mm', mm)} ${show('when', at)}`)
    .join(', '),
);
const leesMm = ref<number | null>(null);
async function writeLees(): Promise<void> {
  if (leesMm.value === null) return;
  const payload = { leesMm: leesMm.value };
  if (await attempt(() => store.write([{ kind: 'reading', payload }], tell(eventSentence({ kind: 'reading', payload })))))
    leesMm.value = null;
}
const write = (mark: Mark, text: string): Promise<boolean> => attempt(() => store.write([{ kind: 'note', payload: { text, mark } }], text));
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <GateRow :gates="store.gates.slice(0, 3)" class="three" />
    <div class="columns">
      <div class="stack">
        <template v-if="store.view !== null">
          <h2>Rack</h2>
          <p class="quiet">
            Quietly, from bottom to bottom: each racking costs oxygen. Rack when the lees stand above 10 to 12 mm or the first fermentation
            is over, not by habit.
          </p>
          <p v-if="lees !== ''" class="small">Lees: {{ lees }}.</p>
          <RackForm />
        </template>
        <h2>Look and taste</h2>
        <form v-if="store.view !== null" class="lees" @submit.prevent="writeLees">
          <QuantityField v-model="leesMm" kind="mm" label="lees stand" />
          <el-button native-type="submit" :loading="busy" :disabled="blocked || leesMm === null">Write it</el-button>
        </form>
        <div class="deeds">
          <el-button v-for="{ mark, deed, text } in MARKS" :key="mark" :loading="busy" @click="write(mark, text)">{{ deed }}</el-button>
        </div>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <p class="caution">
          A full carboy is heavy and slippery: set it down before you need a hand. Topping up with water thins the mead; top up with its
          like.
        </p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.lees {
  display: flex;
  align-items: end;
  gap: 8px 18px;
}

.lees > :first-child {
  max-width: 120px;
}
</style>
