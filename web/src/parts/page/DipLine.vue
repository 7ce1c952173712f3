<script setup lang="ts">
import { defineAsyncComponent, nextTick, ref, useTemplateRef } from 'vue';
import { useSingleKeys } from '../../composables/useSingleKeys.ts';

/** What understands the line is not needed by the first view. */
const DipReading = defineAsyncComponent(() => import('./DipReading.vue'));

defineProps<{ acrossBatches?: boolean }>();

const typed = ref('');
const isUsed = ref(false);
/** Enter was pressed before what reads the line had come: it is written as soon as it is understood. */
const isEntered = ref(false);
function save(): void {
  isEntered.value = reading.value === null;
  void reading.value?.save();
}
function forget(): void {
  isEntered.value = false;
  reading.value?.forget();
}
const field = ref<HTMLInputElement | null>(null);
const reading = useTemplateRef<{ save: () => Promise<void>; enter: (event: Event) => void; forget: () => void }>('reading');

/** The likelier line stands in the field, and the cursor where something is to be filled in. */
async function goOn(line: string): Promise<void> {
  await nextTick();
  const gap = line.indexOf('  ');
  field.value?.focus();
  const at = gap >= 0 ? gap + 1 : line.length;
  field.value?.setSelectionRange(at, at);
}

useSingleKeys(['dip'], () => field.value?.focus());
</script>

<template>
  <form class="dip no-print" @submit.prevent="save">
    <label class="line">
      <b>Dip line</b>
      <input
        ref="field"
        v-model="typed"
        class="mono"
        :placeholder="acrossBatches ? 'borage even 1.048 21c' : '1.048 21c · fed'"
        autocomplete="off"
        autocapitalize="off"
        spellcheck="false"
        maxlength="400"
        aria-label="Dip line"
        @focus="isUsed = true"
        @input="forget"
        @keydown.esc="typed = ''"
        @keydown.enter="reading?.enter($event)"
      />
      <kbd>/</kbd>
    </label>
    <DipReading
      v-if="isUsed"
      ref="reading"
      v-model="typed"
      :across-batches="acrossBatches === true"
      :is-entered="isEntered"
      @pressed="goOn"
    />
  </form>
</template>

<style scoped>
.dip {
  position: relative;
  flex: 0 1 372px;
  min-width: 0;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 40px;
  padding: 0 8px;
  border: 1.5px solid var(--soot);
  border-radius: 3px;
  background: var(--paper);
}

.line b {
  color: var(--bronze);
  white-space: nowrap;
}

input {
  flex: 1;
  width: 0;
  min-width: 0;
  border: 0;
  outline: 0;
  background: none;
  color: var(--soot);
  font-size: 16px;
}

.line:focus-within {
  outline: 2px solid var(--bronze);
  outline-offset: 1px;
}

input::placeholder {
  color: var(--soot-3);
}

kbd {
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  color: var(--soot-3);
  font: 13px var(--mono);
}

@media (max-width: 720px) {
  .dip {
    flex: 1 1 100%;
  }

  .line {
    height: 46px;
  }

  kbd {
    display: none;
  }
}
</style>
