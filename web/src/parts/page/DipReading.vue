<script setup lang="ts">
import type { Candidate, DipReading } from '@hollow-bell/tell/dip';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { ButtonInstance } from 'element-plus';
import { computed, ref, useTemplateRef, watch } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useDip } from '../../composables/useDip.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useOutbox } from '../../stores/outbox.ts';
import { useRounds } from '../../stores/rounds.ts';
import SentenceText from '../figures/SentenceText.vue';

/** What the typed line means, shown before it is written; loaded once the line is used. */
const props = defineProps<{ acrossBatches?: boolean; isEntered?: boolean }>();
const typed = defineModel<string>({ required: true });
const emit = defineEmits<{ pressed: [line: string] }>();

const store = useBatch();
const rounds = useRounds();
const outbox = useOutbox();
const { dip, load, context } = useDip();
const { tell, show } = useReader();
const { refusal, busy, attempt } = useAttempt();
void load();

/** Not yet understood: what reads it, or the batch that it names, is on its way. */
const LOADING = { said: ['One moment…'], candidates: [] } as const;
type Understanding = { read: DipReading; told: string } | { said: Sentence; candidates: readonly Candidate[] } | null;

/** What can be made of something typed, or why nothing can, with what may have been meant. */
function understand<T>(read: () => T): { got: T } | { said: Sentence; candidates: readonly Candidate[] } {
  try {
    return { got: read() };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { said: error.said, candidates: dip.value !== null && error instanceof dip.value.DipAsk ? error.candidates : [] };
  }
}

/** On Rounds the line begins with a batch's name; in a batch it needs none. */
const named = computed(() => {
  const words = dip.value;
  if (!props.acrossBatches || words === null || typed.value.trim() === '') return null;
  return understand(() => words.takeBatchName(typed.value, rounds.standing));
});
const chosen = computed(() => (named.value !== null && 'got' in named.value ? named.value.got : null));
watch(
  () => chosen.value?.batch.id,
  (id) => {
    if (id !== undefined && store.batch?.id !== id) void store.open(id);
  },
);

const understanding = computed<Understanding>(() => {
  const words = dip.value;
  if (typed.value.trim() === '') return null;
  if (words === null) return LOADING;
  if (named.value !== null && !('got' in named.value)) return named.value;
  const batch = chosen.value?.batch;
  if (props.acrossBatches && store.batch?.id !== batch?.id) return LOADING;
  const whose = batch === undefined ? '' : `${batch.name}: `;
  const read = understand(() => words.readDipLine(chosen.value?.rest ?? typed.value, context.value));
  if (!('got' in read)) {
    const lead = batch === undefined ? '' : `${batch.name} `;
    return { said: [whose, ...read.said], candidates: read.candidates.map((each) => ({ ...each, line: `${lead}${each.line}` })) };
  }
  const isPast = store.now - read.got.at > 60_000;
  return { read: read.got, told: `${whose}${tell(read.got.understood)}${isPast ? `, ${show('when', read.got.at)}` : ''}` };
});

const isSo = useTemplateRef<ButtonInstance>('isSo');
/** Entered before it was understood: it is written, or asked about, as soon as it is. */
const waits = ref(props.isEntered);
watch(
  understanding,
  (understood) => {
    if (!waits.value || understood === LOADING) return;
    waits.value = false;
    if (understood === null || !('read' in understood)) return;
    if (understood.read.doubts.length > 0) isSo.value?.ref?.focus();
    else void save();
  },
  { immediate: true, flush: 'post' },
);

async function save(): Promise<void> {
  const understood = understanding.value;
  waits.value = understood === LOADING;
  if (understood === null || !('read' in understood)) return;
  const { read, told } = understood;
  const kept = typed.value;
  const isNow = Math.abs(read.at - store.now) < 60_000;
  const written = await attempt(async () => {
    const at = isNow ? Date.now() : read.at;
    const sent = read.splits.length > 0 ? store.split(read.splits, at) : store.write(read.events, told, { at, isSure: true });
    typed.value = '';
    await sent;
  });
  if (!written) typed.value = kept;
  const refused = outbox.refused;
  if (refused !== null && refused.batchId === store.batch?.id) {
    typed.value = kept;
    refusal.value = tell(refused.sentence);
    outbox.refused = null;
  }
}

/** Where something wants a second look, the first Enter only goes to its answer. */
function enter(event: Event): void {
  const understood = understanding.value;
  if (understood === null || !('read' in understood) || understood.read.doubts.length === 0) return;
  event.preventDefault();
  isSo.value?.ref?.focus();
}

/** A press puts the likelier line into the field; what it means is shown before it is written. */
function press({ line }: Candidate): void {
  typed.value = line;
  emit('pressed', line);
}

/** What was refused is typed anew. */
const forget = (): void => {
  waits.value = false;
  refusal.value = '';
};

defineExpose({ save, enter, forget });
</script>

<template>
  <div v-if="typed.trim() !== '' || refusal !== ''" class="under" role="status">
    <span v-if="refusal !== ''" class="refusal">{{ refusal }}</span>
    <template v-else-if="understanding !== null && 'read' in understanding">
      <span>
        {{ understanding.told }}
        <SentenceText v-for="(doubt, i) in understanding.read.doubts" :key="i" class="doubt" :sentence="doubt" />
      </span>
      <el-button ref="isSo" type="primary" native-type="submit" :loading="busy">{{
        understanding.read.doubts.length > 0 ? 'It is so' : 'Write it down'
      }}</el-button>
    </template>
    <template v-else-if="understanding !== null">
      <SentenceText class="refusal" :sentence="understanding.said" />
      <span v-if="understanding.candidates.length > 0" class="presses">
        <el-button v-for="each in understanding.candidates" :key="each.line" size="small" @click="press(each)">{{
          tell(each.said)
        }}</el-button>
      </span>
    </template>
  </div>
</template>

<style scoped>
.presses {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
}

.presses :deep(.el-button + .el-button) {
  margin-left: 0;
}

.doubt {
  display: block;
  color: var(--madder);
}

.under {
  position: absolute;
  z-index: 20;
  inset: calc(100% + 3px) 0 auto;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 8px 10px;
  border: 1px solid var(--soot-3);
  background: var(--paper);
}

@media (max-width: 720px) {
  .presses :deep(.el-button) {
    min-height: 44px;
  }
}
</style>
