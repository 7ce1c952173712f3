<script setup lang="ts">
import { STATIONS } from '@hollow-bell/core/rounds';
import type { Knot, Station } from '@hollow-bell/core/rounds';
import { computed, useTemplateRef, watch } from 'vue';
import { STATION_NAMES } from '../../placeNames.ts';

const props = defineProps<{ batchId: string; states: Record<Station, Knot> | null; here: Station; isNew?: boolean }>();

/** On a phone the rope is longer than the screen: where one stands is in sight. */
const rope = useTemplateRef<HTMLElement>('rope');
watch(
  [rope, () => props.here],
  () => {
    const [on, knot] = [rope.value, rope.value?.querySelector<HTMLElement>('.here')];
    if (on !== null && knot) on.scrollLeft = knot.offsetLeft - (on.clientWidth - knot.offsetWidth) / 2;
  },
  { flush: 'post' },
);
const TOLD: Record<Knot, string> = { done: 'done', half: 'begun', now: 'now', ahead: 'ahead', passed: 'passed by' };
const knots = computed(() =>
  STATIONS.map((station) => {
    const state: Knot = props.states?.[station] ?? (station === 'formulate' ? 'now' : 'ahead');
    return { station, name: STATION_NAMES[station], state, told: TOLD[state] };
  }),
);
</script>

<template>
  <nav ref="rope" class="rail no-print" aria-label="Stations of this batch" :tabindex="isNew ? 0 : undefined">
    <ol>
      <li v-for="knot in knots" :key="knot.station" :class="[knot.state, { here: knot.station === here }]">
        <component
          :is="isNew ? 'span' : 'RouterLink'"
          v-bind="isNew ? {} : { to: { name: 'station', params: { id: batchId, station: knot.station } } }"
          :aria-current="knot.station === here ? 'page' : undefined"
        >
          <i class="knot" aria-hidden="true" />{{ knot.name }}<span class="visually-hidden">, {{ knot.told }}</span>
        </component>
      </li>
    </ol>
  </nav>
</template>

<style scoped>
ol {
  position: relative;
  display: grid;
  gap: 15px;
}

ol::before {
  content: '';
  position: absolute;
  inset: 10px auto 10px 8px;
  border-left: 3px dotted var(--bronze);
}

a,
li > span {
  position: relative;
  display: flex;
  align-items: center;
  gap: 11px;
  min-height: 24px;
  color: var(--soot-2);
  text-decoration: none;
}

a:hover {
  color: var(--soot);
}

.knot {
  width: 15px;
  height: 15px;
  margin-left: 2px;
  flex: none;
  border: 2px solid var(--bronze);
  border-radius: 50%;
  background: var(--limewash);
}

.done .knot {
  background: var(--bronze);
}

.half .knot {
  background: linear-gradient(0deg, var(--bronze) 50%, var(--limewash) 50%);
}

.now .knot {
  border-width: 4px;
}

.passed .knot {
  height: 7px;
  border-radius: 3px;
  border-color: var(--soot-3);
}

.here a,
.here > span {
  color: var(--soot);
  font-weight: 720;
  font-size: 17px;
}

.here .knot {
  width: 19px;
  height: 19px;
  margin-left: 0;
  border-color: var(--soot);
  background: var(--wax-soft);
}

@media (max-width: 900px) {
  .rail {
    overflow-x: auto;
    scrollbar-width: none;
  }

  ol {
    grid-auto-flow: column;
    justify-content: start;
    gap: 18px;
    padding: 4px 2px 10px;
  }

  ol::before {
    inset: auto 8px 38px;
    border-left: 0;
    border-top: 3px dotted var(--bronze);
  }

  a,
  li > span {
    flex-direction: column;
    gap: 4px;
    min-height: 44px;
    font-size: 13px;
  }

  .here a,
  .here > span {
    font-size: 14px;
  }
}
</style>
