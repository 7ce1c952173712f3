<script setup lang="ts">
import { SHELF_KINDS } from '@hollow-bell/contract';
import type { ShelfKind, Shelved } from '@hollow-bell/contract';
import { useNow } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import PickList from '../parts/fields/PickList.vue';
import ShelfImport from '../parts/shelf/ShelfImport.vue';
import ShelfItemDialog from '../parts/shelf/ShelfItemDialog.vue';
import ShelfRow from '../parts/shelf/ShelfRow.vue';
import { saveFile } from '../api/saveFile.ts';
import { misfitOf, shelfItemShape } from '@hollow-bell/contract';
import { shelfToCsv } from '@hollow-bell/tell/shelf';
import { csvToShelf } from '@hollow-bell/tell/shelf-in';
import type { ReadCsv } from '@hollow-bell/tell/shelf-in';
import { useTableFile } from '../composables/useTableFile.ts';
import TableReading from '../parts/fields/TableReading.vue';
import { useShelf } from '../stores/shelf.ts';

const shelf = useShelf();
const clock = useNow({ interval: 60_000 });
const now = computed(() => clock.value.getTime());
onMounted(() => shelf.load());

const sought = ref('');
const showsAway = ref(false);
const edited = ref<Shelved | ShelfKind | null>(null);
const file = ref<{ name: string; read: ReadCsv } | null>(null);
const chooser = ref<HTMLInputElement | null>(null);
const KINDS = SHELF_KINDS.map((kind) => ({ value: kind, label: kind }));

const isHoney = ({ item }: Shelved): boolean => item.detail.kind === 'ingredient' && item.detail.family === 'honey';
const PLANKS: { title: string; holds: (shelved: Shelved) => boolean }[][] = [
  [
    { title: 'Honey', holds: isHoney },
    { title: 'Fruit, juice and the rest of the must', holds: (s) => s.item.detail.kind === 'ingredient' && !isHoney(s) },
  ],
  [
    { title: 'Yeast', holds: (s) => s.item.detail.kind === 'yeast' },
    { title: 'Nutrients and chemicals', holds: (s) => s.item.detail.kind === 'nutrient' || s.item.detail.kind === 'chemical' },
    { title: 'Bottles and closures', holds: (s) => s.item.detail.kind === 'bottle' || s.item.detail.kind === 'closure' },
    { title: 'Vessels and instruments', holds: (s) => s.item.detail.kind === 'vessel' || s.item.detail.kind === 'instrument' },
  ],
];
const seen = computed(() => {
  const word = sought.value.trim().toLowerCase();
  return shelf.shelved.filter(
    ({ item }) => (showsAway.value || !item.putAway) && `${item.name} ${item.note} ${item.detail.kind}`.toLowerCase().includes(word),
  );
});
const columns = computed(() =>
  PLANKS.map((planks) =>
    planks.map(({ title, holds }) => ({ title, things: seen.value.filter(holds) })).filter(({ things }) => things.length > 0),
  ),
);
const hasAway = computed(() => shelf.shelved.some(({ item }) => item.putAway));

function download(): void {
  saveFile('shelf.csv', 'text/csv', shelfToCsv(shelf.shelved.map(({ item }) => item)));
}

const { progress, problem, read, stop } = useTableFile(({ name, text }) => {
  file.value = {
    name,
    read: csvToShelf(
      text,
      () => crypto.randomUUID(),
      (item) => misfitOf(shelfItemShape, item),
    ),
  };
});
function readFile(event: Event): void {
  const input = event.target as HTMLInputElement;
  const [chosen] = input.files ?? [];
  if (chosen !== undefined) void read(chosen);
  input.value = '';
}
</script>

<template>
  <section class="shelf">
    <header class="bench-head">
      <h1>Shelf</h1>
      <span class="beside">what batches take is taken off, and given back when an entry is taken back</span>
    </header>
    <div class="tools no-print">
      <input v-model="sought" class="line-input" type="search" placeholder="Find on the shelf" aria-label="Find on the shelf" />
      <PickList
        :model-value="'' as ShelfKind"
        label="Add"
        hide-label
        class="add"
        :options="KINDS"
        placeholder="Add…"
        @update:model-value="edited = $event"
      />
      <span class="gap" />
      <label v-if="hasAway" class="small"><input v-model="showsAway" type="checkbox" /> what is put away too</label>
      <button type="button" class="link" @click="download">CSV out</button>
      <button type="button" class="link" @click="chooser?.click()">CSV in</button>
      <input ref="chooser" type="file" accept=".csv,text/csv" hidden data-test="csv" @change="readFile" />
    </div>
    <TableReading :progress="progress" :problem="problem" @stop="stop" />
    <p v-if="shelf.problem !== ''" class="refusal" role="alert">
      {{ shelf.problem }} <button type="button" class="link" @click="shelf.load()">Try again</button>
    </p>
    <p v-else-if="!shelf.loaded" class="quiet">Looking at the shelf…</p>
    <p v-else-if="shelf.shelved.length === 0" class="quiet empty">
      The shelf is empty. Put your honeys on it first: what they cost and how much is left then stands in every plan.
      <button type="button" class="link" @click="edited = 'ingredient'">Add a honey</button>
    </p>
    <p v-else-if="seen.length === 0" class="quiet empty">Nothing here is called “{{ sought }}”.</p>
    <div class="planks">
      <div v-for="(planks, i) in columns" :key="i" class="column">
        <section v-for="plank in planks" :key="plank.title">
          <h2>{{ plank.title }}</h2>
          <ul>
            <ShelfRow v-for="shelved in plank.things" :key="shelved.item.id" :shelved="shelved" :now="now" @open="edited = shelved" />
          </ul>
        </section>
      </div>
    </div>
    <ShelfItemDialog
      v-if="edited !== null"
      :key="typeof edited === 'string' ? edited : edited.item.id"
      :from="edited"
      @close="edited = null"
    />
    <ShelfImport v-if="file !== null" :read="file.read" :file-name="file.name" @close="file = null" />
  </section>
</template>

<style scoped>
.shelf {
  padding-top: 14px;
}

.tools {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 18px;
  padding: 10px 0;
}

.tools .line-input {
  width: 220px;
}

.add {
  width: 130px;
}

.gap {
  flex: 1;
}

.planks {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 18px 44px;
}

.column {
  display: grid;
  align-content: start;
  gap: 18px;
}

h2 {
  padding-bottom: 4px;
  border-bottom: 2px solid var(--soot);
  box-shadow: 0 4px 0 var(--floor);
}

ul {
  padding-top: 4px;
}

.empty {
  padding: 24px 0;
}

@media (max-width: 1000px) {
  .planks {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
