<script setup lang="ts">
import type { ClosureId, ContainerId } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { outline, silhouetteOf } from './silhouette.ts';

const props = defineProps<{
  kind: ContainerId | undefined;
  closure: ClosureId | undefined;
  sizeMl: number;
  /** How many are drawn; those beyond are told by the number below. */
  filled: number;
  /** In a last one that is not full, ml. */
  partMl?: number;
  empty: number;
  /** More than these are told by the number below. */
  most: number;
  scale: number;
  color: string;
  isBarred?: boolean;
  /** Nothing is measured yet. */
  isDashed?: boolean;
  title: string;
}>();

const AIR = 6;
const shape = computed(() => silhouetteOf(props.kind, props.sizeMl));
const shown = computed(() => {
  const full = Math.min(props.most, props.filled);
  const part = props.partMl === undefined || full >= props.most ? 0 : 1;
  const open = Math.min(Math.max(0, props.most - full - part), props.empty - part);
  const step = Math.max(10, shape.value.widthCm * props.scale * 0.62);
  const all = [
    ...Array.from({ length: full }, () => props.sizeMl),
    ...Array.from({ length: part }, () => props.partMl ?? 0),
    ...Array.from({ length: Math.max(0, open) }, () => 0),
  ];
  return all.map((ml, i) => ({ ml, x: (shape.value.widthCm * props.scale) / 2 + 3 + i * step }));
});
const height = computed(() => shape.value.heightCm * props.scale + 14);
const width = computed(() => (shown.value.at(-1)?.x ?? 0) + (shape.value.widthCm * props.scale) / 2 + AIR);
const neck = computed(() => (shape.value.points.at(-1)?.[1] ?? 1) * props.scale);
</script>

<template>
  <svg class="group" :class="{ barred: isBarred, dashed: isDashed }" :width="width" :height="height + 2" role="img" :aria-label="title">
    <g v-for="(bottle, i) in shown.toReversed()" :key="i">
      <path class="inside" :d="outline(shape, scale, bottle.x, height)" />
      <path
        v-if="bottle.ml > 0 && !isDashed"
        :d="outline(shape, scale, bottle.x, height, shape.levelCm(bottle.ml))"
        :style="{ fill: color }"
      />
      <path class="glass" :d="outline(shape, scale, bottle.x, height)" />
      <template v-if="bottle.ml >= sizeMl && !isBarred">
        <path
          v-if="closure === 'wired cork'"
          class="cork"
          :d="`M${bottle.x - neck} ${height - shape.heightCm * scale + 5}h${2 * neck}v-9l2-5h-${2 * neck + 4}l2 5z`"
        />
        <rect
          v-else-if="closure === 'cork'"
          class="cork"
          :x="bottle.x - neck + 1"
          :y="height - shape.heightCm * scale"
          :width="2 * neck - 2"
          height="17"
        />
        <rect
          v-else
          class="cap"
          :x="bottle.x - neck - 1"
          :y="height - shape.heightCm * scale - 4"
          :width="2 * neck + 2"
          :height="closure === 'screw cap' ? 13 : 6"
        />
      </template>
    </g>
    <template v-if="isBarred">
      <path v-for="n in 3" :key="n" class="bar" :d="`M0 ${height - n * 32}H${width}`" />
      <path class="bar post" :d="`M1 ${height}V${height - 118}M${width - 1} ${height}V${height - 118}`" />
    </template>
  </svg>
</template>

<style scoped>
.group {
  display: block;
  overflow: visible;
}

.inside {
  fill: var(--glass);
}

.glass {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.4;
}

.dashed .glass {
  stroke-dasharray: 4 4;
}

.barred .glass {
  stroke: var(--soot-3);
  stroke-width: 1;
}

.cork {
  fill: var(--bronze);
  stroke: var(--soot);
  stroke-width: 0.8;
}

.cap {
  fill: var(--soot-2);
}

.bar {
  stroke: var(--madder);
  stroke-width: 2.2;
}

.post {
  stroke: var(--soot);
}
</style>
