<script setup lang="ts">
import type { EventContent, LogEntry, Replacement } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import type { FieldKind } from '@hollow-bell/core/quantities';
import { computed, onMounted, ref } from 'vue';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { eventSentence } from '@hollow-bell/core/watch';
import { useBatch } from '../stores/batch.ts';
import { useRounds } from '../stores/rounds.ts';
import MakerDialog from './MakerDialog.vue';

const props = defineProps<{ entry: LogEntry }>();
const emit = defineEmits<{ close: [] }>();

/** The figures of each kind of entry that can be corrected, by the name they have in it. */
const FIELDS: Partial<Record<EventContent['kind'], { name: string; label: string; kind: FieldKind }[]>> = {
  reading: [
    { name: 'sg', label: 'gravity', kind: 'sg' },
    { name: 'brix', label: 'refractometer', kind: 'brix' },
    { name: 'tempC', label: 'sample at', kind: 'temp' },
    { name: 'ph', label: 'pH', kind: 'ph' },
    { name: 'taGPerL', label: 'acid, as tartaric', kind: 'gramsPerL' },
    { name: 'freeSo2MgPerL', label: 'free SO₂', kind: 'mgPerL' },
    { name: 'leesMm', label: 'lees', kind: 'mm' },
  ],
  honey: [{ name: 'massG', label: 'honey', kind: 'mass' }],
  ingredient: [{ name: 'massG', label: 'how much', kind: 'mass' }],
  strain: [{ name: 'massG', label: 'pulp, as it dripped', kind: 'smallMass' }],
  water: [{ name: 'volumeL', label: 'water', kind: 'volume' }],
  yeast: [{ name: 'massG', label: 'dry yeast', kind: 'smallMass' }],
  nutrient: [{ name: 'massG', label: 'nutrient', kind: 'smallMass' }],
  sulfite: [{ name: 'massG', label: 'metabisulfite', kind: 'smallMass' }],
  base: [{ name: 'massG', label: 'potassium salt', kind: 'smallMass' }],
  sorbate: [{ name: 'massG', label: 'potassium sorbate', kind: 'smallMass' }],
  removal: [{ name: 'volumeL', label: 'lost', kind: 'volume' }],
  rack: [{ name: 'volumeL', label: 'left after racking', kind: 'volume' }],
};

const store = useBatch();
const { tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const standing = props.entry.standing;
/** A reading shows only what was read then. */
const fields = (FIELDS[standing.kind] ?? []).filter(({ name }) => standing.kind !== 'reading' || name in standing.payload);
const rounds = useRounds();
const moveTo = ref('');
const others = computed(() =>
  rounds.standing.filter(({ id }) => id !== store.batch?.id).map(({ id, name }) => ({ value: id, label: name })),
);
onMounted(() => (standing.kind === 'reading' ? rounds.load() : undefined));
async function move(): Promise<void> {
  if (await attempt(() => store.move(props.entry.first.id, moveTo.value))) emit('close');
}
const values = ref<Record<string, number | null>>(
  Object.fromEntries(fields.map(({ name }) => [name, (standing.payload as Record<string, number | undefined>)[name] ?? null])),
);
const text = ref(standing.kind === 'note' ? standing.payload.text : '');
const toLocal = (at: number): string => new Date(at - new Date(at).getTimezoneOffset() * 60_000).toISOString().slice(0, 16);
const time = ref(toLocal(standing.happenedAt));
const title = computed(() => `Correct: ${tell(eventSentence(standing))}`);

function replacement(): Replacement {
  const happenedAt = time.value === toLocal(standing.happenedAt) ? standing.happenedAt : new Date(time.value).getTime();
  if (!Number.isFinite(happenedAt)) throw new Refusal('The time is not complete; give a day and a clock time.');
  const changed = Object.fromEntries(Object.entries(values.value).filter(([, value]) => value !== null));
  const kept = Object.fromEntries(Object.entries(standing.payload).filter(([name]) => !(name in values.value)));
  const payload =
    standing.kind === 'note' ? { ...standing.payload, text: text.value.trim() || standing.payload.text } : { ...kept, ...changed };
  return { kind: standing.kind, payload, happenedAt } as Replacement;
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
      <template v-if="!entry.withdrawn">
        <QuantityField
          v-for="field in fields"
          :key="field.name"
          v-model="values[field.name]!"
          :kind="field.kind"
          :label="field.label"
          :needed="standing.kind !== 'reading'"
        />
        <label v-if="standing.kind === 'note'"
          ><span class="small quiet">note</span><el-input v-model="text" type="textarea" :rows="3" maxlength="2000"
        /></label>
        <label class="time"><span class="small quiet">when</span><input v-model="time" type="datetime-local" class="mono" /></label>
      </template>
      <p v-if="standing.kind === 'reading' && !entry.withdrawn && others.length > 0" class="deeds">
        <PickList v-model="moveTo" label="it belongs to another batch" :options="others" />
        <el-button v-if="moveTo !== ''" :loading="busy" @click="move">Move it there</el-button>
      </p>
      <p class="small quiet">The old entry stays on record and can be seen in the log.</p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <div class="deeds">
        <el-button v-if="entry.withdrawn" type="primary" :loading="busy" @click="save('bring back')">Bring it back</el-button>
        <template v-else>
          <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked">Correct it</el-button>
          <el-button :loading="busy" @click="save('take back')">It never happened</el-button>
        </template>
      </div>
    </form>
  </MakerDialog>
</template>

<style scoped>
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
