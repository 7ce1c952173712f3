<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useWriting } from '../../stores/writing.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';

const props = defineProps<{ batchId: string; left: number }>();
const emit = defineEmits<{ written: [] }>();
const writing = useWriting();
const { tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();

const DEEDS = [
  { value: 'opened', label: 'opened' },
  { value: 'given', label: 'gave away' },
  { value: 'broken', label: 'broke' },
  { value: 'burst', label: 'burst' },
  { value: 'gushed', label: 'gushed' },
  { value: 'leaked', label: 'leaked' },
  { value: 'found', label: 'found again' },
  { value: 'kept', label: 'keep back' },
  { value: 'moved', label: 'moved all to' },
] as const;
type Deed = (typeof DEEDS)[number]['value'];
const deed = ref<Deed>('opened');
const count = ref<number | null>(1);
const to = ref('');
const isBack = ref(false);
const mayComeBack = computed(() => deed.value === 'opened' || deed.value === 'given');
const isPlace = computed(() => deed.value === 'moved');
const hasText = computed(() => deed.value === 'given' || isPlace.value);

function content(): EventContent {
  const many = count.value ?? 1;
  const text = to.value.trim();
  if (deed.value === 'moved') return { kind: 'moved', payload: { to: text } };
  if (deed.value === 'found') return { kind: 'bottleFound', payload: { count: many } };
  if (deed.value === 'kept') return { kind: 'bottleKept', payload: { count: many, until: null } };
  return {
    kind: 'bottleOut',
    payload: {
      count: many,
      end: deed.value,
      ...(deed.value === 'given' && text !== '' ? { to: text } : {}),
      ...(mayComeBack.value && isBack.value ? { back: true } : {}),
    },
  };
}
async function write(): Promise<void> {
  const event = content();
  const { at: then = Date.now() } = when.value;
  if (await attempt(() => writing.writeAt(props.batchId, [{ content: event, at: then }], tell(eventSentence(event))))) {
    to.value = '';
    count.value = 1;
    emit('written');
  }
}
</script>

<template>
  <form class="out" @submit.prevent="write">
    <PickList v-model="deed" label="what became of them" :options="DEEDS" />
    <QuantityField v-if="!isPlace" v-model="count" kind="count" label="how many" needed :limits="{ low: 0, high: 5000 }" />
    <label v-if="hasText"
      ><span class="small quiet">{{ isPlace ? 'where to' : 'to whom' }}</span
      ><input v-model="to" class="line-input" maxlength="80"
    /></label>
    <label v-if="mayComeBack" class="back small"><input v-model="isBack" type="checkbox" /> the empty is back</label>
    <WhenField v-model="at" />
    <el-button native-type="submit" :loading="busy" :disabled="blocked || (isPlace && to.trim() === '')">Write it</el-button>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </form>
</template>

<style scoped>
.out {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(120px, 100%), 1fr));
  gap: 6px 16px;
  align-items: end;
}

.back {
  display: flex;
  gap: 6px;
  align-items: center;
  min-height: 40px;
}

.refusal {
  grid-column: 1 / -1;
}
</style>
