<script setup lang="ts">
import { colorsOf } from '@hollow-bell/core/record';
import { levelCm, sectionOf } from '@hollow-bell/core/vessel';
import type { Vessel } from '@hollow-bell/core/vessel';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { inkOn, liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import { bandPath, outlinePath, sectionDrawing } from '../vessel/drawing.ts';

/** The vessel in its bath, to scale, with what core and bath read. */
const props = defineProps<{ vessel: Vessel; volumeL: number; coreC: number | null; bathC: number | null; swellsMl: number | null }>();
const { show } = useReader();
const store = useBatch();
const HEIGHT_PX = 300;
const drawing = computed(() => sectionDrawing(props.vessel, HEIGHT_PX / (sectionOf(props.vessel).heightCm.at(-1) ?? 30)));
const levelPx = computed(() => levelCm(drawing.value.section, props.volumeL) * drawing.value.scale);
const color = computed(() => liquidColor(colorsOf(store.ledger)));
const CLOTH_PX = 10;
const SIDE_PX = 58;
const potW = computed(() => drawing.value.width + 2 * SIDE_PX);
const potH = computed(() => levelPx.value + CLOTH_PX + 34);
const top = computed(() => HEIGHT_PX - levelPx.value);
const view = computed(() => `${-potW.value / 2 - 30} -46 ${potW.value + 60} ${HEIGHT_PX + CLOTH_PX + 92}`);
const title = computed(
  () =>
    `${props.vessel.name} in its bath${props.coreC === null ? '' : `, core ${show('tempC', props.coreC)}`}${props.bathC === null ? '' : `, bath ${show('tempC', props.bathC)}`}`,
);
</script>

<template>
  <figure>
    <svg :viewBox="view" role="img" :aria-label="title">
      <rect :x="-potW / 2" :y="top" :width="potW" :height="levelPx + CLOTH_PX" class="bath" />
      <path
        :d="`M${-potW / 2} ${HEIGHT_PX + CLOTH_PX - potH}V${HEIGHT_PX + CLOTH_PX}H${potW / 2}V${HEIGHT_PX + CLOTH_PX - potH}`"
        class="pot"
      />
      <path :d="`M${-potW / 2 - 18} ${top + 6}h18v18h-18zM${potW / 2} ${top + 6}h18v18h-18z`" class="handle" />
      <path :d="`M${-drawing.width / 2} ${HEIGHT_PX + 4}q6 -5 12 0t12 0t12 0t12 0t12 0t12 0`" class="cloth" />
      <path :d="outlinePath(drawing)" class="glass" :transform="`translate(0 ${HEIGHT_PX - drawing.height})`" />
      <path :d="bandPath(drawing, 0, levelPx / drawing.scale)" :fill="color" :transform="`translate(0 ${HEIGHT_PX - drawing.height})`" />
      <path :d="outlinePath(drawing)" class="outline" :transform="`translate(0 ${HEIGHT_PX - drawing.height})`" />
      <rect v-if="!drawing.lid" x="-14" y="-8" width="28" height="12" class="cork" />
      <g class="probe">
        <path :d="`M5 -22V${HEIGHT_PX - levelPx / 2}`" />
        <circle r="12" cx="5" cy="-34" />
        <path d="M5 -34l7 -5" />
        <circle r="5" cx="5" :cy="HEIGHT_PX - levelPx / 2" class="tip" />
      </g>
      <path d="M-11 -8V-13M-11 -25V-32" class="outline" />
      <ellipse cx="-11" cy="-19" rx="4" ry="6" class="outline" />
      <g v-if="coreC !== null" :fill="inkOn(color)">
        <text x="-10" :y="HEIGHT_PX - levelPx / 2 + 8" class="core">{{ show('tempC', coreC) }}</text>
        <text x="-10" :y="HEIGHT_PX - levelPx / 2 + 26" class="word">core</text>
      </g>
      <g v-if="bathC !== null" class="ink">
        <text :x="potW / 2 - SIDE_PX / 2" :y="HEIGHT_PX - 40" class="mid">{{ show('tempC', bathC) }}</text>
        <text :x="potW / 2 - SIDE_PX / 2" :y="HEIGHT_PX - 24" class="mid word">bath</text>
      </g>
      <path
        :d="`M${-potW / 2 + 20} ${HEIGHT_PX + CLOTH_PX + 12}h${potW - 40}M${-potW / 2 + 20} ${HEIGHT_PX + CLOTH_PX + 34}h${potW - 40}`"
        class="outline"
      />
      <path v-for="i in 5" :key="i" :d="`M${(i - 3) * (potW / 7)} ${HEIGHT_PX + CLOTH_PX + 31}q-6 -7 0 -15q6 8 0 15z`" class="flame" />
    </svg>
    <figcaption class="small quiet">
      Airlock on: a sealed bottle that holds pressure bursts. Tip in the middle of the mead.<template v-if="swellsMl !== null">
        It swells by about {{ Math.round(swellsMl) }} ml: leave that room.</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}

svg {
  display: block;
  width: 100%;
  max-height: 430px;
}

.bath {
  fill: var(--water);
}

.pot,
.handle,
.outline,
.probe path,
.probe circle {
  fill: none;
  stroke: var(--soot);
  stroke-width: 2;
}

.pot {
  stroke-width: 4;
}

.cloth {
  fill: none;
  stroke: var(--soot-2);
}

.glass {
  fill: var(--glass);
}

.cork {
  fill: var(--bronze);
}

.probe .tip {
  fill: var(--soot);
}

.probe circle:first-of-type {
  fill: var(--paper);
}

.flame {
  fill: var(--wax-soft);
  stroke: var(--wax);
}

text {
  font-size: 14px;
  text-anchor: end;
}

.core {
  font-size: 24px;
  font-weight: 700;
}

.ink {
  fill: var(--soot);
}

.mid {
  font-weight: 700;
  text-anchor: middle;
}

.word {
  font-size: 13px;
  font-weight: 400;
}
</style>
