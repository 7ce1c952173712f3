<script setup lang="ts">
import { ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWriting } from '../../stores/writing.ts';

const props = defineProps<{
  batchId: string;
  notes: readonly { readonly eventId: string; readonly at: number; readonly text: string }[];
  wantsVerdict: boolean;
}>();
const emit = defineEmits<{ written: [] }>();
const writing = useWriting();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const note = ref('');
const word = ref('');

async function write(mark: 'next time' | 'verdict', text: string): Promise<void> {
  const said = text.trim();
  if (said === '') return;
  const told = mark === 'verdict' ? `in the end: ${said}` : `next time: ${said}`;
  if (
    await attempt(() =>
      writing.writeAt(props.batchId, [{ content: { kind: 'note', payload: { text: said, mark } }, at: Date.now() }], told),
    )
  ) {
    if (mark === 'verdict') word.value = '';
    else note.value = '';
    emit('written');
  }
}
</script>

<template>
  <div class="next">
    <form v-if="wantsVerdict" @submit.prevent="write('verdict', word)">
      <label
        ><span class="small quiet">the last one is gone: what was it, in the end?</span
        ><input v-model="word" class="line-input" maxlength="2000"
      /></label>
      <el-button native-type="submit" type="primary" :loading="busy" :disabled="word.trim() === ''">Say it</el-button>
    </form>
    <h2>Next time</h2>
    <ul>
      <li v-for="each in notes" :key="each.eventId">
        <i aria-hidden="true" />{{ each.text }}<span class="small quiet">{{ show('day', each.at) }}</span>
      </li>
    </ul>
    <form @submit.prevent="write('next time', note)">
      <label
        ><span class="small quiet">what to do differently</span
        ><input v-model="note" class="line-input" maxlength="2000" aria-label="Next time"
      /></label>
      <el-button native-type="submit" :loading="busy" :disabled="note.trim() === ''">Note it</el-button>
    </form>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.next {
  display: grid;
  align-content: start;
  gap: 8px;
}

li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  align-items: baseline;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}

i {
  width: 10px;
  height: 10px;
  border-radius: 50%;
  background: var(--bronze);
}

form {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: end;
}
</style>
