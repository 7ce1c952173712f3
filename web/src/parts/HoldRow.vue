<script setup lang="ts">
import { ref, watch } from 'vue';
import QuantityField from './QuantityField.vue';
import type { FieldKind } from './QuantityField.vue';

const props = defineProps<{ label: string; kind: FieldKind; value: number; held: boolean }>();
const emit = defineEmits<{ hold: [value: number] }>();

/** What is shown follows the must, unless the maker is typing into this very field. */
const typed = ref<number | null>(props.value);
watch(
  () => props.value,
  (value) => {
    typed.value = value;
  },
);

function take(value: number | null): void {
  typed.value = value;
  if (value !== null) emit('hold', value);
}
</script>

<template>
  <div class="hold" :class="{ held }">
    <button type="button" :aria-pressed="held" :aria-label="held ? `${label} is held` : `Hold ${label}`" @click="emit('hold', value)">
      <svg viewBox="0 0 18 20" width="16" height="18" aria-hidden="true">
        <path :d="held ? 'M5 9V6a4 4 0 0 1 8 0v3' : 'M5 9V6a4 4 0 0 1 7.500-2'" class="bow" />
        <rect x="2.500" y="9" width="13" height="9" rx="1.500" class="box" />
      </svg>
    </button>
    <span>{{ label }}</span>
    <QuantityField :model-value="typed" :kind="kind" :label="label" hide-label @update:model-value="take" />
  </div>
</template>

<style scoped>
.hold {
  display: grid;
  grid-template-columns: 34px 1fr 116px;
  align-items: center;
  min-height: 42px;
  border-bottom: 1px solid var(--rule);
}

button {
  display: grid;
  place-items: center;
  width: 34px;
  height: 40px;
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

.held {
  background: var(--bronze-soft);
}

.held button {
  color: var(--bronze);
}

.held .box {
  fill: currentcolor;
}

.held span {
  font-weight: 680;
}
</style>
