<script setup lang="ts">
import { sentOf } from '@hollow-bell/contract';
import { withSent } from '@hollow-bell/core/float';
import { fold, honeysPoured, logOf, othersPoured, viewOf } from '@hollow-bell/core/record';
import { computed, ref, watch } from 'vue';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** The same base in several jugs, side by side: what each got, how it stands, what was said of it. */
const store = useBatch();
const { show } = useReader();
const { refusal, attempt } = useAttempt();

const kin = computed(() => {
  const ids = store.ledger.history.transfers.flatMap(({ direction, batchId, beside = [] }) =>
    direction === 'in' ? [] : [batchId, ...beside.map((each) => each.batchId)],
  );
  return [...new Set(ids)].filter((id) => id !== store.batch?.id);
});
interface Row {
  id: string;
  name: string;
  got: string;
  sg: number | null;
  abv: number | null;
  sugar: number | null;
  said: string;
}
const rows = ref<Row[]>([]);
const rowOf = (id: string, name: string, events: Parameters<typeof fold>[0]): Row => {
  const ledger = fold(events);
  const view = viewOf(ledger);
  const bornAt = ledger.history.transfers.find(({ direction }) => direction === 'born')?.at ?? 0;
  const own = [...honeysPoured(ledger), ...othersPoured(ledger)].filter(({ at }) => at > bornAt && bornAt > 0);
  const notes = logOf(events).filter(
    ({ standing, withdrawn }) => !withdrawn && standing.kind === 'note' && standing.payload.mark === 'tasting',
  );
  const last = notes.at(-1)?.standing;
  return {
    id,
    name,
    got: own.map(({ name: what, massG }) => `${show('massG', massG)} ${what}`).join(', '),
    sg: view?.sg ?? null,
    abv: view?.abv ?? null,
    sugar: view?.sugarGPerL ?? null,
    said: last?.kind === 'note' ? last.payload.text : '',
  };
};
watch(
  [kin, () => store.batch?.lastSeq],
  async () => {
    if (kin.value.length === 0 || store.batch === null) return;
    const own = store.batch;
    await attempt(
      async () => {
        const others = await Promise.all(kin.value.map((id) => api.batch(id)));
        rows.value = [
          rowOf(own.id, own.name, withSent(store.events, sentOf(own))),
          ...others.map((each) => rowOf(each.id, each.name, withSent(each.events, sentOf(each)))),
        ];
      },
      { isWhole: false },
    );
  },
  { immediate: true },
);
</script>

<template>
  <details v-if="rows.length > 1" class="siblings" data-test="siblings">
    <summary>Its splits, side by side</summary>
    <table class="ruled">
      <thead>
        <tr>
          <th>jug</th>
          <th>got</th>
          <th>gravity</th>
          <th>alcohol</th>
          <th>sugar</th>
          <th>last tasting</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id">
          <th scope="row">
            <RouterLink :to="{ name: 'station', params: { id: row.id, station: 'sweeten' } }">{{ row.name }}</RouterLink>
          </th>
          <td>{{ row.got === '' ? 'nothing of its own' : row.got }}</td>
          <td>{{ row.sg === null ? '' : show('sg', row.sg) }}</td>
          <td>{{ row.abv === null ? '' : show('abv', row.abv) }}</td>
          <td>{{ row.sugar === null ? '' : show('gPerL', row.sugar) }}</td>
          <td>{{ row.said }}</td>
        </tr>
      </tbody>
    </table>
    <p class="small quiet">What was chosen stays as it is, or goes back to the mother batch: pour it in with “Pour” beside its log.</p>
    <p v-if="refusal !== ''" class="refusal">{{ refusal }}</p>
  </details>
</template>

<style scoped>
.siblings {
  overflow-x: auto;
}
</style>
