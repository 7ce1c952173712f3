<script setup lang="ts">
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkAreaComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import DescentTable from './DescentTable.vue';
import { descentOptions } from './descent/options.ts';
import type { DescentData } from './descent/options.ts';
import { useChartColors } from '../../composables/useChartColors.ts';

use([LineChart, GridComponent, MarkLineComponent, MarkAreaComponent, CanvasRenderer]);

const props = defineProps<{ data: DescentData; summary: string }>();

const colors = useChartColors();
const options = computed(() => (colors.value === null ? null : descentOptions(props.data, colors.value)));
</script>

<template>
  <div>
    <div class="descent" role="img" :aria-label="summary">
      <VChart v-if="options !== null" :option="options" autoresize />
    </div>
    <DescentTable :data="data" />
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
