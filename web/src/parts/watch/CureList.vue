<script setup lang="ts">
import { cureUnderWay, nextCure, restartPlan } from '@hollow-bell/core/watch';
import type { Cure, StallEvidence } from '@hollow-bell/core/watch';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import RaiseBatchPh from '../feed/RaiseBatchPh.vue';
import SentenceText from '../figures/SentenceText.vue';

const props = defineProps<{ cures: readonly Cure[]; evidence: StallEvidence }>();

const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();

const underWay = computed(() => cureUnderWay(store.ledger));
const stillSince = computed(() => props.evidence.still?.at ?? store.now);
const next = computed(() => nextCure(props.cures, store.ledger, stillSince.value));
/** When a cure was last tried on this stall; null where it was not. */
const triedAt = ({ id }: Cure): number | null =>
  store.ledger.care.cures.findLast(({ cure, at }) => cure === id && at >= stillSince.value)?.at ?? null;
const rows = computed(() =>
  props.cures.map((cure) => {
    const tried = triedAt(cure);
    return {
      cure,
      tried: tried === null ? '' : `Tried ${show('when', tried)}.`,
      readAgain: cure.readAgainH === 0 ? '' : `Read after ${cure.readAgainH >= 48 ? `${Math.round(cure.readAgainH / 24)} days` : 'a day'}.`,
      isOffered: cure.deed !== null && (underWay.value === null || tried === null),
      isNext: cure.id === next.value?.id && underWay.value === null,
    };
  }),
);
const starter = computed(() => {
  const { last, volumeL } = props.evidence;
  return last !== null && props.cures.some(({ id }) => id === 'restart') ? { volumeL, sg: last.sg } : null;
});
const steps = computed(() => (starter.value === null ? [] : restartPlan(starter.value.volumeL, starter.value.sg)));

const make = ({ deed }: Cure): Promise<boolean> =>
  attempt(async () => {
    if (deed !== null) await store.write(deed.events, tell(deed.label));
  });
const beginStarter = (): Promise<boolean> =>
  attempt(async () => {
    if (starter.value !== null) await store.write([{ kind: 'restart', payload: starter.value }], 'a starter, step by step on Rounds');
  });
</script>

<template>
  <h3>What now, gentlest first</h3>
  <p v-if="underWay !== null" class="caution" data-test="under-way">
    Since {{ show('when', underWay.at) }}: <SentenceText :sentence="underWay.told" />. Read it again {{ show('when', underWay.readAt) }},
    before anything else is changed.
  </p>
  <p v-else-if="cures.length > 1" class="small quiet">One change at a time; then read, before the next.</p>
  <ol class="cures rule-top">
    <li v-for="({ cure, tried, readAgain, isOffered, isNext }, i) in rows" :key="cure.id" :data-cure="cure.id">
      <span class="number">{{ i + 1 }}</span>
      <span
        ><SentenceText :sentence="cure.sentence" /> <span class="quiet">{{ readAgain }}</span> <span class="tried">{{ tried }}</span></span
      >
      <el-button
        v-if="isOffered && cure.deed !== null"
        class="no-print"
        :type="isNext ? 'primary' : 'default'"
        :loading="busy"
        @click="make(cure)"
        >{{ tell(cure.deed.label) }}</el-button
      >
    </li>
  </ol>
  <RaiseBatchPh v-if="cures.some(({ id }) => id === 'raise pH')" as-cure />
  <details v-if="steps.length > 0" class="side">
    <summary>The starter, step by step</summary>
    <ol class="cures rule-top">
      <li v-for="step in steps" :key="step.day">
        <span class="number">day {{ step.day }}</span
        ><SentenceText :sentence="step.sentence" />
      </li>
    </ol>
    <p class="no-print">
      <span v-if="store.ledger.care.restart !== null" class="quiet">Begun; its steps come up on Rounds, one by one.</span>
      <el-button v-else :loading="busy" @click="beginStarter">Begin it; put its steps on Rounds</el-button>
    </p>
  </details>
  <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
</template>

<style scoped>
.tried {
  color: var(--verdigris);
  font-weight: 700;
}

.cures li {
  display: grid;
  grid-template-columns: 54px 1fr auto;
  align-items: center;
  gap: 4px 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

.number {
  color: var(--bronze);
  font-weight: 700;
}

summary {
  padding: 4px 0 8px;
  color: var(--bronze);
  cursor: pointer;
}

@media (max-width: 720px) {
  .cures li {
    grid-template-columns: 40px 1fr;
  }

  .cures .el-button {
    grid-column: 2;
    justify-self: start;
    min-height: 44px;
  }
}
</style>
