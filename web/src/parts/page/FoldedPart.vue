<script setup lang="ts">
import { ref } from 'vue';

/** A part that is folded away, and made when it is first opened. */
defineProps<{ summary: string }>();
const isMade = ref(false);
function toggled(event: Event): void {
  if ((event.target as HTMLDetailsElement).open) isMade.value = true;
}
</script>

<template>
  <details @toggle="toggled">
    <summary>{{ summary }}</summary>
    <slot v-if="isMade" />
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  padding: 4px 0 8px;
  color: var(--bronze);
  cursor: pointer;
}
</style>
