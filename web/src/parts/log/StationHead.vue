<script setup lang="ts">
import { DAY_MS } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const about = computed(() => {
  const pitch = store.ledger.history.pitch;
  const volume = store.stands
    .map(({ vessel, volumeL, isCompanion }) => `, ${show('volumeL', volumeL)} in the ${vessel.name}${isCompanion ? ' beside it' : ''}`)
    .join('');
  if (store.ledger.history.bottled !== null) return 'bottled';
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
  </header>
</template>
