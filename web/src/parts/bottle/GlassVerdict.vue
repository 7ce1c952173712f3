<script setup lang="ts">
import type { Judgement } from '@hollow-bell/core/glass';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import SentenceText from '../figures/SentenceText.vue';

/** What the judgement of closed glass says of this mead: why, what is known, and what opens it on which day. */
const props = defineProps<{ judgement: Judgement }>();
const emit = defineEmits<{ yes: []; already: []; keg: [] }>();
const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const STAYS: EventContent = { kind: 'staysHere', payload: {} };
const sayStays = (): Promise<boolean> => attempt(() => store.write([STAYS], tell(eventSentence(STAYS))));
const way = computed(() => props.judgement.ways[0]);
const head = computed(() => {
  if (props.judgement.verdict === 'ask') return 'Glass asks first.';
  return way.value === undefined ? 'Glass stays shut.' : `Glass is shut until ${show('day', way.value.at)}.`;
});
const rows = computed(() =>
  [
    { name: 'Known', sentence: props.judgement.known },
    { name: 'Doubt', sentence: props.judgement.doubt },
    { name: 'Never', sentence: props.judgement.never },
  ].flatMap(({ name, sentence }) => (sentence === null ? [] : [{ name, sentence }])),
);
</script>

<template>
  <div class="stack verdict" data-test="no-bottling">
    <h2 class="head">{{ head }}</h2>
    <p class="lead"><SentenceText :sentence="judgement.question ?? judgement.why" /></p>
    <dl class="rows">
      <template v-for="{ name, sentence } in rows" :key="name"
        ><dt>{{ name }}</dt>
        <dd><SentenceText :sentence="sentence" /></dd
      ></template>
      <template v-for="{ id, name, sentence } in judgement.waysTold" :key="id"
        ><dt>{{ name }}</dt>
        <dd>
          <SentenceText :sentence="sentence" />
          <el-button v-if="id === 'word'" class="stays" :loading="busy" @click="sayStays">It stays here</el-button>
        </dd></template
      >
    </dl>
    <div v-if="judgement.verdict === 'ask'" class="deeds">
      <el-button type="primary" @click="emit('yes')">Yes, it goes into glass</el-button>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <p class="quiet">
      <button type="button" class="link" @click="emit('keg')">A keg lets gas go by its valve: plan one</button>
      <template v-if="judgement.verdict === 'shut'">
        · <button type="button" class="link" data-test="already" @click="emit('already')">It is already in glass</button> writes down what
        has happened, and rings until the bottles are opened, vented or proven.</template
      >
    </p>
  </div>
</template>

<style scoped>
.verdict {
  max-width: 760px;
  padding-top: 12px;
}

.rows {
  display: grid;
  grid-template-columns: max-content minmax(0, 1fr);
  margin: 0;
}

.rows dt,
.rows dd {
  margin: 0;
  padding: 8px 18px 8px 0;
  border-top: 1px solid var(--rule);
}

.rows dt {
  font-weight: 700;
}

.stays {
  display: block;
  margin-top: 8px;
}

.head {
  font-size: 28px;
}
</style>
