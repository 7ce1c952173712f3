<script setup lang="ts">
import { sentOf } from '@hollow-bell/contract';
import type { ShelvedBatch } from '@hollow-bell/contract';
import { compareBatches } from '@hollow-bell/core/cellar';
import type { Compared } from '@hollow-bell/core/cellar';
import { withSent } from '@hollow-bell/core/float';
import { fold } from '@hollow-bell/core/record';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import SentenceText from '../figures/SentenceText.vue';
import BlindPair from './BlindPair.vue';
import CompareCurves from './CompareCurves.vue';

const props = defineProps<{ chosen: readonly Pick<ShelvedBatch, 'id' | 'name' | 'cost'>[] }>();
const { refusal, attempt } = useAttempt();
const { money } = useReader();
const opened = ref<(Compared & { id: string })[]>([]);
const names = computed(() => props.chosen.map(({ id }) => id).join(' '));
watch(
  names,
  () =>
    attempt(async () => {
      opened.value = await Promise.all(
        props.chosen.map(async ({ id }) => {
          const batch = await api.batch(id);
          return { id, name: batch.name, ledger: fold(withSent(batch.events, sentOf(batch))) };
        }),
      );
    }),
  { immediate: true },
);
const rows = computed(() => compareBatches(opened.value));
const costs = computed(() => props.chosen.map(({ cost }) => (cost === null ? '' : money(cost.perBottle))));
const differences = computed(() => rows.value.flatMap(({ differs }) => (differs === null ? [] : [differs])));
</script>

<template>
  <div class="compare" data-test="compare">
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="opened.length >= 2">
      <div>
        <h2>Side by side, from the pitch</h2>
        <CompareCurves :batches="opened" />
      </div>
      <div class="table">
        <table class="ruled">
          <thead>
            <tr>
              <td />
              <th v-for="(each, i) in opened" :key="each.id" scope="col">
                <i :class="`mark n${i % 4}`" aria-hidden="true" />{{ each.name }}
              </th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="row in rows" :key="row.label">
              <th scope="row">{{ row.label }}</th>
              <td v-for="(told, i) in row.told" :key="i"><SentenceText :sentence="told" /></td>
            </tr>
            <tr>
              <th scope="row">a bottle</th>
              <td v-for="(cost, i) in costs" :key="i">{{ cost }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <div class="differs">
        <h2>What differed</h2>
        <ul>
          <li v-for="(each, i) in differences" :key="i"><SentenceText :sentence="each" /></li>
        </ul>
        <p v-if="differences.length === 0" class="quiet">By the record nothing that tells.</p>
        <BlindPair v-if="opened.length === 2" :pair="opened" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.2fr) minmax(0, 0.9fr);
  gap: 12px 32px;
}

.table {
  overflow-x: auto;
}

tbody th {
  color: var(--soot-2);
  font-weight: 400;
}

.mark {
  display: inline-block;
  width: 11px;
  height: 11px;
  margin-right: 6px;
  border: 2.5px solid var(--soot);
  border-radius: 50%;
}

.mark.n0 {
  background: var(--soot);
}

.mark.n1 {
  border-color: var(--madder);
}

.mark.n2 {
  border-color: var(--verdigris);
  background: var(--verdigris);
}

.mark.n3 {
  border-color: var(--wax);
}

.differs li {
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}

@media (max-width: 900px) {
  .compare {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
