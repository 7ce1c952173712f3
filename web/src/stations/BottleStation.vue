<script setup lang="ts">
import { isAllBottled } from '@hollow-bell/core/record';
import { ref } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { useReader } from '../composables/useReader.ts';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import StopNote from '../parts/figures/StopNote.vue';
import BottledPanel from '../parts/bottle/BottledPanel.vue';
import BottlePlan from '../parts/bottle/BottlePlan.vue';
import KegPlan from '../parts/bottle/KegPlan.vue';
import { whyNotBottle } from '@hollow-bell/core/watch';
import { computed } from 'vue';

const store = useBatch();
const { tell } = useReader();
const stop = computed(() => whyNotBottle(store.ledger, store.now));
const isKeg = ref(false);
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <BottledPanel v-if="store.ledger.history.bottled !== null" />
    <template v-if="!isAllBottled(store.ledger)">
      <div v-if="stop !== null" class="stack stopped">
        <StopNote data-test="no-bottling">Not into closed glass yet. <SentenceText :sentence="stop" /></StopNote>
        <p class="quiet">This stop cannot be overridden: burst glass hurts whoever stands beside it. Under an airlock the mead can wait.</p>
        <button v-if="!isKeg" type="button" class="link" @click="isKeg = true">A keg lets gas go by its valve: plan one</button>
      </div>
      <BottlePlan v-if="stop === null && !isKeg" @keg="isKeg = true" />
      <KegPlan v-if="isKeg" @bottles="isKeg = false" />
    </template>
    <BatchLog class="log-below" />
  </section>
</template>

<style scoped>
.stopped {
  max-width: 720px;
  padding-top: 12px;
}

.log-below {
  margin-top: 26px;
  border-top: 1px solid var(--rule);
}
</style>
