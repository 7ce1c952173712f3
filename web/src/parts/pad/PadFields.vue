<script setup lang="ts">
import type { PadField } from './usePadReading.ts';

export interface ShownField {
  field: PadField;
  label: string;
  /** What stands there faintly while nothing is pressed. */
  empty: string;
}
defineProps<{ fields: readonly ShownField[]; refused: PadField | null; textOf: (field: PadField) => string }>();
const here = defineModel<PadField>({ required: true });
</script>

<template>
  <div role="group" aria-label="What is read">
    <button
      v-for="{ field, label, empty } in fields"
      :key="field"
      type="button"
      :data-field="field"
      :class="{ here: here === field, refused: refused === field }"
      :aria-pressed="here === field"
      @click="here = field"
    >
      <span>{{ label }}</span>
      <b v-if="textOf(field) !== ''" class="mono">{{ textOf(field) }}</b>
      <b v-else class="mono empty">{{ empty }}</b>
    </button>
  </div>
</template>

<style scoped>
div {
  display: grid;
  grid-template-columns: 1.3fr 1fr 1fr 1fr;
}

button {
  display: grid;
  min-height: 54px;
  padding: 4px 6px;
  border: 0;
  border-bottom: 2px solid var(--rule);
  background: none;
  color: var(--soot);
  text-align: left;
  cursor: pointer;
}

span {
  color: var(--soot-2);
  font-size: 13px;
}

b {
  font-size: 19px;
}

.empty {
  color: var(--soot-3);
  font-weight: 400;
}

.here {
  border-color: var(--bronze);
}

.refused b {
  color: var(--madder);
}
</style>
