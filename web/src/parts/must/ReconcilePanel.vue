<script setup lang="ts">
import { reconcileMust } from '@hollow-bell/core/must';
import type { Explanation } from '@hollow-bell/core/must';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import SentenceText from '../figures/SentenceText.vue';

const store = useBatch();
const { show, range, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const found = computed(() => reconcileMust(store.events, store.batch?.plan.must.vessel.capacityL));
const SHOWN = 4;
const all = ref(false);
const explanations = computed(() => found.value?.explanations.slice(0, all.value ? undefined : SHOWN) ?? []);

const settle = ({ settles, sentence }: Explanation): Promise<boolean> => attempt(() => store.write(settles, `Settled: ${tell(sentence)}`));
</script>

<template>
  <section v-if="found !== null" :class="['reconcile', { inside: found.isInside }]" data-test="reconcile">
    <p v-if="found.isInside">
      <b>{{ show('sg', found.measuredSg) }}</b> is what was poured: the pours allow {{ range('sg', found.predicted) }}. The ledger goes on
      from the reading.
    </p>
    <template v-else>
      <p>
        <b>{{ show('sg', found.measuredSg) }}</b> is not what was poured, which gives {{ range('sg', found.predicted) }}. Most likely first:
      </p>
      <ol>
        <li v-for="(explanation, i) in explanations" :key="i" :data-explanation="explanation.id">
          <SentenceText :sentence="explanation.sentence" />
          <span class="small quiet"><SentenceText :sentence="explanation.check" /></span>
          <el-button v-if="explanation.settles.length > 0" size="small" :loading="busy" @click="settle(explanation)">{{
            explanation.id === 'unmixed' ? 'Stirred; read again' : 'That is it'
          }}</el-button>
        </li>
      </ol>
      <button v-if="!all && found.explanations.length > SHOWN" type="button" class="link" @click="all = true">
        {{ found.explanations.length - SHOWN }} more
      </button>
      <p class="small quiet">Settling corrects what was written down; it can be taken back in the log.</p>
    </template>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </section>
</template>

<style scoped>
.reconcile {
  display: grid;
  gap: 8px;
  padding: 10px 14px;
  border-left: 3px solid var(--wax-fill);
  background: var(--paper);
}

.inside {
  border-color: var(--verdigris);
}

.link {
  justify-self: start;
}

ol {
  display: grid;
}

ol > li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}

ol > li:first-child {
  font-weight: 640;
}

ol > li > .small {
  grid-row: 2;
  font-weight: 400;
}

ol > li > .el-button {
  grid-row: 1 / 3;
  grid-column: 2;
}

@media (max-width: 720px) {
  ol > li {
    grid-template-columns: minmax(0, 1fr);
  }

  ol > li > .el-button {
    grid-row: auto;
    grid-column: 1;
    justify-self: start;
  }
}
</style>
