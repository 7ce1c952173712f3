<script setup lang="ts">
import { fillOfPlan, litersOf } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { levelCm, litersAt, sectionOf } from '@hollow-bell/core/vessel';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import VesselSection from '../vessel/VesselSection.vue';

const props = defineProps<{ plan: MustPlan; volumeL: number; fillL: number; wantedPct: number }>();
const emit = defineEmits<{ drag: [volumeL: number] }>();

const { show } = useReader();
const HEIGHT_PX = 330;
const WIDTH_PX = 320;
const section = computed(() => sectionOf(props.plan.vessel));
const scale = computed(() =>
  Math.min(HEIGHT_PX / (section.value.heightCm.at(-1) ?? 1), WIDTH_PX / (2 * Math.max(...section.value.radiusCm))),
);
/** On the brew day; water that is held back comes once there is room for it. */
const fill = computed(() => fillOfPlan(props.plan, props.fillL));
const heldBackL = computed(() => props.plan.heldBack?.waterL ?? 0);

/** The pours as they lie before stirring, heaviest at the bottom; the water takes what is left of the mixed volume. */
const layers = computed(() => {
  const poured = props.plan.ingredients
    .filter(({ stage, massG }) => stage !== 'after' && massG > 0)
    .map((line) => ({ line, liters: litersOf(line) }))
    .sort((a, b) => b.line.massG / Math.max(b.liters, 1e-6) - a.line.massG / Math.max(a.liters, 1e-6))
    .map(({ line, liters }) => ({ liters, color: liquidColor([line.name]), label: `${line.name} ${show('volumeL', liters)}` }));
  const waterL = Math.max(0, props.fillL - heldBackL.value - poured.reduce((sum, layer) => sum + layer.liters, 0));
  const water = { liters: waterL, color: 'var(--water)', label: `water ${show('volumeL', props.plan.waterL - heldBackL.value)}` };
  const later = { liters: heldBackL.value, color: 'var(--glass)', label: `held back ${show('volumeL', heldBackL.value)}` };
  return heldBackL.value > 0 ? [...poured, water, later] : [...poured, water];
});

/** How low the must has to stay for its foam and cap. */
const reserveL = computed(() => props.plan.vessel.capacityL * (1 - props.wantedPct / 100));

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
      <path :d="`M${-drawing.width / 2} ${y(levelCm(section, reserveL))}H${drawing.width / 2}`" class="reserve" />
      <text
        class="head"
        :class="{ over: fill.overflowL > 0, tight: fill.headspacePct < wantedPct }"
        x="0"
        :y="Math.max(26, y(surface) / 2)"
      >
        {{
          fill.overflowL > 0
            ? `${show('volumeL', fill.overflowL)} too much`
            : `${show('volumeL', fill.headspaceL)} for foam and cap, ${show('percent', fill.headspacePct)}`
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

.reserve {
  stroke: var(--soot-3);
  stroke-dasharray: 1 4;
}

.head.tight {
  fill: var(--wax);
}

.head.over {
  fill: var(--madder);
}
</style>
