<script setup lang="ts">
import type { LabelGrid, LaidLabel } from '@hollow-bell/core/bottle';
import { ref, watch } from 'vue';
import { codeOf } from '../figures/codeOf.ts';

/** A label at its true size, as far as the screen keeps its millimeters. */
const props = defineProps<{ laid: LaidLabel; grid: LabelGrid; opens: string; picture: string | null }>();
const code = ref('');
watch(
  () => props.opens,
  async (opens) => {
    code.value = `data:image/svg+xml;utf8,${encodeURIComponent(await codeOf(opens))}`;
  },
  { immediate: true },
);
</script>

<template>
  <div class="label" data-test="label" :style="{ width: `${grid.width}mm`, height: `${grid.height}mm` }">
    <div class="text" :style="{ width: `${laid.textMm}mm` }">
      <p v-for="(line, i) in laid.lines" :key="i" :style="{ fontSize: `${line.points}pt`, fontWeight: line.bold === true ? 700 : 400 }">
        {{ line.text }}
      </p>
    </div>
    <img
      v-if="laid.qrMm !== null && code !== ''"
      :src="code"
      :alt="`A code that opens ${opens}`"
      class="code"
      :style="{ width: `${laid.qrMm}mm`, height: `${laid.qrMm}mm` }"
    />
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
}

.picture {
  position: absolute;
  right: 2.5mm;
  bottom: 2.5mm;
  max-width: 12mm;
  max-height: 33%;
}
</style>
