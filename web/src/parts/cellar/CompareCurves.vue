<script setup lang="ts">
import { curveOf } from '@hollow-bell/core/cellar';
import type { Compared } from '@hollow-bell/core/cellar';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import ChartTable from '../figures/ChartTable.vue';

const props = defineProps<{ batches: readonly Compared[] }>();
const { show } = useReader();
const [WIDE, HIGH, LEFT, BELOW] = [400, 210, 52, 24];
const curves = computed(() => props.batches.map(({ name, ledger }) => ({ name, points: curveOf(ledger) })));
const days = computed(() => Math.max(7, ...curves.value.flatMap(({ points }) => points.map(({ day }) => day))));
const high = computed(() => Math.max(1.02, ...curves.value.flatMap(({ points }) => points.map(({ sg }) => sg))) + 0.004);
const low = computed(() => Math.min(1, ...curves.value.flatMap(({ points }) => points.map(({ sg }) => sg))) - 0.004);
const x = (day: number): number => LEFT + (day / days.value) * (WIDE - LEFT - 10);
const y = (sg: number): number => 8 + ((high.value - sg) / (high.value - low.value)) * (HIGH - BELOW - 8);
const lines = computed(() => {
  const step = high.value - low.value > 0.08 ? 0.02 : 0.01;
  const first = Math.ceil(low.value / step) * step;
  return Array.from({ length: Math.floor((high.value - first) / step) + 1 }, (_, i) => first + i * step);
});
const ticks = computed(() => {
  const step = days.value > 60 ? 20 : days.value > 25 ? 10 : 5;
  return Array.from({ length: Math.floor(days.value / step) + 1 }, (_, i) => i * step);
});
const path = (points: { day: number; sg: number }[]): string =>
  points.map(({ day, sg }, i) => `${i === 0 ? 'M' : 'L'}${x(day).toFixed(1)} ${y(sg).toFixed(1)}`).join('');
const told = computed(() =>
  curves.value
    .map(
      ({ name, points }) =>
        `${name}: from ${show('sg', points[0]?.sg ?? 1)} to ${show('sg', points.at(-1)?.sg ?? 1)} in ${Math.round(points.at(-1)?.day ?? 0)} days`,
    )
    .join('; '),
);
const rows = computed(() =>
  curves.value.flatMap(({ name, points }) =>
    points.map(({ day, sg }) => ({ cells: [name, day < 0.5 ? 'pitch' : `day ${Math.round(day)}`, show('sg', sg)] })),
  ),
);
</script>

<template>
  <svg class="curves" :viewBox="`0 0 ${WIDE} ${HIGH}`" role="img" :aria-label="`Gravities from the pitch. ${told}`">
    <g v-for="line in lines" :key="line">
      <path class="line" :d="`M${LEFT} ${y(line)}H${WIDE}`" />
      <text :x="LEFT - 8" :y="y(line) + 4" text-anchor="end">{{ show('sg', line) }}</text>
    </g>
    <text v-for="tick in ticks" :key="tick" :x="x(tick)" :y="HIGH - 6" text-anchor="middle">
      {{ tick === 0 ? 'pitch' : `day ${tick}` }}
    </text>
    <g v-for="(curve, i) in curves" :key="curve.name" :class="`curve n${i % 4}`">
      <path :d="path(curve.points)" />
      <circle v-for="(point, j) in curve.points" :key="j" :cx="x(point.day)" :cy="y(point.sg)" r="3.4" />
    </g>
  </svg>
  <ChartTable :sentence="`${told}.`" caption="Gravities of each batch from its pitch" :heads="['batch', 'day', 'gravity']" :rows="rows" />
</template>

<style scoped>
.curves {
  width: 100%;
  max-width: 480px;
}

.line {
  stroke: var(--rule);
}

text {
  fill: var(--soot-2);
  font: 11.5px var(--mono);
}

.curve path {
  fill: none;
  stroke-width: 2;
}

.n0 path {
  stroke: var(--soot);
}

.n0 circle {
  fill: var(--soot);
}

.n1 path {
  stroke: var(--madder);
  stroke-dasharray: 6 4;
}

.n1 circle {
  fill: var(--limewash);
  stroke: var(--madder);
  stroke-width: 2;
}

.n2 path {
  stroke: var(--verdigris);
  stroke-dasharray: 2 3;
}

.n2 circle {
  fill: var(--verdigris);
}

.n3 path {
  stroke: var(--wax);
  stroke-dasharray: 9 3;
}

.n3 circle {
  fill: var(--limewash);
  stroke: var(--wax);
  stroke-width: 2;
}
</style>
