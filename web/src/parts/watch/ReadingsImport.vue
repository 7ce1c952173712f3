<script setup lang="ts">
import type { EventContent } from '@hollow-bell/core/record';
import { SHOWN_UNITS } from '@hollow-bell/core/quantities';
import { computed, onMounted, ref, watch } from 'vue';
import PickList from '../fields/PickList.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { eventSentence } from '@hollow-bell/core/record';
import { MOST_ROWS, ROLES, guessRoles, readTable, tableOf } from '@hollow-bell/tell/readings';
import type { DateOrder, ReadRow, Role } from '@hollow-bell/tell/readings';
import { useBatch } from '../../stores/batch.ts';
import { useInstruments } from '../../composables/useInstruments.ts';
import { useShelf } from '../../stores/shelf.ts';
import { usePractice } from '../../stores/practice.ts';
import { useTableFile } from '../../composables/useTableFile.ts';
import MakerDialog from '../fields/MakerDialog.vue';
import TableReading from '../fields/TableReading.vue';

const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const shelf = useShelf();
onMounted(() => shelf.loadOnce());
const house = usePractice();
const instruments = useInstruments();
const { show, tell, typedBy } = useReader();
const { refusal, busy, attempt } = useAttempt();

/** So many are spelled out; of the others it says how many there are. */
const TOLD_PROBLEMS = 20;
const text = ref('');
const order = ref<DateOrder>('day first');
const tempUnit = ref(SHOWN_UNITS[house.practice.units].temp);
const table = computed(() => (text.value.trim() === '' ? null : tableOf(text.value)));
const roles = ref<Role[]>([]);
watch(table, (read) => {
  if (read !== null && (roles.value.length !== read.headings.length || roles.value.every((role) => role === 'nothing')))
    roles.value = guessRoles(read);
});
const found = computed(() =>
  table.value === null
    ? null
    : readTable(table.value, {
        roles: roles.value,
        order: order.value,
        tempUnit: tempUnit.value,
        by: typedBy.value,
        instruments: instruments.value,
        now: store.now,
        onRecord: store.events,
      }),
);
const contentsOf = ({ payload, note }: ReadRow): EventContent[] => [
  ...(payload === null ? [] : [{ kind: 'reading' as const, payload }]),
  ...(note === '' ? [] : [{ kind: 'note' as const, payload: { text: note } }]),
];
const told = (row: ReadRow): string =>
  contentsOf(row)
    .map((content) => tell(eventSentence(content)))
    .join('; ');
const ROLE_OPTIONS = ROLES.map((value) => ({ value, label: value }));
const ORDERS = [
  { value: 'day first' as const, label: 'day before month' },
  { value: 'month first' as const, label: 'month before day' },
];
const TEMPS = [
  { value: 'c' as const, label: '°C' },
  { value: 'f' as const, label: '°F' },
];

const rowsInFile = ref(0);
const {
  progress,
  problem: fileProblem,
  read: readFile,
  stop,
} = useTableFile((file) => {
  text.value = file.text;
  rowsInFile.value = file.rows;
});
function choose(event: Event): void {
  const file = (event.target as HTMLInputElement).files?.[0];
  if (file !== undefined) void readFile(file);
}
async function write(): Promise<void> {
  const rows = found.value?.good ?? [];
  const events = rows.flatMap((row) => contentsOf(row).map((content) => ({ content, at: row.at })));
  if (await attempt(() => store.writeAt(events, `${rows.length} rows of readings`, true))) emit('close');
}
</script>

<template>
  <MakerDialog title="Readings from a table" width="min(760px, 96vw)" @close="emit('close')">
    <div class="stack">
      <label>
        <span class="small quiet">paste rows here, from a spreadsheet or a CSV file</span>
        <textarea
          v-model="text"
          class="mono"
          rows="6"
          spellcheck="false"
          aria-label="Rows of readings"
          placeholder="2026-11-03 18:40; 1.072; 20.5"
        ></textarea>
      </label>
      <label class="small"
        >or choose a file, up to {{ MOST_ROWS }} rows at once <input type="file" accept=".csv,.tsv,.txt,text/csv" @change="choose"
      /></label>
      <TableReading :progress="progress" :problem="fileProblem" @stop="stop" />
      <p v-if="rowsInFile > MOST_ROWS" class="small quiet">The file has {{ rowsInFile }} rows; its first stand above.</p>
      <template v-if="table !== null && found !== null">
        <div class="roles">
          <PickList v-for="(heading, i) in table.headings" :key="i" v-model="roles[i]!" :label="heading" :options="ROLE_OPTIONS" />
          <PickList v-model="order" label="dates have the" :options="ORDERS" />
          <PickList v-model="tempUnit" label="warmth in" :options="TEMPS" />
        </div>
        <ol v-if="found.problems.length > 0" class="rows" role="alert">
          <li v-for="problem in found.problems.slice(0, TOLD_PROBLEMS)" :key="problem.row" class="refusal">
            <b>Row {{ problem.row }}</b> {{ problem.sentence }}
          </li>
          <li v-if="found.problems.length > TOLD_PROBLEMS" class="quiet">and {{ found.problems.length - TOLD_PROBLEMS }} rows more</li>
        </ol>
        <ol class="rows small" aria-label="What was understood">
          <li v-for="row in found.good" :key="row.row">
            <span class="quiet">{{ show('when', row.at) }}</span> {{ told(row) }}
          </li>
        </ol>
        <p v-if="found.already > 0" class="small quiet">{{ found.already }} are on record to the minute already, and are left out.</p>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }} Nothing was written.</p>
        <p class="deeds">
          <el-button type="primary" :loading="busy" :disabled="found.good.length === 0 || found.good.length > MOST_ROWS" @click="write">{{
            found.problems.length === 0 ? `Write ${found.good.length}` : `Write ${found.good.length}, leave ${found.problems.length} out`
          }}</el-button>
        </p>
      </template>
    </div>
  </MakerDialog>
</template>

<style scoped>
textarea {
  width: 100%;
  padding: 6px;
  border: 1px solid var(--soot-3);
  border-radius: 3px;
  background: var(--paper);
  color: inherit;
  font-size: 14px;
}

.roles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(130px, 100%), 1fr));
  gap: 6px 14px;
}

.rows {
  display: grid;
  gap: 3px;
  max-height: 26vh;
  overflow-y: auto;
}

.rows b {
  display: inline-block;
  min-width: 58px;
}
</style>
