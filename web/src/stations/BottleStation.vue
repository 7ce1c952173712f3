<script setup lang="ts">
import { judge } from '@hollow-bell/core/glass';
import { isAllBottled } from '@hollow-bell/core/record';
import { traitsOf } from '@hollow-bell/core/watch';
import { computed, ref } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { useReader } from '../composables/useReader.ts';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import BottledPanel from '../parts/bottle/BottledPanel.vue';
import BottlePlan from '../parts/bottle/BottlePlan.vue';
import GlassVerdict from '../parts/bottle/GlassVerdict.vue';
import KegPlan from '../parts/bottle/KegPlan.vue';

const store = useBatch();
const { tell } = useReader();
const judgement = computed(() => judge(store.ledger, store.now));
/** What rings is said once, where it can be settled. */
const isAlarmed = computed(() => traitsOf(store.state.phase).isAlarm === true);
const isKeg = ref(false);
/** What the maker said to the judgement: yes to its question, or that it is in glass already. */
const said = ref<'yes' | 'already' | null>(null);
const isPlanned = computed(
  () => judgement.value.verdict === 'open' || said.value === 'already' || (judgement.value.verdict === 'ask' && said.value === 'yes'),
);
const word = computed(() => {
  const { question } = judgement.value;
  return said.value === 'yes' && question !== null ? `${tell(question)} Yes.` : null;
});
</script>

<template>
  <section>
    <StationHead v-if="isAlarmed" />
    <StationHead v-else>{{ tell(store.state.sentence) }}</StationHead>
    <BottledPanel v-if="store.ledger.history.bottled !== null" />
    <template v-if="!isAllBottled(store.ledger)">
      <GlassVerdict
        v-if="!isPlanned && !isKeg"
        :judgement="judgement"
        @yes="said = 'yes'"
        @already="said = 'already'"
        @keg="isKeg = true"
      />
      <p v-if="isPlanned && said === 'already'" class="caution" role="status">
        What is in glass already: write down when, and which bottles. It rings on Rounds until that is settled.
        <button type="button" class="link" @click="said = null">It is not</button>
      </p>
      <BottlePlan v-if="isPlanned && !isKeg" :word="word" @keg="isKeg = true" />
      <KegPlan v-if="isKeg" @bottles="isKeg = false" />
    </template>
    <BatchLog class="log-below" />
  </section>
</template>

<style scoped>
.log-below {
  margin-top: 26px;
  border-top: 1px solid var(--rule);
}
</style>
