<script setup lang="ts">
defineProps<{ locked: boolean; label: string }>();
defineEmits<{ press: [] }>();
</script>

<template>
  <button type="button" :aria-pressed="locked" :aria-label="label" :title="label" @click="$emit('press')">
    <svg viewBox="0 0 18 20" width="16" height="18" aria-hidden="true">
      <path :d="locked ? 'M5 9V6a4 4 0 0 1 8 0v3' : 'M5 9V6a4 4 0 0 1 7.500-2'" class="bow" />
      <rect x="2.500" y="9" width="13" height="9" rx="1.500" class="box" />
    </svg>
  </button>
</template>

<style scoped>
button {
  display: grid;
  place-items: center;
  width: 30px;
  height: 40px;
  padding: 0;
  border: 0;
  background: none;
  color: var(--soot-3);
  cursor: pointer;
}

.bow,
.box {
  fill: none;
  stroke: currentcolor;
  stroke-width: 1.6;
}

button[aria-pressed='true'] {
  color: var(--bronze);
}

button[aria-pressed='true'] .box {
  fill: currentcolor;
}

@media (max-width: 720px) {
  button {
    width: 44px;
    height: 44px;
  }
}
</style>
