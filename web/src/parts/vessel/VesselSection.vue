<script setup lang="ts">
import type { Vessel } from '@hollow-bell/core/vessel';
import { computed } from 'vue';
import { inkOn } from '../../look/liquidColor.ts';
import { bandPath, layersOf, outlinePath, sectionDrawing } from './drawing.ts';
import type { Layer } from './drawing.ts';

const props = defineProps<{
  vessel: Vessel;
  layers: Layer[];
  /** Pixels per centimeter; the same for all vessels that stand side by side. */
  scale: number;
  leesL?: number;
  foaming?: boolean;
  labels?: boolean;
  airlock?: boolean;
  title: string;
}>();

const drawing = computed(() => sectionDrawing(props.vessel, props.scale));
const bands = computed(() => layersOf(drawing.value, props.layers));
const surface = computed(() => bands.value.at(-1)?.toCm ?? 0);
const TOP = 36;
const size = computed(() => ({ width: drawing.value.width + 12, height: drawing.value.height + TOP + 4 }));
const y = (cm: number): number => drawing.value.height - cm * props.scale;
const lees = computed(() => (props.leesL ? layersOf(drawing.value, [{ liters: props.leesL, color: '', label: '' }])[0] : undefined));
const bubbles = computed(() =>
  Array.from({ length: 11 }, (_, i) => ({ at: -0.84 + i * 0.168, up: 3 + ((i * 7) % 5) * 1.3, r: 2 + ((i * 5) % 3) * 0.7 })),
);
const radiusThere = computed(() => drawing.value.radiusAt(surface.value) * props.scale);
</script>

<template>
  <svg
    class="vessel"
    :viewBox="`${-size.width / 2} ${-TOP} ${size.width} ${size.height}`"
    :width="size.width"
    :height="size.height"
    :role="$slots['default'] ? 'group' : 'img'"
    :aria-label="title"
  >
    <path :d="outlinePath(drawing)" class="glass" />
    <path v-for="band in bands" :key="band.fromCm" :d="bandPath(drawing, band.fromCm, band.toCm)" :fill="band.color" />
    <rect v-if="bands.length > 0 && !labels" :x="-radiusThere" :y="y(surface)" :width="2 * radiusThere" height="3" class="surface" />
    <path v-if="lees !== undefined" :d="bandPath(drawing, 0, lees.toCm)" class="lees" />
    <g v-if="foaming" class="bubbles">
      <circle v-for="bubble in bubbles" :key="bubble.at" :cx="bubble.at * radiusThere" :cy="y(surface) - bubble.up" :r="bubble.r" />
    </g>
    <path :d="outlinePath(drawing)" class="outline" />
    <rect v-if="drawing.lid" :x="-drawing.width / 2 - 3" y="-5" :width="drawing.width + 6" height="5" rx="2" class="lid" />
    <g v-if="airlock" :transform="drawing.lid ? `translate(${drawing.width * 0.18} -5)` : ''">
      <rect v-if="!drawing.lid" x="-8" y="-1" width="16" height="6" class="cork" />
      <path d="M0 -1V-8M0 -20V-28" class="outline" />
      <ellipse cx="0" cy="-14" rx="4.500" ry="6.500" class="outline" />
    </g>
    <g v-if="labels" class="labels">
      <template v-for="band in bands" :key="band.label">
        <text v-if="(band.toCm - band.fromCm) * scale > 15" x="0" :fill="inkOn(band.color)" :y="y((band.fromCm + band.toCm) / 2) + 4">
          {{ band.label }}
        </text>
      </template>
    </g>
    <slot :y="y" :drawing="drawing" :surface="surface" />
  </svg>
</template>

<style scoped>
.vessel {
  display: block;
  max-width: 100%;
  overflow: visible;
}

.glass {
  fill: var(--glass);
}

.outline {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.7;
  stroke-linejoin: round;
}

.surface {
  fill: #fff;
  opacity: 0.35;
}

.lees {
  fill: var(--lees);
  opacity: 0.85;
}

.lid {
  fill: var(--rule);
  stroke: var(--soot);
}

.cork {
  fill: var(--bronze);
}

.bubbles circle {
  fill: var(--glass);
  stroke: var(--soot-3);
  stroke-width: 0.7;
}

.labels text {
  font-size: 12px;
  text-anchor: middle;
}
</style>
