<script setup lang="ts">
import type { LabelGrid, LaidLabel } from '@hollow-bell/core/bottle';

/** A label at its true size, as far as the screen keeps its millimeters. */
defineProps<{ laid: LaidLabel; grid: LabelGrid; opens: string; picture: string | null }>();
</script>

<template>
  <div class="label" data-test="label" :style="{ width: `${grid.width}mm`, height: `${grid.height}mm` }">
    <div class="text" :style="{ width: `${laid.textMm}mm` }">
      <p v-for="(line, i) in laid.lines" :key="i" :style="{ fontSize: `${line.points}pt`, fontWeight: line.bold === true ? 700 : 400 }">
        {{ line.text }}
      </p>
    </div>
    <div v-if="laid.qrMm !== null" class="code" :style="{ width: `${laid.qrMm}mm`, height: `${laid.qrMm}mm` }" :title="opens">code</div>
    <img v-if="picture !== null" :src="picture" alt="" class="picture" />
  </div>
</template>

<style scoped>
.label {
  position: relative;
  max-width: 100%;
  overflow: hidden;
  padding: 2.5mm;
  border: 1px dashed var(--soot-3);
  background: #fffefb;
  color: #1e2422;
  line-height: 1.2;
}

.text p {
  overflow-wrap: anywhere;
}

.code {
  position: absolute;
  top: 2.5mm;
  right: 2.5mm;
  display: grid;
  place-items: center;
  background: repeating-conic-gradient(#1e2422 0 25%, #fffefb 0 50%) 0 0 / 2.4mm 2.4mm;
  color: transparent;
}

.picture {
  position: absolute;
  right: 2.5mm;
  bottom: 2.5mm;
  max-width: 12mm;
  max-height: 33%;
}
</style>
