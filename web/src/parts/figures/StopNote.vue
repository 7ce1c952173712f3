<script setup lang="ts">
import BellMark from '../rounds/BellMark.vue';
</script>

<template>
  <p class="stop-note" role="alert">
    <BellMark bell="cracked" /><span><slot /></span>
  </p>
</template>

<style scoped>
.stop-note {
  display: grid;
  grid-template-columns: 34px 1fr;
  padding: 12px;
  border-left: 4px solid var(--madder);
  background: var(--madder-soft);
}
</style>
