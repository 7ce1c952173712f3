<script setup lang="ts">
import type { Mark } from '@hollow-bell/core/record';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import GateRow from '../parts/sweeten/GateRow.vue';
import RackForm from '../parts/vessel/RackForm.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const MARKS: { mark: Mark; deed: string; text: string }[] = [
  { mark: 'clear', deed: 'It is clear', text: 'clear: print can be read through it' },
  { mark: 'hazy', deed: 'Still hazy', text: 'hazy' },
  { mark: 'degassed', deed: 'Degassed', text: 'degassed: no prickle on the tongue' },
];
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
          <RackForm />
        </template>
        <h2>Look and taste</h2>
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
