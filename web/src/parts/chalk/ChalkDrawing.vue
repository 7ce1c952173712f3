<script setup lang="ts">
import type { Run, Scene, Senses } from '@hollow-bell/core/chalk';
import { DEEDS } from '@hollow-bell/core/chalk';
import type { Found } from '@hollow-bell/core/chalk';
import type { Ranged } from '@hollow-bell/core/quantities';
import { useMediaQuery } from '@vueuse/core';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import ChartTable from '../figures/ChartTable.vue';
import SentenceText from '../figures/SentenceText.vue';
import VesselSection from '../vessel/VesselSection.vue';

const props = defineProps<{
  scene: Scene;
  readings: readonly { hour: number; sg: number }[];
  found: readonly Found[];
  hour: number;
  endsAtH: number;
  volumeL: number;
  senses: Senses | null;
  end: Ranged | null;
  /** Shown once it is judged. */
  truth: { label: string; kind: 'true' | 'alone' | 'well'; run: Run }[];
}>();
const { show, tell } = useReader();

const isNarrow = useMediaQuery('(max-width: 720px)');
const wide = computed(() => (isNarrow.value ? 360 : 640));
const [HIGH, LEFT, TOP, BELOW] = [270, 52, 30, 24];
const DAY_H = 24;
const days = computed(() => {
  const shownTo = props.truth.length > 0 ? props.endsAtH : Math.min(props.endsAtH, Math.max(20 * DAY_H, props.hour * 1.25));
  return Math.ceil(shownTo / DAY_H);
});
const gravities = computed(() => [...props.readings.map(({ sg }) => sg), ...props.truth.flatMap(({ run }) => [run.sg[0] ?? 1])]);
const high = computed(() => Math.max(1.05, ...gravities.value) + 0.006);
const low = 0.978;
const x = (hour: number): number => LEFT + (hour / DAY_H / days.value) * (wide.value - LEFT - 8);
const y = (sg: number): number => TOP + ((high.value - sg) / (high.value - low)) * (HIGH - BELOW - TOP);
const lines = computed(() => Array.from({ length: Math.floor((high.value - 0.98) / 0.02) + 1 }, (_, i) => 0.98 + 0.02 * i));
const ticks = computed(() => {
  const step = days.value > 200 ? 60 : days.value > 60 ? 15 : 5;
  return Array.from({ length: Math.floor(days.value / step) + 1 }, (_, i) => i * step);
});
const path = (points: readonly { hour: number; sg: number }[]): string =>
  points.map(({ hour, sg }, i) => `${i === 0 ? 'M' : 'L'}${x(hour).toFixed(1)} ${y(sg).toFixed(1)}`).join('');
const courseOf = (run: Run): string =>
  path(Array.from({ length: Math.floor((run.sg.length - 1) / 6) + 1 }, (_, i) => ({ hour: 6 * i, sg: run.sg[6 * i] ?? 1 })));
const QUIET_DEEDS = new Set(['read', 'look', 'ph', 'zero']);
/** Deeds stand above the line where they were done, one over another where they came together. */
const marks = computed(() => {
  const placed: { x: number; y: number; letter: string; key: string }[] = [];
  for (const [i, { hour, does }] of props.found.entries()) {
    if (QUIET_DEEDS.has(does)) continue;
    const at = x(hour);
    const under = placed.filter((mark) => Math.abs(mark.x - at) < 14).length;
    placed.push({ x: at, y: TOP - 14 + 14 * under, letter: DEEDS[does], key: `${i} ${does}` });
  }
  return placed;
});
const color = computed(() => liquidColor([props.scene.fruit?.rowId ?? props.scene.honey]));
const scale = computed(() => 118 / (Math.cbrt(props.scene.vessel.capacityL / 10) * 36));
const rows = computed(() => props.readings.map(({ hour, sg }) => ({ cells: [`day ${Math.floor(hour / DAY_H)}`, show('sg', sg)] })));
const sentence = computed(() => {
  const [first, last] = [props.readings[0], props.readings.at(-1)];
  if (first === undefined || last === undefined) return 'Nothing has been read yet.';
  return `${props.readings.length} readings, from ${show('sg', first.sg)} to ${show('sg', last.sg)} on day ${Math.floor(last.hour / DAY_H)}.`;
});
</script>

<template>
  <div class="floor">
    <svg class="chart" :viewBox="`0 0 ${wide} ${HIGH}`" role="img" :aria-label="`What you have read. ${sentence}`">
      <g v-for="line in lines" :key="line">
        <path class="grid" :d="`M${LEFT} ${y(line)}H${wide - 8}`" />
        <text :x="LEFT - 8" :y="y(line) + 4" text-anchor="end">{{ show('sg', line) }}</text>
      </g>
      <text v-for="tick in ticks" :key="tick" :x="x(tick * DAY_H)" :y="HIGH - 6" text-anchor="middle">
        {{ tick === 0 ? 'day 0' : tick }}
      </text>
      <rect
        v-if="end !== null"
        class="end"
        :x="LEFT"
        :width="wide - LEFT - 8"
        :y="y(end.high)"
        :height="Math.max(3, y(end.low) - y(end.high))"
      />
      <text v-if="end !== null" class="end-told" :x="wide - 12" :y="y(end.high) - 5" text-anchor="end">where this yeast should stop</text>
      <path class="now" :d="`M${x(hour)} ${TOP}V${HIGH - BELOW}`" />
      <g v-for="course in truth" :key="course.kind" class="truth" :class="course.kind"><path :d="courseOf(course.run)" /></g>
      <path v-if="readings.length > 1" class="book" :d="path(readings)" />
      <path v-for="(point, i) in readings" :key="i" class="point" :d="`M${x(point.hour)} ${y(point.sg) - 5}l4.500 5l-4.500 5l-4.500-5z`" />
      <g v-for="mark in marks" :key="mark.key" class="mark">
        <circle :cx="mark.x" :cy="mark.y" r="7" />
        <text :x="mark.x" :y="mark.y + 3.5" text-anchor="middle">{{ mark.letter }}</text>
      </g>
    </svg>
    <VesselSection
      class="vessel"
      :vessel="scene.vessel"
      :layers="[{ liters: volumeL, color, label: '' }]"
      :scale="scale"
      :lees-l="(senses?.leesMm ?? 0) * 0.03"
      :foaming="senses?.isFoaming === true"
      airlock
      :title="`${show('volumeL', volumeL)} in the ${scene.vessel.name}`"
    />
    <div class="senses">
      <ul v-if="senses !== null" aria-label="As you last saw it">
        <li><SentenceText :sentence="senses.bubbles" /></li>
        <li><SentenceText :sentence="senses.foam" /></li>
        <li><SentenceText :sentence="senses.smell" /></li>
        <li><SentenceText :sentence="senses.lees" /></li>
      </ul>
      <p v-else class="quiet">What is not looked at is not known: look, or read.</p>
    </div>
  </div>
  <p v-if="truth.length > 0" class="legend small">
    <span v-for="course in truth" :key="course.kind" :class="course.kind"><i aria-hidden="true"></i> {{ course.label }}</span>
  </p>
  <ChartTable :sentence="sentence" caption="What was read, day by day" :heads="['day', 'gravity']" :rows="rows" />
  <p class="visually-hidden">{{ found.map(({ told }) => tell(told)).join('. ') }}</p>
</template>

<style scoped>
.floor {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto minmax(120px, 168px);
  align-items: end;
  gap: 12px;
  padding-bottom: 6px;
  border-bottom: 2px solid var(--soot);
}

.chart {
  width: 100%;
  overflow: visible;
}

.chart text {
  fill: var(--soot-2);
  font-family: var(--mono);
  font-size: 12px;
}

.grid {
  stroke: var(--rule);
}

.end {
  fill: var(--bronze);
  opacity: 0.16;
}

.chart .end-told {
  fill: var(--bronze);
  font-family: inherit;
}

.now {
  stroke: var(--soot-3);
  stroke-dasharray: 2 4;
}

.book {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.8;
}

.point {
  fill: var(--soot);
}

.mark circle {
  fill: var(--bronze);
}

.chart .mark text {
  fill: var(--on-bronze);
  font-size: 10px;
  font-weight: 700;
}

.truth path {
  fill: none;
  stroke: var(--verdigris);
  stroke-width: 2;
}

.truth.alone path {
  stroke: var(--madder);
  stroke-dasharray: 2 4;
}

.truth.well path {
  stroke-dasharray: 7 5;
}

.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 22px;
}

.legend i {
  display: inline-block;
  width: 26px;
  border-top: 2px solid var(--verdigris);
  vertical-align: middle;
}

.legend .alone i {
  border-top: 2px dotted var(--madder);
}

.legend .well i {
  border-top-style: dashed;
}

.senses ul {
  display: grid;
  gap: 10px;
  padding: 0 0 12px;
  list-style: none;
}

@media (max-width: 900px) {
  .floor {
    grid-template-columns: auto minmax(0, 1fr);
  }

  .chart {
    grid-column: 1 / -1;
  }
}
</style>
