<script setup lang="ts">
import { viewOf } from '@hollow-bell/core/ledger';
import { stateOf } from '@hollow-bell/core/watch';
import { computed, onMounted } from 'vue';
import { useReader } from '../composables/useReader.ts';
import { useCellar } from '../stores/cellar.ts';

const cellar = useCellar();
const { show, reader } = useReader();
onMounted(() => cellar.load());

const rows = computed(() =>
  cellar.batches.toReversed().map((batch) => {
    const view = viewOf(batch.ledger);
    const begun = batch.ledger.pitch?.at ?? null;
    return {
      batch,
      phase: stateOf(batch.ledger, reader.value.now).phase,
      begun: begun === null ? 'not pitched' : `pitched ${show('when', begun)}`,
      sg: view === null || batch.ledger.bottled !== null ? '' : show('sg', view.sg),
      volume: view === null || batch.ledger.bottled !== null ? '' : show('volumeL', view.volumeL),
    };
  }),
);
</script>

<template>
  <section>
    <header class="head">
      <h1>Batches</h1>
      <RouterLink v-slot="{ navigate }" :to="{ name: 'new' }" custom
        ><el-button type="primary" @click="navigate">Formulate a mead</el-button></RouterLink
      >
    </header>
    <p v-if="cellar.problem !== ''" class="refusal" role="alert">
      {{ cellar.problem }} <button type="button" class="link" @click="cellar.load()">Try again</button>
    </p>
    <p v-else-if="!cellar.loaded" class="quiet">Opening the book…</p>
    <p v-else-if="rows.length === 0" class="quiet">The book is empty. The first mead begins with its honey.</p>
    <ul v-else class="list">
      <li v-for="row in rows" :key="row.batch.id">
        <RouterLink :to="{ name: 'batch', params: { id: row.batch.id } }">
          <b>{{ row.batch.name }}</b>
          <span>{{ row.phase === 'empty' ? 'planned' : row.phase }}</span>
          <span class="quiet">{{ row.begun }}</span>
          <span class="number">{{ row.sg }}</span>
          <span class="number">{{ row.volume }}</span>
        </RouterLink>
      </li>
    </ul>
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

  .number:last-child {
    display: none;
  }
}
</style>
