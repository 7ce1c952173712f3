<script setup lang="ts">
import { DAY_MS } from '@hollow-bell/core/quantities';
import { isAllBottled } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { usePad } from '../../stores/pad.ts';

const store = useBatch();
const pad = usePad();
const { show } = useReader();
/** Batches that it shares a past with: where it came from, what was split off with it, what was split off it. */
const kin = computed(() =>
  store.ledger.history.transfers.flatMap(({ direction, batchId, name, beside = [] }) =>
    direction === 'in'
      ? []
      : [
          { id: batchId, name, as: direction === 'born' ? 'from' : 'split off' },
          ...beside.map((each) => ({ id: each.batchId, name: each.name, as: 'beside' })),
        ],
  ),
);
const about = computed(() => {
  const pitch = store.ledger.history.pitch;
  const volume = store.stands
    .map(({ vessel, volumeL, isCompanion }) => `, ${show('volumeL', volumeL)} in the ${vessel.name}${isCompanion ? ' beside it' : ''}`)
    .join('');
  if (isAllBottled(store.ledger)) return 'bottled';
  return pitch === null
    ? store.view === null
      ? 'not yet mixed'
      : `mixed, no yeast yet${volume}`
    : `day ${Math.floor((store.now - pitch.at) / DAY_MS)}${volume}`;
});
</script>

<template>
  <header class="bench-head">
    <h1>{{ store.batch?.name }}</h1>
    <span class="beside">{{ about }}</span>
    <span class="quiet"><slot /></span>
    <el-button v-if="store.batch !== null" class="reads no-print" @click="pad.open(store.batch.id)">Read</el-button>
    <p v-if="kin.length > 0" class="kin small quiet">
      <span v-for="{ id, name, as } in kin" :key="id"
        >{{ as }} <RouterLink :to="{ name: 'batch', params: { id } }">{{ name }}</RouterLink></span
      >
    </p>
  </header>
</template>

<style scoped>
.reads {
  align-self: center;
}

@media (max-width: 720px) {
  .reads {
    display: none;
  }
}

.kin {
  display: flex;
  flex-wrap: wrap;
  flex-basis: 100%;
  gap: 2px 14px;
}
</style>
