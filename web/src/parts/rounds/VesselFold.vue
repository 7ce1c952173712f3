<script setup lang="ts">
import type { Standing } from '@hollow-bell/contract';
import { phaseTold } from '@hollow-bell/core/watch';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { usePad } from '../../stores/pad.ts';

/** Vessels that ask for nothing now, by how they stand: a word and a count each, opened by a press. */
const props = defineProps<{ standing: readonly Standing[] }>();
const pad = usePad();
const { show } = useReader();
const groups = computed(() => {
  const by = new Map<string, Standing[]>();
  for (const each of props.standing) by.set(phaseTold(each.phase), [...(by.get(phaseTold(each.phase)) ?? []), each]);
  return [...by].map(([phase, vessels]) => ({ phase, vessels })).toSorted((a, b) => b.vessels.length - a.vessels.length);
});
</script>

<template>
  <div class="folds no-print">
    <details v-for="{ phase, vessels } in groups" :key="phase">
      <summary>
        <b>{{ vessels.length }}</b> {{ phase }}
      </summary>
      <ul>
        <li v-for="vessel in vessels" :key="vessel.id" :data-batch="vessel.name">
          <RouterLink :to="{ name: 'batch', params: { id: vessel.id } }" class="place-link">{{ vessel.name }}</RouterLink>
          <span class="quiet">{{ show('sg', vessel.sg) }}</span>
          <button type="button" class="link" :aria-label="`Read ${vessel.name}`" @click="pad.open(vessel.id)">Read</button>
        </li>
      </ul>
    </details>
  </div>
</template>

<style scoped>
.folds {
  display: flex;
  flex-wrap: wrap;
  gap: 0 28px;
}

summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}

details[open] {
  flex-basis: 100%;
}

ul {
  columns: 280px;
  column-gap: 32px;
}

li {
  display: flex;
  align-items: center;
  gap: 4px 14px;
  break-inside: avoid;
  border-bottom: 1px solid var(--rule);
}

li > :first-child {
  flex: 1;
}
</style>
