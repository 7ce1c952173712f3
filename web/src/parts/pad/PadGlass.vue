<script setup lang="ts">
import type { Ranged } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';

/** The hydrometer in its jar: it rises and falls with what is pressed, what is expected beside it, what was read last behind it. */
const props = defineProps<{
  /** What it is read at; null while nothing is pressed. */
  sg: number | null;
  isRefused: boolean;
  expected: Ranged | null;
  last: { sg: number; at: number } | null;
  near: number;
  color: string;
}>();

const { show } = useReader();
const WIDTH = 358;
const HEIGHT = 196;
const SURFACE = 66;
const PX_PER_SG = 2600;
const MARKS_EACH_WAY = 3;
const CENTER = 186;
const reading = computed(() => props.sg ?? props.near);
/** The marks around what is shown, whole hundredths. */
const middle = computed(() => Math.round(reading.value * 100));
const marks = computed(() =>
  Array.from({ length: 2 * MARKS_EACH_WAY + 1 }, (_, i) => (middle.value - MARKS_EACH_WAY + i) / 100).map((sg) => ({ sg, y: y(sg) })),
);
const shorts = computed(() =>
  Array.from({ length: 20 * MARKS_EACH_WAY }, (_, i) => (middle.value - MARKS_EACH_WAY) / 100 + i / 1000).map(y),
);
const y = (sg: number): number => SURFACE + (sg - reading.value) * PX_PER_SG;
const isSeen = (sg: number): boolean => y(sg) > 8 && y(sg) < HEIGHT - 6;
const bulb = computed(() => SURFACE + ((middle.value + MARKS_EACH_WAY) / 100 - reading.value) * PX_PER_SG);
const clamp = (value: number): number => Math.max(8, Math.min(HEIGHT - 8, value));
const bar = computed(() => {
  if (props.expected === null) return null;
  const [top, bottom] = [clamp(y(props.expected.low)), clamp(y(props.expected.high))];
  return { top, height: Math.max(3, bottom - top), dot: clamp(y(props.expected.value)) };
});
const told = computed(() => {
  const parts = [props.sg === null ? 'Nothing pressed yet' : `At ${show('sg', props.sg)}`];
  if (props.expected !== null) parts.push(`expected ${show('sg', props.expected.value)}`);
  if (props.last !== null) parts.push(`last ${show('sg', props.last.sg)}`);
  return parts.join(', ');
});
</script>

<template>
  <svg class="glass" :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="told" :class="{ faint: sg === null || isRefused }">
    <rect :x="CENTER - 36" :y="SURFACE" width="72" :height="HEIGHT - SURFACE - 4" :fill="color" class="liquid" />
    <path :d="`M${CENTER - 40} ${SURFACE - 34}h4V${HEIGHT - 4}h72V${SURFACE - 34}h4`" class="jar" />
    <g class="hydrometer">
      <path
        :d="`M${CENTER - 14} ${bulb}V${SURFACE - 44}a14 14 0 0 1 28 0V${bulb}c0 14 8 14 8 26v22h-44v-22c0-12 8-12 8-26z`"
        class="stem"
      />
      <path v-for="at in shorts" :key="at" :d="`M${CENTER - 14} ${at}h6`" class="short" />
      <template v-for="mark in marks" :key="mark.sg">
        <path :d="`M${CENTER - 14} ${mark.y}h11`" class="long" />
        <text v-if="isSeen(mark.sg) && mark.y > SURFACE - 42" :x="CENTER + 13" :y="mark.y + 3" class="mark">
          {{ show('sg', mark.sg).slice(0, -1) }}
        </text>
      </template>
    </g>
    <g v-if="bar !== null" class="expected">
      <rect :x="CENTER - 52" :y="bar.top" width="6" :height="bar.height" />
      <circle :cx="CENTER - 49" :cy="bar.dot" r="4.500" />
      <text :x="CENTER - 60" :y="Math.max(22, bar.dot - 12)">expected</text>
      <text :x="CENTER - 60" :y="Math.max(38, bar.dot + 4)" class="strong">{{ show('sg', expected!.value) }}</text>
      <text :x="CENTER - 60" :y="Math.max(53, bar.dot + 19)">{{ show('sg', expected!.low) }}–{{ show('sg', expected!.high) }}</text>
    </g>
    <g v-if="last !== null && isSeen(last.sg) && (sg === null || Math.abs(y(last.sg) - SURFACE) > 18)" class="last">
      <path :d="`M${CENTER + 42} ${y(last.sg)}h12`" />
      <text :x="CENTER + 58" :y="y(last.sg) + 4">{{ show('sg', last.sg) }}</text>
      <text :x="CENTER + 58" :y="y(last.sg) + 18">{{ show('when', last.at) }}</text>
    </g>
    <g v-if="sg !== null" class="now" :class="{ refused: isRefused }">
      <path :d="`M${CENTER + 42} ${SURFACE}h14`" />
      <text :x="CENTER + 60" :y="SURFACE + 8">{{ show('sg', sg) }}{{ isRefused ? '?' : '' }}</text>
    </g>
  </svg>
</template>

<style scoped>
.glass {
  display: block;
  width: 100%;
  max-height: 200px;
}

.jar,
.stem {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.6;
}

.stem {
  fill: var(--glass);
  fill-opacity: 0.92;
}

.faint .stem {
  stroke-dasharray: 3 3;
}

.liquid {
  opacity: 0.85;
}

.faint .liquid {
  opacity: 0.35;
}

.short,
.long {
  stroke: var(--soot-2);
  stroke-width: 1;
}

text {
  fill: var(--soot-2);
  font-size: 12px;
}

.mark {
  font: 9px var(--mono);
  text-anchor: end;
}

.expected text {
  fill: var(--verdigris);
  text-anchor: end;
}

.expected rect {
  fill: var(--verdigris-mid);
}

.expected circle {
  fill: var(--verdigris);
}

.expected .strong {
  font-size: 14px;
  font-weight: 720;
}

.last path,
.now path {
  stroke: var(--soot-3);
  stroke-width: 1.4;
}

.now path {
  stroke: var(--bronze);
  stroke-width: 3;
}

.now text {
  fill: var(--soot);
  font-size: 23px;
  font-weight: 740;
}

.now.refused text {
  fill: var(--bronze);
}
</style>
