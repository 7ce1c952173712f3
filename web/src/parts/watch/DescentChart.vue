<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { computed, onMounted, ref, watch } from 'vue';
import VChart from 'vue-echarts';
import { descentOptions } from './descent/options.ts';
import type { ChartColors, DescentData } from './descent/options.ts';
import { useCellarLight } from '../../composables/useCellarLight.ts';

use([LineChart, GridComponent, MarkLineComponent, MarkAreaComponent, CanvasRenderer]);

const props = defineProps<{ data: DescentData; summary: string }>();

const { light } = useCellarLight();
const ready = ref(false);
const colors = ref<ChartColors | null>(null);

function readColors(): ChartColors {
  const style = getComputedStyle(document.documentElement);
  const of = (name: string): string => style.getPropertyValue(`--${name}`).trim();
  return {
    ink: of('soot'),
    quiet: of('soot-2'),
    rule: of('rule'),
    bronze: of('bronze'),
    verdigris: of('verdigris'),
    madder: of('madder'),
    bronzeSoft: of('bronze-soft'),
  };
}

onMounted(async () => {
  await Promise.all(
    ["12px 'Atkinson Hyperlegible Next Variable'", "12px 'Atkinson Hyperlegible Mono Variable'"].map((font) => document.fonts.load(font)),
  );
  colors.value = readColors();
  ready.value = true;
});
watch(light, () => requestAnimationFrame(() => (colors.value = readColors())));

const options = computed(() => (colors.value === null ? null : descentOptions(props.data, colors.value)));
</script>

<template>
  <div class="descent" role="img" :aria-label="summary">
    <VChart v-if="ready && options !== null" :option="options" autoresize />
  </div>
</template>

<style scoped>
.descent {
  height: 430px;
}

@media (max-width: 720px) {
  .descent {
    height: 380px;
  }
}
</style>
