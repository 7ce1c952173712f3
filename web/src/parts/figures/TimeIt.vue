<script setup lang="ts">
import { clockTold, useTimer } from '../../composables/useTimer.ts';

/** Times one step; the timer stands on every view from then on, and rings. */
const props = defineProps<{ id: string; label: string; minutes: number }>();
const { leftS, start, stop } = useTimer(
  () => props.id,
  () => props.label,
);
</script>

<template>
  <span class="time-it no-print">
    <button v-if="leftS === null" type="button" class="link" @click="start(60 * minutes)">time it, {{ clockTold(60 * minutes) }}</button>
    <template v-else>
      <b class="number">{{ leftS === 0 ? 'time is up' : clockTold(leftS) }}</b>
      <button type="button" class="link" @click="stop">stop</button>
    </template>
  </span>
</template>
