<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent, GateByWord } from '@hollow-bell/core/record';
import type { Gate } from '@hollow-bell/core/stabilize';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** A gate of eye or tongue that stands shut may be opened by the maker's word, which stays on record. */
const props = defineProps<{ gates: readonly Gate[] }>();
const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const WORDS: Record<GateByWord, string> = { clear: 'clear enough for me', degassed: 'no prickle left' };
const isByWord = (id: string): id is GateByWord => id in WORDS;
const shut = computed(() => props.gates.filter(({ id, state }) => state === 'shut' && isByWord(id)));
const says = ref<Record<GateByWord, string>>({ ...WORDS });
function open(gate: string): Promise<boolean> | undefined {
  if (!isByWord(gate)) return;
  const event: EventContent = { kind: 'word', payload: { gate, says: says.value[gate].trim() } };
  return attempt(() => store.write([event], tell(eventSentence(event))));
}
</script>

<template>
  <details v-if="shut.length > 0" class="no-print">
    <summary class="small">Open a gate by your word</summary>
    <div class="words">
      <form v-for="gate in shut" :key="gate.id" @submit.prevent="open(gate.id)">
        <span class="small quiet">“{{ gate.name }}” by your word:</span>
        <input v-model="says[gate.id as GateByWord]" class="line-input" maxlength="200" :aria-label="`Your word for ${gate.name}`" />
        <el-button size="small" native-type="submit" :loading="busy">Open it</el-button>
      </form>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    </div>
  </details>
</template>

<style scoped>
.words {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 28px;
  padding: 6px 0;
}

form .line-input {
  width: min(190px, 100%);
}

form {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

@media (max-width: 720px) {
  form :deep(.el-button) {
    min-height: 44px;
  }
}
</style>
