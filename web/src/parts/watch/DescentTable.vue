<script setup lang="ts">
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
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
</script>

<template>
  <details class="told no-print">
    <summary>The same as a table</summary>
    <p>{{ sentence }}</p>
    <table>
      <caption class="visually-hidden">
        Gravity by date: read, and as it is expected
      </caption>
      <thead>
        <tr>
          <th scope="col">when</th>
          <th scope="col">gravity</th>
          <th scope="col">between</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="{ at, sg, plusMinus, follows, isFloat } in data.readings" :key="`read ${at}`">
          <td>{{ show('when', at) }}{{ isFloat ? ', by the float' : '' }}{{ follows ? '' : ', not followed' }}</td>
          <td>{{ show('sg', sg) }}</td>
          <td>{{ range('sg', { value: sg, low: sg - plusMinus, high: sg + plusMinus }) }}</td>
        </tr>
        <tr v-for="{ at, low, middle, high } in ahead" :key="`ahead ${at}`" class="quiet">
          <td>{{ show('when', at) }}, expected</td>
          <td>{{ show('sg', middle) }}</td>
          <td>{{ range('sg', { value: middle, low, high }) }}</td>
        </tr>
      </tbody>
    </table>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  padding: 4px 0;
  color: var(--soot-2);
  font-size: 13px;
  cursor: pointer;
}

table {
  width: 100%;
  border-collapse: collapse;
}

th,
td {
  padding: 4px 10px 4px 0;
  border-bottom: 1px solid var(--rule);
  text-align: left;
}
</style>
