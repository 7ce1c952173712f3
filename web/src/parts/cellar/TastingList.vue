<script setup lang="ts">
import { SHEET_PARTS } from '@hollow-bell/core/record';
import type { Tasting } from '@hollow-bell/core/record';
import type { Immutable } from '@hollow-bell/core/quantities';
import { useReader } from '../../composables/useReader.ts';

defineProps<{ tastings: readonly Immutable<Tasting>[] }>();
const { show } = useReader();
const sheetOf = ({ sheet }: Immutable<Tasting>): string =>
  SHEET_PARTS.flatMap((part) => (sheet[part] === undefined ? [] : [`${part} ${sheet[part]}`])).join('; ');
</script>

<template>
  <ul class="said" aria-label="Tastings">
    <li v-for="each in tastings.toReversed()" :key="each.eventId">
      <span
        ><b>{{ each.words }}</b
        ><span v-if="sheetOf(each) !== ''" class="small quiet"> {{ sheetOf(each) }}</span></span
      >
      <span class="small quiet"
        >{{ show('day', each.at) }}{{ each.who === null ? '' : `, ${each.who}`
        }}{{ each.score === null ? '' : `, ${each.score.value} of ${each.score.of}` }}{{ each.drinks === null ? '' : `, ${each.drinks}`
        }}{{ each.isBlind ? ', blind' : '' }}</span
      >
    </li>
  </ul>
  <p v-if="tastings.length === 0" class="quiet">No tasting yet.</p>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 14px;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}

@media (max-width: 720px) {
  li {
    grid-template-columns: 1fr;
  }
}
</style>
