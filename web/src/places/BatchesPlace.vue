<script setup lang="ts">
import { phaseTold } from '@hollow-bell/core/watch';
import { watchDebounced } from '@vueuse/core';
import type { Fate } from '@hollow-bell/contract';
import { computed, onMounted } from 'vue';
import { useRoute } from 'vue-router';
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
async function shows(fate: Fate): Promise<void> {
  book.fate = fate;
  await book.load();
}
const { refusal, attempt } = useAttempt();
const asked = SHOWN.find(({ fate }) => fate === route.query['shows']);
onMounted(() => shows(asked?.fate ?? 'kept'));
watchDebounced(
  () => book.name,
  () => book.load(),
  { debounce: 200 },
);
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
      <el-input
        v-if="book.isLong || book.name !== ''"
        v-model="book.name"
        class="find"
        clearable
        aria-label="Find by name"
        placeholder="find by name"
        maxlength="80"
      />
      <p v-if="book.batches.length === 0" class="quiet" role="status">
        {{ book.name.trim() === '' ? none : `No batch has “${book.name.trim()}” in its name.` }}
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
  align-items: center;
  gap: 12px;
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

.fates [aria-pressed='true'] {
  font-weight: 680;
  text-decoration: none;
  color: inherit;
}

.find {
  max-width: 320px;
  margin-bottom: 12px;
}

.older {
  padding: 12px 0;
}

.list {
  border-top: 1px solid var(--rule);
}

a {
  display: grid;
  grid-template-columns: 2fr 1.4fr 1.6fr 80px 90px;
  gap: 12px;
  align-items: center;
  min-height: 46px;
  border-bottom: 1px solid var(--rule);
  text-decoration: none;
}

a:hover b {
  text-decoration: underline;
}

.number {
  text-align: right;
  font-weight: 640;
}

@media (max-width: 720px) {
  a {
    grid-template-columns: 1fr auto;
    padding: 8px 0;
    gap: 2px 12px;
  }

  a > :nth-child(2) {
    text-align: right;
  }

  .number:last-child {
    display: none;
  }
}
</style>
