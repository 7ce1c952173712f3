<script setup lang="ts">
defineProps<{ movedMs: number }>();
</script>

<template>
  <p class="clock no-print" role="alert">
    This machine’s clock was set {{ movedMs > 0 ? 'forward' : 'back' }} while Hollow Bell ran. Readings before and after lie not as far
    apart as their dates say: look at the dates in the log and correct those that are wrong, before you go by stillness. Start Hollow Bell
    again once the clock is right.
  </p>
</template>

<style scoped>
.clock {
  max-width: 1216px;
  margin: 4px auto;
  padding: 6px 12px;
  border-left: 4px solid var(--wax-fill);
  background: var(--wax-soft);
}
</style>
