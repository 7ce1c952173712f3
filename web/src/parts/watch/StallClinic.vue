<script setup lang="ts">
import { curesFor, rankCauses, stallEvidence, stallVerdict } from '@hollow-bell/core/watch';
import type { StallKind } from '@hollow-bell/core/watch';
import { computed } from 'vue';
import { useBatch } from '../../stores/batch.ts';
import CauseList from './CauseList.vue';
import CureList from './CureList.vue';
import SentenceText from '../figures/SentenceText.vue';

const store = useBatch();

const evidence = computed(() => stallEvidence(store.ledger, store.now, store.batch?.plan.practice.organicCredit ?? 1));
const verdict = computed(() => (evidence.value === null ? null : stallVerdict(evidence.value)));
const asksWhy = computed(() => verdict.value?.kind === 'stuck' || verdict.value?.kind === 'suspect' || verdict.value?.kind === 'slow');
const ranked = computed(() => (evidence.value === null || !asksWhy.value ? [] : rankCauses(evidence.value, store.ledger.care.findings)));
const cures = computed(() =>
  evidence.value === null || verdict.value === null ? [] : curesFor(verdict.value, evidence.value, ranked.value),
);

const HEAD: Record<StallKind, string> = {
  stuck: 'Stuck',
  suspect: 'It may be stuck',
  slow: 'Slow, not stuck',
  misread: 'First the reading',
  tolerance: 'Ended, not stuck',
  malt: 'Perhaps its end, not stuck',
  'near its end': 'Not stuck',
  lag: 'Not stuck',
  unread: 'First a reading',
  moving: 'Not stuck',
};
</script>

<template>
  <section
    v-if="verdict !== null && evidence !== null"
    class="clinic"
    aria-label="Is it stuck?"
    data-test="clinic"
    :data-kind="verdict.kind"
  >
    <h2>{{ HEAD[verdict.kind] }}</h2>
    <p><SentenceText :sentence="verdict.sentence" /></p>
    <CauseList v-if="ranked.length > 0" :ranked="ranked" />
    <CureList v-if="cures.length > 0" :cures="cures" :evidence="evidence" />
  </section>
</template>

<style scoped>
.clinic {
  display: grid;
  gap: 8px;
}

.clinic :deep(h3) {
  padding-top: 4px;
  font-size: 16px;
}
</style>
