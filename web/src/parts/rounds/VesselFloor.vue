<script setup lang="ts">
import { phaseTold, traitsOf } from '@hollow-bell/core/watch';
import { DAY_MS } from '@hollow-bell/core/quantities';
import type { Standing } from '@hollow-bell/contract';
import { sectionOf } from '@hollow-bell/core/vessel';
import type { Section } from '@hollow-bell/core/vessel';
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { usePad } from '../../stores/pad.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import BellMark from './BellMark.vue';
import VesselSection from '../vessel/VesselSection.vue';

const props = defineProps<{ standing: readonly Standing[] }>();

const pad = usePad();
const { show, reader } = useReader();
const floor = ref<HTMLElement | null>(null);
const { width } = useElementSize(floor);
const TALLEST_PX = 214;
const NARROWEST_COLUMN_PX = 118;
const COLUMN_AIR_PX = 22;

/** One scale for all, so that a jug looks small beside a carboy. */
const scale = computed(() => {
  const columns = props.standing.map(({ filled }) => filled.map(({ vessel }) => sectionOf(vessel)));
  const tallest = Math.max(1, ...columns.flat().map((section) => section.heightCm.at(-1) ?? 0));
  const widthOf = (sections: Section[]): number => sections.reduce((sum, section) => sum + 2 * Math.max(...section.radiusCm), 0);
  const widest = Math.max(1, ...columns.map(widthOf));
  const columnPx = Math.max(width.value / Math.max(1, columns.length), NARROWEST_COLUMN_PX);
  return Math.min(TALLEST_PX / tallest, (columnPx - COLUMN_AIR_PX) / widest);
});

const vessels = computed(() =>
  props.standing.map((standing) => {
    const { pitchedAt, phase, sg, filled, leesL, colors, asks } = standing;
    const day = pitchedAt === null ? 'no yeast yet' : `day ${Math.max(0, Math.floor((reader.value.now - pitchedAt) / DAY_MS))}`;
    return {
      standing,
      bell: asks[0]?.bell ?? 'still',
      sg: show('sg', sg),
      about: `${day} · ${phaseTold(phase)}`,
      stands: filled.map(({ vessel, volumeL }, i) => ({
        vessel,
        layers: [{ liters: volumeL, color: liquidColor(colors), label: '' }],
        /** What settles is drawn in the first. */
        leesL: i === 0 ? leesL : 0,
        title: `${standing.name}: ${show('volumeL', volumeL)} in the ${vessel.name}`,
      })),
      foaming: traitsOf(phase).foams === true,
    };
  }),
);
</script>

<template>
  <div ref="floor" class="scroll">
    <ol class="floor" aria-label="Vessels" :style="{ minWidth: `${vessels.length * NARROWEST_COLUMN_PX}px` }">
      <li v-for="vessel in vessels" :key="vessel.standing.id" :data-batch="vessel.standing.name">
        <button
          type="button"
          class="stand"
          :aria-label="`Read ${vessel.standing.name}`"
          :title="`Read ${vessel.standing.name}`"
          @click="pad.open(vessel.standing.id)"
        >
          <VesselSection
            v-for="(each, i) in vessel.stands"
            :key="i"
            :vessel="each.vessel"
            :layers="each.layers"
            :scale="scale"
            :lees-l="each.leesL"
            :foaming="vessel.foaming"
            airlock
            :title="each.title"
          />
        </button>
        <RouterLink :to="{ name: 'batch', params: { id: vessel.standing.id } }">
          <b>{{ vessel.standing.name }}</b>
          <span class="sg">{{ vessel.sg }}</span>
          <span class="about small quiet"><BellMark :bell="vessel.bell" />{{ vessel.about }}</span>
        </RouterLink>
      </li>
    </ol>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  scrollbar-width: thin;
}

.floor {
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  grid-template-rows: repeat(4, auto);
}

.floor li {
  display: grid;
  grid-row: 1 / -1;
  grid-template-rows: subgrid;
}

a {
  display: grid;
  grid-row: 2 / -1;
  grid-template-rows: subgrid;
  justify-items: center;
  text-align: center;
  text-decoration: none;
}

.stand {
  display: flex;
  align-items: end;
  justify-content: center;
  width: 100%;
  margin-bottom: 8px;
  padding: 0;
  border: 0;
  border-bottom: 2px solid var(--soot);
  background: none;
  cursor: pointer;
  box-shadow: 0 5px 0 var(--floor);
}

.stand :deep(svg) {
  margin-bottom: -2px;
}

b {
  padding: 6px 4px 0;
  line-height: 1.2;
}

.sg {
  font-size: 23px;
  font-weight: 740;
  line-height: 1.25;
}

.about {
  display: flex;
  align-items: center;
  gap: 5px;
  padding: 0 4px 4px;
  line-height: 1.25;
  min-height: 34px;
}

.about svg {
  width: 18px;
  height: 17px;
}
</style>
