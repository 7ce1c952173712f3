<script setup lang="ts">
import { leaveDemo } from '../../cellar.ts';
</script>

<template>
  <aside class="strip small no-print" aria-label="The demo">
    A made-up cellar to look around in: write what you like, nothing of your own is here.
    <button type="button" class="link" @click="leaveDemo">Leave the demo</button>
  </aside>
</template>

<style scoped>
.strip {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: center;
  gap: 2px 14px;
  padding: 5px 16px;
  background: var(--bronze-soft);
}

.strip .link {
  color: var(--soot);
}
</style>
