<script setup lang="ts">
import type { ShelvedBatch } from '@hollow-bell/contract';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import CellarPlank from './CellarPlank.vue';
import ShelfName from './ShelfName.vue';
import { timeAxis } from './timeAxis.ts';

const props = defineProps<{ shelves: readonly ShelvedBatch[]; now: number; chosen: string; compared: readonly string[] }>();
const emit = defineEmits<{ choose: [id: string]; compare: [id: string] }>();
const { reader } = useReader();
const room = useTemplateRef<HTMLElement>('room');
const { width } = useElementSize(room);
const wide = computed(() => Math.max(340, width.value));
const YEAR_BACK_MS = 430 * DAY_MS;

const axis = computed(() => {
  const begins = props.shelves.map(({ shelf }) => shelf.bottledAt);
  const ends = props.shelves.map(({ shelf }) => shelf.window.drinkBy);
  return timeAxis(
    Math.max(Math.min(...begins, props.now), props.now - YEAR_BACK_MS),
    props.now,
    Math.max(...ends, props.now),
    wide.value,
    reader.value.locale,
  );
});
const falls = ({ shelf }: ShelvedBatch): string => {
  if (shelf.late === 0 || shelf.pace === null) return '';
  const days = Math.round(shelf.pace.everyMs / DAY_MS);
  const every = days >= 14 ? `one in ${Math.round(days / 7)} weeks` : `one in ${days} days`;
  return `at ${every} ${shelf.late === 1 ? 'one falls' : `${shelf.late} fall`} off${shelf.pace.isWeak ? `; from ${shelf.pace.openings} bottles, so hardly known` : ''}`;
};
</script>

<template>
  <div class="shelves">
    <div class="scale">
      <span class="legend small quiet"><i class="rest" /> rests <i class="drink" /> drink <i class="best" /> best</span>
      <div class="scroller">
        <svg :width="wide" height="34" :viewBox="`0 0 ${wide} 34`" aria-hidden="true">
          <text v-for="year in axis.years" :key="year.year" class="year" :x="year.x" y="12">{{ year.year }}</text>
          <text v-for="(month, i) in axis.months" :key="i" :x="month.x + 4" y="28">{{ month.letter }}</text>
          <path :d="`M0 33H${wide}`" />
          <path v-for="(month, i) in axis.months" :key="`t${i}`" :d="`M${month.x} 33v-5`" />
        </svg>
      </div>
    </div>
    <ol>
      <li v-for="each in shelves" :key="each.id" :class="{ here: each.id === chosen }" :data-shelf="each.name">
        <ShelfName
          :each="each"
          :now="now"
          :chosen="chosen"
          :compared="compared"
          @choose="emit('choose', $event)"
          @compare="emit('compare', $event)"
        />
        <div ref="room" class="scroller">
          <span v-if="falls(each) !== ''" class="falls small">{{ falls(each) }}</span>
          <CellarPlank
            :shelf="each.shelf"
            :axis="axis"
            :width="wide"
            :now="now"
            :title="`${each.name}: ${each.shelf.left} of ${each.shelf.filled} left`"
          />
          <i class="today" :style="{ left: `${axis.x(now)}px` }" />
        </div>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.scale,
li {
  display: grid;
  grid-template-columns: 250px minmax(0, 1fr);
  gap: 0 12px;
  align-items: end;
}

.scroller {
  position: relative;
  overflow: hidden;
}

li {
  align-items: center;
  border-left: 3px solid transparent;
}

.here {
  border-color: var(--bronze);
}

.today {
  position: absolute;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--soot);
}

.falls {
  position: absolute;
  right: 0;
  top: 8px;
  padding-left: 6px;
  background: var(--limewash);
  color: var(--madder);
}

svg text {
  fill: var(--soot-2);
  font-size: 12px;
}

svg .year {
  fill: var(--soot);
  font-weight: 700;
}

svg path {
  stroke: var(--rule);
}

.legend i {
  display: inline-block;
  width: 22px;
  height: 6px;
  margin-left: 6px;
}

.legend .rest {
  height: 2px;
  background: var(--soot-2);
}

.legend .drink {
  background: var(--verdigris-mid);
}

.legend .best {
  background: var(--verdigris);
}

@media (max-width: 720px) {
  .scale {
    display: none;
  }

  li {
    grid-template-columns: minmax(0, 1fr);
    border-bottom: 1px solid var(--rule);
  }

  .scroller {
    overflow-x: auto;
  }

  .falls {
    position: static;
    display: block;
  }
}
</style>
