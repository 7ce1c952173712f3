<script setup lang="ts">
import { Refusal } from '@hollow-bell/core/quantities';
import { computed, onMounted, ref, useId } from 'vue';
import { useGuardedField } from '../../composables/useFormGuard.ts';
import { useReader } from '../../composables/useReader.ts';

/** When it happened, in the maker's words; null is now. */
const at = defineModel<number | null>({ required: true });
const { typedBy, show, tell } = useReader();
const id = useId();
const typed = ref('');
const refusal = ref('');
let readWhen: ((typed: string, now: number, locale: string) => number) | null = null;
onMounted(async () => {
  readWhen = (await import('@hollow-bell/tell/dip')).readWhen;
});

function take(text: string): void {
  typed.value = text;
  refusal.value = '';
  at.value = null;
  if (text.trim() === '' || readWhen === null) return;
  try {
    const now = Date.now();
    const moment = readWhen(text, now, typedBy.value.locale);
    at.value = moment === now ? null : moment;
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    refusal.value = tell(error.said);
  }
}

useGuardedField(
  id,
  computed(() => ({ label: 'when', problem: refusal.value === '' ? 'none' : 'refused', said: refusal.value })),
);
</script>

<template>
  <label class="when" :for="id">
    <span class="small quiet">when{{ at === null ? '' : `: ${show('when', at)}` }}</span>
    <el-input
      :id="id"
      :model-value="typed"
      placeholder="now"
      autocomplete="off"
      :aria-invalid="refusal !== ''"
      @update:model-value="take(String($event))"
    />
    <span v-if="refusal !== ''" class="refusal small" role="alert">{{ refusal }}</span>
  </label>
</template>

<style scoped>
.when {
  display: grid;
  gap: 2px;
  min-width: 0;
}
</style>
