<script setup lang="ts">
import { feedingPracticeOf } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { asksOf, byUrgency } from '@hollow-bell/core/rounds';
import type { Ask } from '@hollow-bell/core/rounds';
import { useNow } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import AskRow from '../parts/AskRow.vue';
import VesselFloor from '../parts/VesselFloor.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import { useCellar } from '../stores/cellar.ts';
import { usePractice } from '../stores/practice.ts';

const cellar = useCellar();
const store = useBatch();
const house = usePractice();
const clock = useNow({ interval: 20_000 });
const { tell, show } = useReader();
const { refusal, attempt } = useAttempt();
const working = ref<string | null>(null);

onMounted(() => cellar.load());

const standing = computed(() =>
  cellar.batches
    .filter((batch) => batch.ledger.bottled === null && batch.ledger.pouredG > 0)
    .map((batch) => ({
      batch,
      asks: asksOf(batch.ledger, feedingPlanOf(batch.ledger, feedingPracticeOf(batch.plan)), clock.value.getTime()).toSorted(byUrgency),
    })),
);
const rows = computed(() =>
  standing.value
    .flatMap(({ batch, asks }) => asks.filter((ask) => ask.bell !== 'still').map((ask) => ({ batch, ask })))
    .toSorted((a, b) => byUrgency(a.ask, b.ask)),
);
const asking = computed(() => new Set(rows.value.filter(({ ask }) => ask.bell !== 'muffled').map(({ batch }) => batch.id)).size);
const NUMBERS = ['None', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
const title = computed(() => {
  if (asking.value === 0) return 'All quiet.';
  return `${NUMBERS[asking.value] ?? asking.value} ${asking.value === 1 ? 'asks' : 'ask'} for you.`;
});
const today = computed(() => clock.value.toLocaleDateString(undefined, { weekday: 'long', day: 'numeric', month: 'long' }));

async function done(batchId: string, ask: Ask): Promise<void> {
  if (ask.done === null) return;
  const { label, events } = ask.done;
  working.value = batchId;
  await attempt(async () => {
    await store.open(batchId);
    await store.write(events, tell(label));
    await cellar.load();
  });
  working.value = null;
}
</script>

<template>
  <section>
    <header class="head">
      <h1>{{ title }}</h1>
      <span class="date quiet">{{ today }}</span>
      <span class="room quiet"
        >Room set to <b>{{ show('tempC', house.practice.roomTempC) }}</b></span
      >
    </header>
    <p v-if="cellar.problem !== ''" class="refusal" role="alert">
      {{ cellar.problem }} <button type="button" class="link" @click="cellar.load()">Try again</button>
    </p>
    <p v-else-if="!cellar.loaded" class="quiet">Looking at the vessels…</p>
    <div v-else-if="standing.length === 0" class="empty">
      <p>No vessel is filled yet.</p>
      <RouterLink v-slot="{ navigate }" :to="{ name: 'new' }" custom
        ><el-button type="primary" @click="navigate">Formulate a mead</el-button></RouterLink
      >
    </div>
    <template v-else>
      <VesselFloor :standing="standing" />
      <ul class="asks" aria-label="What the vessels ask for">
        <AskRow
          v-for="{ batch, ask } in rows"
          :key="`${batch.id} ${ask.station} ${ask.dueAt}`"
          :ask="ask"
          :batch-id="batch.id"
          :name="batch.name"
          :busy="working === batch.id"
          @done="done(batch.id, $event)"
        />
      </ul>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="rows.length === 0" class="quiet calm">Nothing is due. Sniff the airlocks and leave them be.</p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 16px;
  padding: 12px 0 8px;
}

.date {
  flex: 1;
  font-size: 17px;
}

.asks {
  margin-top: 12px;
  border-top: 1px solid var(--rule);
}

.empty {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding: 60px 0;
}

.calm {
  padding: 16px 0;
}

@media (max-width: 720px) {
  .room {
    display: none;
  }
}
</style>
