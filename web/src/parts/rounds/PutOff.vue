<script setup lang="ts">
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { onMounted, ref } from 'vue';

/** What is asked for is left for later with a time, or for good with a reason. */
const emit = defineEmits<{ until: [at: number]; never: [reason: string]; close: [] }>();
const reason = ref('');
const root = ref<HTMLElement | null>(null);
const morning = (daysAhead: number): number => {
  const date = new Date();
  date.setDate(date.getDate() + daysAhead);
  return date.setHours(8, 0, 0, 0);
};
const TIMES: readonly (readonly [label: string, at: () => number])[] = [
  ['In 3 hours', () => Date.now() + 3 * HOUR_MS],
  ['Tomorrow at 8', () => morning(1)],
  ['In 3 days', () => morning(3)],
];
const own = ref('');
const problem = ref('');
function atOwn(): void {
  const at = new Date(own.value).getTime();
  if (!Number.isFinite(at) || at <= Date.now()) problem.value = 'Choose a time that is still to come.';
  else emit('until', at);
}
function never(): void {
  if (reason.value.trim() === '') problem.value = 'Say in a word why not; the log keeps it.';
  else emit('never', reason.value.trim());
}
onMounted(() => root.value?.querySelector('button')?.focus());
</script>

<template>
  <div ref="root" class="put-off no-print" @keydown.esc.stop="emit('close')">
    <p>
      <span class="small quiet">later</span>
      <button v-for="[label, at] in TIMES" :key="label" type="button" class="link" @click="emit('until', at())">
        {{ label }}
      </button>
      <input v-model="own" type="datetime-local" class="mono" aria-label="Later, at" />
      <button v-if="own !== ''" type="button" class="link" @click="atOwn">At that time</button>
    </p>
    <form @submit.prevent="never">
      <span class="small quiet">not at all, because</span>
      <input v-model="reason" class="line-input" maxlength="200" aria-label="Not at all, because" />
      <button type="submit" class="link">Leave it</button>
      <button type="button" class="link" @click="emit('close')">Never mind</button>
    </form>
    <p v-if="problem !== ''" class="refusal" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.put-off {
  display: grid;
  gap: 6px;
  padding: 6px 0 2px;
}

p,
form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 14px;
}

.line-input {
  flex: 1 1 160px;
  max-width: 320px;
}

input[type='datetime-local'] {
  border: 0;
  border-bottom: 1px solid var(--soot-3);
  background: transparent;
  color: inherit;
}

@media (max-width: 720px) {
  .link,
  input {
    min-height: 44px;
  }
}
</style>
