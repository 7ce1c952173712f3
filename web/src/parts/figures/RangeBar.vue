<script setup lang="ts">
import type { Ranged } from '@hollow-bell/core/quantities';
import { computed } from 'vue';

const props = defineProps<{ figure: Ranged }>();

/** The range takes the middle of the line; its dot stands where the value lies in it. */
const MIDDLE = { from: 26, width: 48 };
const dot = computed(() => {
  const { value, low, high } = props.figure;
  return MIDDLE.from + MIDDLE.width * (high > low ? (value - low) / (high - low) : 0.5);
});
</script>

<template>
  <svg class="bar" viewBox="0 0 100 8" preserveAspectRatio="none" aria-hidden="true">
    <rect x="0" y="3.500" width="100" height="1" class="line" />
    <rect :x="MIDDLE.from" y="1.500" :width="MIDDLE.width" height="5" class="range" />
    <rect :x="dot - 1.5" y="0" width="3" height="8" class="dot" />
  </svg>
</template>

<style scoped>
.bar {
  width: 100%;
  min-width: 60px;
  height: 8px;
}

.line {
  fill: var(--rule);
}

.range {
  fill: var(--verdigris-mid);
}

.dot {
  fill: var(--verdigris);
}
</style>
