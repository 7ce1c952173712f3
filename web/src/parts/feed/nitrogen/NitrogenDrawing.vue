<script setup lang="ts">
import type { Staircase } from '@hollow-bell/core/feed';
import { computed } from 'vue';
import { axisPosition, nitrogenBands, topOf } from './drawing.ts';
import type { NitrogenAxis } from './drawing.ts';
import { axisLines, axisTicks, wastedBars } from './marks.ts';
import type { DoseMark, Scale } from './marks.ts';

const props = defineProps<{
  stairs: Staircase;
  axis: NitrogenAxis;
  /** Of the box it is drawn into. */
  boxWidth: number;
  amount: (mgPerL: number) => string;
  gravityAt: (share: number) => string;
  doseMarks: (scale: Scale) => DoseMark[];
}>();

const HEIGHT = 170;
const LEFT = 50;
const ROW = 14;
const frame = computed(() => ({ width: Math.max(180, props.boxWidth - LEFT - 8), height: HEIGHT }));
const top = computed(() => topOf(props.stairs));
const bands = computed(() => nitrogenBands(props.stairs, props.axis, frame.value, top.value));
const y = (mgPerL: number): number => HEIGHT - (HEIGHT * mgPerL) / top.value;
const scale = computed<Scale>(() => {
  const { width } = frame.value;
  const position = axisPosition(props.stairs, props.axis);
  return { width, x: (mark) => width * position(mark), y };
});
const lines = computed(() => axisLines(props.stairs, scale.value));
const doses = computed(() => props.doseMarks(scale.value));
const wasted = computed(() => wastedBars(props.stairs, props.axis, scale.value));
const ticks = computed(() => axisTicks(props.stairs, props.axis, scale.value, props.gravityAt));
</script>

<template>
  <svg
    :viewBox="`${-LEFT} -48 ${frame.width + LEFT + 8} ${HEIGHT + 86}`"
    :width="frame.width + LEFT + 8"
    :height="HEIGHT + 86"
    aria-hidden="true"
  >
    <defs>
      <pattern id="too-late" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect class="hatch" width="2" height="6" />
      </pattern>
    </defs>
    <path
      v-for="band in bands"
      :key="`${band.kind} ${band.isAhead}`"
      :class="['band', band.kind, { ahead: band.isAhead }]"
      :d="band.path"
    />
    <rect v-for="(late, i) in wasted" :key="i" class="late" :x="late.x" :y="late.y" width="12" :height="late.height" fill="url(#too-late)">
      <title>{{ late.label }}</title>
    </rect>
    <line class="need" x1="0" :x2="frame.width" :y1="y(stairs.needMgPerL)" :y2="y(stairs.needMgPerL)" />
    <text class="strong" :x="4" :y="y(stairs.needMgPerL) - 5">need {{ amount(stairs.needMgPerL) }}</text>
    <g v-for="line in lines" :key="line.id" :class="['mark', line.id]">
      <line :x1="line.x" :x2="line.x" :y1="ROW * line.row - 36" :y2="HEIGHT" />
      <text :x="line.x + (line.isLeft ? -4 : 4)" :y="ROW * line.row - 34" :text-anchor="line.isLeft ? 'end' : 'start'">
        {{ line.label }}
      </text>
    </g>
    <line class="floor" :x1="0" :x2="frame.width" :y1="HEIGHT" :y2="HEIGHT" />
    <g v-for="dose in doses" :key="dose.number" class="dose">
      <title>{{ dose.told }}</title>
      <path :d="`M${dose.x - 5} ${HEIGHT + 9}l5 -8l5 8z`" />
      <text :x="dose.x" :y="HEIGHT + 20" text-anchor="middle">{{ dose.number }}</text>
    </g>
    <text v-for="tick in ticks" :key="tick.label" class="tick" :x="tick.x" :y="HEIGHT + 35" text-anchor="middle">{{ tick.label }}</text>
    <text class="tick" :x="-6" :y="HEIGHT" text-anchor="end">0</text>
    <text class="tick" :x="-6" :y="y(stairs.needMgPerL) + 4" text-anchor="end">{{ amount(stairs.needMgPerL).split('\u00a0')[0] }}</text>
  </svg>
</template>

<style scoped>
.honey {
  fill: #d9a03c;
}

.fruit {
  fill: #8f2f45;
}

.amino {
  fill: var(--verdigris);
}

.ammonium {
  fill: var(--bronze);
}

.ahead {
  opacity: 0.42;
}

svg {
  display: block;
  max-width: 100%;
  overflow: visible;
}

.band {
  stroke: var(--limewash);
  stroke-width: 1;
}

.hatch {
  fill: var(--soot-3);
}

.late {
  stroke: var(--soot-3);
}

.need {
  stroke: var(--soot);
  stroke-width: 2;
}

.floor {
  stroke: var(--soot);
  stroke-width: 2;
}

text {
  fill: var(--soot-2);
  font-size: 12.5px;
}

.strong {
  fill: var(--soot);
  font-weight: 700;
}

.tick {
  font-family: var(--mono);
  font-size: 12px;
}

.mark line {
  stroke: var(--soot-3);
  stroke-dasharray: 3 3;
}

.now line {
  stroke: var(--bronze);
  stroke-width: 2;
  stroke-dasharray: none;
}

.now text {
  fill: var(--bronze);
  font-weight: 700;
}

.dose path {
  fill: var(--soot-2);
}
</style>
