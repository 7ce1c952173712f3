<script setup lang="ts">
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import ChartTable from '../figures/ChartTable.vue';
import type { ChartRow } from '../figures/ChartTable.vue';
import type { DescentData } from './descent/options.ts';

/** The chart of the descent in words and numbers, for who reads by ear or wants them exact. */
const props = defineProps<{ data: DescentData }>();
const { show, range } = useReader();
/** The forecast is a line of many points; these many rows tell it. */
const FORECAST_ROWS = 8;
const read = computed(() => props.data.readings.filter(({ follows }) => follows));
const ahead = computed(() => {
  const { forecast } = props.data;
  const step = Math.max(1, Math.floor(forecast.length / FORECAST_ROWS));
  return forecast.filter((_, i) => i % step === 0);
});
const sentence = computed(() => {
  const [first, last] = [read.value[0], read.value.at(-1)];
  if (first === undefined || last === undefined) return 'No reading that the record follows.';
  const begun = `${read.value.length} readings, from ${show('sg', first.sg)} ${show('when', first.at)} to ${show('sg', last.sg)} ${show('when', last.at)}`;
  const { end } = props.data;
  return end === null ? `${begun}.` : `${begun}; it should stop between ${show('sg', end.low)} and ${show('sg', end.high)}.`;
});
const rows = computed((): ChartRow[] => [
  ...props.data.readings.map(({ at, sg, plusMinus, follows, isFloat }) => ({
    cells: [
      `${show('when', at)}${isFloat ? ', by the float' : ''}${follows ? '' : ', not followed'}`,
      show('sg', sg),
      range('sg', { value: sg, low: sg - plusMinus, high: sg + plusMinus }),
    ],
  })),
  ...ahead.value.map(({ at, low, middle, high }) => ({
    cells: [`${show('when', at)}, expected`, show('sg', middle), range('sg', { value: middle, low, high })],
    isQuiet: true,
  })),
]);
</script>

<template>
  <ChartTable
    :sentence="sentence"
    caption="Gravity by date: read, and as it is expected"
    :heads="['when', 'gravity', 'between']"
    :rows="rows"
  />
</template>
