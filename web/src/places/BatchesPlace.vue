<script setup lang="ts">
import { phaseTold } from '@hollow-bell/core/watch';
import { watchDebounced } from '@vueuse/core';
import type { BatchState, Fate } from '@hollow-bell/contract';
import { computed, onMounted, watch } from 'vue';
import { useRoute } from 'vue-router';
import PickList from '../parts/fields/PickList.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBook } from '../stores/book.ts';

const book = useBook();
const { show } = useReader();
const SHOWN: readonly { fate: Fate; label: string; none: string }[] = [
  { fate: 'kept', label: 'Standing and bottled', none: 'The book is empty. The first mead begins with its honey.' },
  { fate: 'archived', label: 'Put away', none: 'Nothing is put away.' },
  { fate: 'deleted', label: 'Deleted today', none: 'Nothing was deleted within a day.' },
];
const none = computed(() => SHOWN.find(({ fate }) => fate === book.fate)?.none ?? '');
const route = useRoute();
const STATES: readonly { state: BatchState | null; label: string }[] = [
  { state: null, label: 'all' },
  { state: 'planned', label: 'planned' },
  { state: 'standing', label: 'in a vessel' },
  { state: 'bottled', label: 'in bottles' },
];
const EVERY_YEAR = 0;
const years = computed(() => {
  const now = new Date().getFullYear();
  const first = book.firstAt === null ? now : new Date(book.firstAt).getFullYear();
  return [
    { value: EVERY_YEAR, label: 'any year' },
    ...Array.from({ length: now - first + 1 }, (_, i) => ({ value: now - i, label: `begun in ${now - i}` })),
  ];
});
const year = computed({
  get: () => book.year ?? EVERY_YEAR,
  set: (value: number) => {
    book.year = value === EVERY_YEAR ? null : value;
  },
});
function showAll(): void {
  book.find = '';
  book.state = null;
  book.year = null;
}
async function shows(fate: Fate): Promise<void> {
  book.fate = fate;
  await book.load();
}
const { refusal, attempt } = useAttempt();
const asked = SHOWN.find(({ fate }) => fate === route.query['shows']);
onMounted(() => shows(asked?.fate ?? 'kept'));
watchDebounced(
  () => book.find,
  () => book.load(),
  { debounce: 200 },
);
watch([() => book.state, () => book.year], () => book.load());
</script>

<template>
  <section>
    <header class="head">
      <h1>Batches</h1>
      <span class="begin">
        <RouterLink :to="{ name: 'found' }" class="small">Begin from one that stands already</RouterLink>
        <RouterLink v-slot="{ navigate }" :to="{ name: 'new' }" custom
          ><el-button type="primary" @click="navigate">Formulate a mead</el-button></RouterLink
        >
      </span>
    </header>
    <p class="fates small" role="group" aria-label="Which batches">
      <button
        v-for="each in SHOWN"
        :key="each.fate"
        type="button"
        class="link"
        :aria-pressed="book.fate === each.fate"
        @click="shows(each.fate)"
      >
        {{ each.label }}
      </button>
    </p>
    <p v-if="book.problem !== ''" class="refusal" role="alert">
      {{ book.problem }} <button type="button" class="link" @click="book.load()">Try again</button>
    </p>
    <p v-else-if="!book.loaded" class="quiet">Opening the book…</p>
    <template v-else>
      <div v-if="book.isLong || !book.isWhole" class="which">
        <el-input
          v-model="book.find"
          class="find"
          clearable
          aria-label="Find by name, honey or yeast"
          placeholder="name, honey or yeast"
          maxlength="80"
        />
        <span class="switches" role="group" aria-label="Where it stands">
          <button
            v-for="each in STATES"
            :key="each.label"
            type="button"
            :aria-pressed="book.state === each.state"
            @click="book.state = each.state"
          >
            {{ each.label }}
          </button>
        </span>
        <PickList v-model="year" label="Year" hide-label :options="years" />
      </div>
      <p v-if="book.batches.length === 0" class="quiet" role="status">
        <template v-if="book.isWhole">{{ none }}</template>
        <template v-else>No batch is like that. <button type="button" class="link" @click="showAll">Show all</button></template>
      </p>
      <ul v-else class="list">
        <li v-for="batch in book.batches" :key="batch.id">
          <RouterLink :to="{ name: 'batch', params: { id: batch.id } }">
            <b>{{ batch.name }}</b>
            <span>{{ phaseTold(batch.phase) }}</span>
            <span class="quiet">{{ batch.pitchedAt === null ? 'not pitched' : `pitched ${show('when', batch.pitchedAt)}` }}</span>
            <span class="number">{{ batch.sg === null ? '' : show('sg', batch.sg) }}</span>
            <span class="number">{{ batch.volumeL === null ? '' : show('volumeL', batch.volumeL) }}</span>
          </RouterLink>
          <p v-if="book.fate !== 'kept'" class="small back">
            <span v-if="batch.goneAt !== null" class="quiet">gone for good {{ show('when', batch.goneAt) }}</span>
            <button type="button" class="link" @click="attempt(() => book.bringBack(batch))">Bring it back</button>
          </p>
        </li>
      </ul>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="book.hasOlder" class="older">
        <el-button @click="book.older()">Older ones</el-button> <span class="refusal">{{ book.olderProblem }}</span>
      </p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  padding: 12px 0;
}

.begin,
.fates,
.back {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 16px;
}

.begin a {
  display: inline-block;
  padding: 4px 0;
}

.fates [aria-pressed='true'] {
  font-weight: 680;
  text-decoration: none;
  color: inherit;
}

.which {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 18px;
  margin-bottom: 12px;
}

.which > .find {
  flex: 0 1 280px;
}

.which > .pick {
  flex: 0 1 160px;
}

.older {
  padding: 12px 0;
}

.list {
  border-top: 1px solid var(--rule);
}

.list a {
  display: grid;
  grid-template-columns: 2fr 1.4fr 1.6fr 80px 90px;
  gap: 12px;
  align-items: center;
  min-height: 46px;
  border-bottom: 1px solid var(--rule);
  text-decoration: none;
}

.list a:hover b {
  text-decoration: underline;
}

.number {
  text-align: right;
  font-weight: 640;
}

@media (max-width: 720px) {
  .list a {
    grid-template-columns: 1fr auto;
    padding: 8px 0;
    gap: 2px 12px;
  }

  .list a > :nth-child(2) {
    text-align: right;
  }

  .number:last-child {
    display: none;
  }
}
</style>
