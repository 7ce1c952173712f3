<script setup lang="ts">
import { mix } from '@hollow-bell/core/liquid';
import { honeySolids } from '@hollow-bell/core/ledger';
import type { MustPlan } from '@hollow-bell/core/must';
import { fillOf, litersAt, sectionOf } from '@hollow-bell/core/vessel';
import { computed, ref } from 'vue';
import { useReader } from '../composables/useReader.ts';
import { liquidColor } from '../look/liquidColor.ts';
import VesselSection from './VesselSection.vue';

const props = defineProps<{ plan: MustPlan; volumeL: number }>();
const emit = defineEmits<{ drag: [volumeL: number] }>();

const { show } = useReader();
const HEIGHT_PX = 330;
const WIDTH_PX = 320;
const section = computed(() => sectionOf(props.plan.vessel));
const scale = computed(() =>
  Math.min(HEIGHT_PX / (section.value.heightCm.at(-1) ?? 1), WIDTH_PX / (2 * Math.max(...section.value.radiusCm))),
);
const fill = computed(() => fillOf(props.plan.vessel.capacityL, props.volumeL));

/** Honeys as poured, heaviest at the bottom; the water takes what is left of the mixed volume. */
const layers = computed(() => {
  const honeys = props.plan.honeys.map((honey) => {
    const { waterG, sugarG, unfermentableG } = honeySolids(honey.massG, honey.moisture, honey.unfermentable);
    const liters = honey.massG > 0 ? mix({ waterG, extractG: sugarG + unfermentableG, ethanolG: 0 }).volumeL : 0;
    return { liters, color: liquidColor([honey.name]), label: `${honey.name} ${show('volumeL', liters)}` };
  });
  const waterL = Math.max(0, props.volumeL - honeys.reduce((sum, layer) => sum + layer.liters, 0));
  return [...honeys, { liters: waterL, color: 'var(--water)', label: `water ${show('volumeL', props.plan.waterL)}` }];
});

const frame = ref<SVGRectElement | null>(null);
const dragging = ref(false);

function volumeUnder(event: PointerEvent): number {
  const box = frame.value?.getBoundingClientRect();
  if (box === undefined) return props.volumeL;
  const heightCm = ((box.bottom - event.clientY) / box.height) * (section.value.heightCm.at(-1) ?? 0);
  return Math.round(litersAt(section.value, heightCm) * 20) / 20;
}

function drag(event: PointerEvent): void {
  if (!dragging.value) return;
  const liters = volumeUnder(event);
  if (liters >= 0.2) emit('drag', liters);
}

function grab(event: PointerEvent): void {
  dragging.value = true;
  (event.target as Element).setPointerCapture(event.pointerId);
}

function nudge(liters: number): void {
  emit('drag', Math.max(0.2, Math.round((props.volumeL + liters) * 20) / 20));
}
</script>

<template>
  <VesselSection
    :vessel="plan.vessel"
    :layers="layers"
    :scale="scale"
    labels
    airlock
    :title="`${plan.vessel.name} with ${show('volumeL', volumeL)} of must`"
  >
    <template #default="{ y, drawing, surface }">
      <rect ref="frame" :x="-drawing.width / 2" y="0" :width="drawing.width" :height="drawing.height" fill="none" />
      <text class="head" x="0" :y="Math.max(26, y(surface) / 2)">
        {{
          fill.overflowL > 0
            ? `${show('volumeL', fill.overflowL)} too much`
            : `${show('volumeL', fill.headspaceL)} for foam, ${show('percent', fill.headspacePct)}`
        }}
      </text>
      <g
        class="handle"
        tabindex="0"
        role="slider"
        aria-label="Level of the must"
        aria-orientation="vertical"
        :aria-valuenow="Number(volumeL.toFixed(2))"
        aria-valuemin="0"
        :aria-valuemax="plan.vessel.capacityL"
        :aria-valuetext="show('volumeL', volumeL)"
        @pointerdown="grab"
        @pointermove="drag"
        @pointerup="dragging = false"
        @keydown.up.prevent="nudge(0.1)"
        @keydown.down.prevent="nudge(-0.1)"
      >
        <rect :x="-drawing.width / 2 - 6" :y="y(surface) - 14" :width="drawing.width + 12" height="28" fill="transparent" />
        <path :d="`M${-drawing.width / 2} ${y(surface)}H${drawing.width / 2 + 8}`" class="level" />
        <text :x="drawing.width / 2 + 4" :y="y(surface) - 6" class="mark">{{ show('volumeL', volumeL) }}</text>
      </g>
    </template>
  </VesselSection>
</template>

<style scoped>
.handle {
  cursor: ns-resize;
  touch-action: none;
}

.level {
  stroke: var(--bronze);
  stroke-width: 2;
  stroke-dasharray: 4 3;
}

.handle:focus-visible {
  outline: none;
}

.handle:focus-visible .level {
  stroke-width: 4;
}

.mark {
  font: 13px var(--mono);
  fill: var(--soot);
  text-anchor: end;
}

.head {
  font-size: 13px;
  text-anchor: middle;
  fill: var(--verdigris);
  font-weight: 680;
}
</style>
