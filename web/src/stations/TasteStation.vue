<script setup lang="ts">
import { computed, ref } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const text = ref('');
const tastings = computed(() =>
  store.log.filter(({ standing, withdrawn }) => !withdrawn && standing.kind === 'note' && standing.payload.mark === 'tasting'),
);

async function save(): Promise<void> {
  const said = text.value.trim();
  if (said !== '' && (await attempt(() => store.write([{ kind: 'note', payload: { text: said, mark: 'tasting' } }], `tasting: ${said}`))))
    text.value = '';
}
</script>

<template>
  <section>
    <StationHead />
    <div class="columns">
      <div class="stack">
        <h2>What does it say today?</h2>
        <form class="stack" @submit.prevent="save">
          <el-input
            v-model="text"
            type="textarea"
            :rows="3"
            maxlength="2000"
            placeholder="who tasted, nose, mouth, what to do otherwise next time"
            aria-label="Tasting note"
          />
          <div class="deeds">
            <el-button type="primary" native-type="submit" :loading="busy" :disabled="text.trim() === ''">Write the tasting</el-button>
          </div>
        </form>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <p v-if="store.batch !== null && store.ledger.history.bottled !== null" class="caution">
          Opened one? Read its gravity too,
          <RouterLink :to="{ name: 'station', params: { id: store.batch.id, station: 'watch' } }">on Watch</RouterLink>: one that has fallen
          ferments in its glass.
        </p>
        <ul class="pairs">
          <li v-for="entry in tastings" :key="entry.first.id">
            <span>{{ entry.standing.kind === 'note' ? entry.standing.payload.text : '' }}</span><span class="quiet small">{{
              show('when', entry.standing.happenedAt)
            }}</span>
          </li>
        </ul>
        <p v-if="tastings.length === 0" class="quiet">No tasting yet.</p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>
