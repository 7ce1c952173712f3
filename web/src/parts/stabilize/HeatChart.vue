<script setup lang="ts">
import { HOLD_FROM_C, HOLD_STOP_C, heldOf } from '@hollow-bell/core/heat';
import type { CoreReading } from '@hollow-bell/core/heat';
import { MINUTE_MS, celsiusToF } from '@hollow-bell/core/quantities';
import { LineChart } from 'echarts/charts';
import { GridComponent, MarkLineComponent } from 'echarts/components';
import { use } from 'echarts/core';
import { CanvasRenderer } from 'echarts/renderers';
import type { EChartsOption } from 'echarts/types/dist/shared';
import { computed } from 'vue';
import VChart from 'vue-echarts';
import { useChartColors } from '../../composables/useChartColors.ts';
import { useReader } from '../../composables/useReader.ts';
import ChartTable from '../figures/ChartTable.vue';

use([LineChart, GridComponent, MarkLineComponent, CanvasRenderer]);

/** Core and bath as they were read, and what of it counts, under one clock. */
const props = defineProps<{ readings: readonly CoreReading[]; holdMin: number }>();
const { show, reader, number } = useReader();
const colors = useChartColors();
const FONT = 'Atkinson Hyperlegible Next Variable';
const MONO = 'Atkinson Hyperlegible Mono Variable';
const inF = computed(() => reader.value.units === 'us');
const shownC = (tempC: number): number => (inF.value ? celsiusToF(tempC) : tempC);

/** Units by each reading: those on the way up, and those that count with the thermometer’s doubt. */
const grown = computed(() => props.readings.map((reading, i) => ({ at: reading.at, held: heldOf(props.readings.slice(0, i + 1)) })));
const options = computed<EChartsOption | null>(() => {
  const [first, last] = [props.readings[0], props.readings.at(-1)];
  if (colors.value === null || first === undefined || last === undefined) return null;
  const { ink, quiet, rule, bronze, verdigris, madder } = colors.value;
  const minute = (at: number): number => (at - first.at) / MINUTE_MS;
  const end = Math.max(30, minute(last.at) + 4);
  const line = { type: 'line', animation: false, symbolSize: 5 } as const;
  const axis = { axisLine: { lineStyle: { color: rule } }, axisTick: { show: false } } as const;
  const label = { color: quiet, fontFamily: MONO, fontSize: 11 };
  const minutes = (gridIndex: number, isShown: boolean) =>
    ({
      type: 'value',
      gridIndex,
      min: 0,
      max: end,
      ...axis,
      splitLine: { show: false },
      axisLabel: { ...label, show: isShown, formatter: '{value} min' },
    }) as const;
  const mark = (value: number, told: string, color: string) => ({
    silent: true,
    symbol: 'none',
    data: [{ yAxis: value }],
    lineStyle: { color, type: 'solid' as const },
    label: { formatter: told, position: 'insideStartTop' as const, color, fontFamily: FONT, fontSize: 12 },
  });
  const counted = grown.value.filter(({ held }) => held.since !== null);
  return {
    grid: [
      { left: 44, right: 12, top: 14, height: '52%' },
      { left: 44, right: 12, bottom: 26, height: '25%' },
    ],
    xAxis: [minutes(0, false), minutes(1, true)],
    yAxis: [
      {
        type: 'value',
        gridIndex: 0,
        min: Math.floor(shownC(10) / 10) * 10,
        max: Math.ceil(shownC(76) / 10) * 10,
        ...axis,
        splitLine: { lineStyle: { color: rule } },
        axisLabel: label,
      },
      {
        type: 'value',
        gridIndex: 1,
        min: 0,
        max: Math.max(props.holdMin * 1.2, Math.ceil(grown.value.at(-1)?.held.units.high ?? 0)),
        ...axis,
        splitLine: { show: false },
        axisLabel: label,
      },
    ],
    series: [
      {
        ...line,
        name: 'bath',
        data: props.readings.flatMap(({ at, bathC }) => (bathC === undefined ? [] : [[minute(at), shownC(bathC)]])),
        symbol: 'diamond',
        color: bronze,
        lineStyle: { width: 1.5 },
        endLabel: { show: true, formatter: 'bath', color: bronze, fontFamily: FONT, offset: [-34, -12] },
        markLine: mark(shownC(HOLD_STOP_C), `stop: above ${show('tempC', HOLD_STOP_C)} the honey cooks`, madder),
      },
      {
        ...line,
        name: 'core',
        data: props.readings.map(({ at, coreC }) => [minute(at), shownC(coreC)]),
        symbol: 'circle',
        color: ink,
        lineStyle: { width: 2.5 },
        endLabel: { show: true, formatter: 'core', color: ink, fontFamily: FONT, offset: [-34, 14] },
        markLine: mark(shownC(HOLD_FROM_C), `counts from ${show('tempC', HOLD_FROM_C)}`, verdigris),
      },
      {
        ...line,
        name: 'on the way up, not counted',
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: 'none',
        data: grown.value.filter(({ held }) => held.units.value === 0).map(({ at, held }) => [minute(at), held.unitsOnTheWay]),
        color: quiet,
        lineStyle: { width: 1, type: 'dashed' },
      },
      {
        ...line,
        name: 'least',
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: 'none',
        stack: 'doubt',
        data: counted.map(({ at, held }) => [minute(at), held.units.low]),
        lineStyle: { opacity: 0 },
      },
      {
        ...line,
        name: 'doubt',
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: 'none',
        stack: 'doubt',
        data: counted.map(({ at, held }) => [minute(at), held.units.high - held.units.low]),
        lineStyle: { opacity: 0 },
        areaStyle: { color: verdigris, opacity: 0.25 },
      },
      {
        ...line,
        name: 'units',
        xAxisIndex: 1,
        yAxisIndex: 1,
        symbol: 'none',
        data: counted.map(({ at, held }) => [minute(at), held.units.value]),
        color: verdigris,
        lineStyle: { width: 2.5 },
        markLine: mark(props.holdMin, `held: ${props.holdMin} min at ${show('tempC', HOLD_FROM_C)}`, verdigris),
      },
    ],
  };
});
const summary = computed(() => {
  const last = props.readings.at(-1);
  if (last === undefined) return 'No reading yet';
  const { units } = heldOf(props.readings);
  return `Core ${show('tempC', last.coreC)}, ${number(units.value, 1)} of ${props.holdMin} pasteurization units`;
});
const rows = computed(() =>
  props.readings.map(({ at, coreC, bathC }, i) => {
    const held = grown.value[i]?.held;
    return {
      cells: [
        show('when', at),
        show('tempC', coreC),
        bathC === undefined ? '' : show('tempC', bathC),
        held === undefined ? '' : number(held.units.value, 1),
      ],
    };
  }),
);
</script>

<template>
  <div class="chart" role="img" :aria-label="summary" data-test="heat-chart">
    <VChart v-if="options !== null" :option="options" autoresize />
  </div>
  <ChartTable
    v-if="rows.length > 0"
    :sentence="`${summary}.`"
    caption="Core and bath as they were read, and the units held by then"
    :heads="['when', 'core', 'bath', 'units held']"
    :rows="rows"
  />
</template>

<style scoped>
.chart {
  height: 340px;
}
</style>
