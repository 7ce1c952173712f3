<script setup lang="ts">
import type { Batch } from '@hollow-bell/contract';
import type { MustPlan } from '@hollow-bell/core/must';
import { useRouter } from 'vue-router';
import StationHead from '../parts/log/StationHead.vue';
import MustPlanner from '../parts/must/MustPlanner.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import { useReader } from '../composables/useReader.ts';
import { eventSentence } from '@hollow-bell/core/record';
import { useBatch } from '../stores/batch.ts';
import { useKept } from '../stores/kept.ts';
import { computed } from 'vue';

const store = useBatch();
const kept = useKept();
const router = useRouter();
const { show } = useReader();
const isPlanned = computed(() => store.ledger.liquid.pouredG === 0);
const pours = computed(() =>
  store.log
    .filter(({ standing, withdrawn }) => !withdrawn && ['honey', 'ingredient', 'water', 'transferIn'].includes(standing.kind))
    .toReversed(),
);

async function save(name: string, must: MustPlan): Promise<void> {
  const batch = store.batch;
  if (batch === null) return;
  if (name !== batch.name) store.batch = await kept.write<Batch>({ what: 'name', id: batch.id, name });
  store.batch = await kept.write<Batch>({ what: 'plan', id: batch.id, afterVersion: batch.planVersion, plan: { ...batch.plan, must } });
  await router.push({ name: 'station', params: { id: batch.id, station: 'pitch' } });
}
</script>

<template>
  <MustPlanner
    v-if="store.batch !== null && isPlanned"
    :initial="store.batch.plan.must"
    :name="store.batch.name"
    deed="Save the plan"
    :draft-of="`${store.batch.id} ${store.batch.planVersion}`"
    :save="save"
  />
  <section v-else-if="store.batch !== null">
    <StationHead>mixed; the plan is kept as it was</StationHead>
    <div class="columns">
      <div class="stack">
        <h2>Planned</h2>
        <div class="pairs">
          <p v-for="line in store.batch.plan.must.ingredients" :key="line.id">
            <span>{{ line.name }}</span><b>{{ show('massG', line.massG) }}</b>
          </p>
          <p>
            <span>water</span><b>{{ show('volumeL', store.batch.plan.must.waterL) }}</b>
          </p>
        </div>
        <h2>Poured</h2>
        <ul class="pairs">
          <li v-for="entry in pours" :key="entry.first.id">
            <SentenceText :sentence="eventSentence(entry.standing)" /><span class="quiet small">{{
              show('when', entry.standing.happenedAt)
            }}</span>
          </li>
        </ul>
      </div>
      <div class="stack">
        <div class="pairs">
          <p>
            <span>Gravity by the recipe</span
            ><b>{{ store.ledger.history.predictedOg === null ? '' : show('sg', store.ledger.history.predictedOg) }}</b>
          </p>
          <p>
            <span>Gravity measured</span
            ><b>{{ store.ledger.history.measuredOg === null ? 'not measured' : show('sg', store.ledger.history.measuredOg) }}</b>
          </p>
        </div>
      </div>
    </div>
  </section>
</template>
