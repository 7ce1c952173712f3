<script setup lang="ts">
import { HAPPENINGS, eventSentence, inKeeping } from '@hollow-bell/core/record';
import type { CorrectedField, LogEntry, Replacement } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { computed, onMounted, ref } from 'vue';
import EntryPictures from '../pictures/EntryPictures.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useRounds } from '../../stores/rounds.ts';
import MakerDialog from '../fields/MakerDialog.vue';

const props = defineProps<{ entry: LogEntry }>();
const emit = defineEmits<{ close: [] }>();

const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const standing = props.entry.standing;
/** A gravity or °Brix, whichever was read; all else may be added to a reading that had none. */
const isOfOtherGlass = (name: string): boolean => ['sg', 'brix'].includes(name) && !(name in standing.payload);
const corrects: readonly CorrectedField[] = HAPPENINGS[standing.kind].corrects;
const fields = corrects.flatMap(({ name, label, kind, limits }) =>
  kind === 'text' || (standing.kind === 'reading' && isOfOtherGlass(name)) ? [] : [{ name, label, kind, limits }],
);
const words = corrects.filter(({ kind }) => kind === 'text');
const rounds = useRounds();
const moveTo = ref('');
const others = computed(() =>
  rounds.standing.filter(({ id }) => id !== store.batch?.id).map(({ id, name }) => ({ value: id, label: name })),
);
onMounted(() => (standing.kind === 'reading' ? rounds.load() : undefined));
async function move(): Promise<void> {
  if (await attempt(() => store.move(props.entry.first.id, moveTo.value))) emit('close');
}
const wentTo = standing.kind === 'transferOut' ? standing.payload.toBatchId : null;
async function rejoin(): Promise<void> {
  if (wentTo !== null && (await attempt(() => store.rejoin(wentTo)))) emit('close');
}
const isPoured = HAPPENINGS[standing.kind].isTransfer === true;
const values = ref<Record<string, number | null>>(
  Object.fromEntries(fields.map(({ name }) => [name, (standing.payload as Record<string, number | undefined>)[name] ?? null])),
);
const texts = ref<Record<string, string>>(
  Object.fromEntries(words.map(({ name }) => [name, (standing.payload as Record<string, string | undefined>)[name] ?? ''])),
);
const toLocal = (at: number): string => new Date(at - new Date(at).getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
const time = ref(toLocal(standing.happenedAt));
const title = computed(() => `Correct: ${tell(eventSentence(standing))}`);

function replacement(): Replacement {
  const happenedAt = time.value === toLocal(standing.happenedAt) ? standing.happenedAt : new Date(time.value).getTime();
  if (!Number.isFinite(happenedAt)) throw new Refusal('The time is not complete; give a day and a clock time.');
  const changed = Object.fromEntries(Object.entries(values.value).filter(([, value]) => value !== null));
  const kept = Object.fromEntries(Object.entries(standing.payload).filter(([name]) => !(name in values.value)));
  const said = Object.fromEntries(Object.entries(texts.value).flatMap(([name, text]) => (text.trim() === '' ? [] : [[name, text.trim()]])));
  return inKeeping({ kind: standing.kind, payload: { ...kept, ...changed, ...said }, happenedAt } as Replacement);
}

async function save(what: 'correct' | 'take back' | 'bring back'): Promise<void> {
  const eventId = props.entry.first.id;
  const done = await attempt(
    () => {
      const lastAmendment = props.entry.amendments.at(-1)?.id;
      if (what === 'take back') return store.withdraw([eventId], `took back ${tell(eventSentence(standing))}`);
      if (what === 'bring back' && lastAmendment !== undefined)
        return store.withdraw([lastAmendment], `brought back ${tell(eventSentence(standing))}`);
      return store.write(
        [{ kind: 'amendment', payload: { eventId, replacement: replacement() } }],
        `corrected ${tell(eventSentence(standing))}`,
      );
    },
    { isWhole: what === 'correct' },
  );
  if (done) emit('close');
}
</script>

<template>
  <MakerDialog :title="title" width="min(460px, 94vw)" @close="emit('close')">
    <form class="stack" @submit.prevent="save('correct')">
      <template v-if="!entry.withdrawn && !isPoured">
        <div class="measures">
          <QuantityField
            v-for="field in fields"
            :key="field.name"
            v-model="values[field.name]!"
            :kind="field.kind"
            :label="field.label"
            :needed="field.name in standing.payload && standing.kind !== 'reading'"
            v-bind="field.limits === undefined ? {} : { limits: field.limits }"
          />
        </div>
        <label v-for="each in words" :key="each.name"
          ><span class="small quiet">{{ each.label }}</span
          ><el-input
            v-model="texts[each.name]"
            :type="each.name === 'text' ? 'textarea' : 'text'"
            :rows="3"
            :maxlength="each.name === 'text' ? 2000 : 80"
        /></label>
        <label class="time"><span class="small quiet">when</span><input v-model="time" type="datetime-local" class="mono" /></label>
      </template>
      <p v-if="standing.kind === 'reading' && !entry.withdrawn && others.length > 0" class="deeds">
        <PickList v-model="moveTo" label="it belongs to another batch" :options="others" />
        <el-button v-if="moveTo !== ''" :loading="busy" @click="move">Move it there</el-button>
      </p>
      <p v-if="isPoured" class="quiet">
        {{
          entry.withdrawn
            ? 'It was taken back: what was split off is in this vessel again.'
            : wentTo === null
              ? 'Liquid that moved between batches stays where it went; to bring it back, blend.'
              : 'While nothing else was written in either batch it can be taken back: the other one is gone then, and its mead is here again.'
        }}
      </p>
      <p v-else class="small quiet">The old entry stays on record and can be seen in the log.</p>
      <EntryPictures :entry-id="entry.first.id" :of="tell(eventSentence(standing))" />
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <div class="deeds">
        <template v-if="isPoured">
          <el-button v-if="wentTo !== null && !entry.withdrawn" type="primary" :loading="busy" @click="rejoin">Take it back</el-button>
        </template>
        <el-button v-else-if="entry.withdrawn" type="primary" :loading="busy" @click="save('bring back')">Bring it back</el-button>
        <template v-else>
          <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked">Correct it</el-button>
          <el-button :loading="busy" @click="save('take back')">It never happened</el-button>
        </template>
      </div>
    </form>
  </MakerDialog>
</template>

<style scoped>
.measures {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 8px 22px;
}

.measures:empty {
  display: none;
}

.time {
  display: grid;
  gap: 2px;
}

.time input {
  height: 40px;
  padding: 0 4px;
  border: 0;
  border-bottom: 1px solid var(--soot-3);
  background: transparent;
  color: inherit;
}
</style>
