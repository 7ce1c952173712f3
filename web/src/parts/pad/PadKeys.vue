<script setup lang="ts">
defineProps<{ beginnings: readonly string[]; ready: string; mark: string }>();
const emit = defineEmits<{ digit: [sign: string]; begin: [text: string]; erase: [] }>();
</script>

<template>
  <div class="keys" role="group" aria-label="Keys">
    <button
      v-for="each in beginnings"
      :key="each"
      type="button"
      class="begin mono"
      :class="{ ready: each === ready }"
      :aria-label="`begins ${each}`"
      :aria-pressed="each === ready"
      @click="emit('begin', each)"
    >
      {{ each }}_
    </button>
    <button v-for="each in 10" :key="each" type="button" class="digit" @click="emit('digit', String(each - 1))">{{ each - 1 }}</button>
    <button type="button" class="digit" :aria-label="mark === ',' ? 'comma' : 'point'" @click="emit('digit', mark)">{{ mark }}</button>
    <slot />
    <button type="button" class="word wide" @click="emit('erase')">erase</button>
  </div>
</template>

<style scoped>
.keys {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  border: solid var(--rule);
  border-width: 1px 0 0 1px;
}

.keys :deep(button) {
  min-width: 0;
  min-height: 56px;
  border: solid var(--rule);
  border-width: 0 1px 1px 0;
  border-radius: 0;
  background: none;
  color: var(--soot);
  font-family: inherit;
  cursor: pointer;
  touch-action: manipulation;
}

.keys :deep(button:hover),
.keys :deep(button:active) {
  background: var(--bronze-soft);
}

.keys :deep(.begin) {
  color: var(--soot-2);
  font: 16px var(--mono);
}

.keys :deep(.ready) {
  border-bottom: 3px solid var(--bronze);
  background: var(--bronze-soft);
  color: var(--soot);
}

.keys :deep(.digit) {
  font-size: 22px;
  font-weight: 700;
}

.keys :deep(.word) {
  font-size: 16px;
  font-weight: 640;
}

.keys :deep(.wide) {
  grid-column: span 2;
}

@media (max-height: 740px) {
  .keys :deep(button) {
    min-height: 48px;
  }
}
</style>
