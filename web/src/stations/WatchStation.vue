<script setup lang="ts">
import FoldedPart from '../parts/page/FoldedPart.vue';
import { alcoholByRule } from '@hollow-bell/core/liquid';
import { exactly } from '@hollow-bell/core/quantities';
import { isAllBottled, ledgerWorking } from '@hollow-bell/core/record';
import { endWorking } from '@hollow-bell/core/glass';
import { traitsOf } from '@hollow-bell/core/watch';
import { computed, defineAsyncComponent, ref } from 'vue';
import AskList from '../parts/rounds/AskList.vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import FloatPanel from '../parts/watch/FloatPanel.vue';
import ForecastPanel from '../parts/watch/ForecastPanel.vue';
import QuickMarks from '../parts/watch/QuickMarks.vue';
import ReadingForm from '../parts/watch/ReadingForm.vue';
import ReadingsImport from '../parts/watch/ReadingsImport.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import StallClinic from '../parts/watch/StallClinic.vue';
import StopNote from '../parts/figures/StopNote.vue';
import { useDescent } from '../composables/useDescent.ts';
import { useReader } from '../composables/useReader.ts';
import { MEMBERS, useWatchForecast } from '../composables/useWatchForecast.ts';
import { saveFile } from '../api/saveFile.ts';
import { readingsToCsv } from '@hollow-bell/tell/readings';
import { cellarBase } from '../cellar.ts';
import { useBatch } from '../stores/batch.ts';

const DescentChart = defineAsyncComponent(() => import('../parts/watch/DescentChart.vue'));
const store = useBatch();
const { tell, show } = useReader();

const imports = ref(false);
const saveReadings = (): void =>
  saveFile(`${store.batch?.name ?? 'batch'} readings.csv`, 'text/csv', readingsToCsv(store.events, store.float));

const { whatIf, hasCourse, course, compared, progress, hasFailed, again, fan, comparedFan } = useWatchForecast();
const chart = useDescent(fan, comparedFan);
const rules = computed(() => {
  const og = store.ledger.history.pitch?.sg;
  const now = store.view?.sg;
  if (og === undefined || now === undefined || now >= og) return '';
  return `quick formulas say ${show('abv', alcoholByRule.simple(og, now, 131.25))} and ${show('abv', alcoholByRule.quotient(og, now))}`;
});
const workings = computed(() => ({
  sg: ledgerWorking(store.ledger, 'sg'),
  abv: ledgerWorking(store.ledger, 'abv'),
  sugarGPerL: ledgerWorking(store.ledger, 'sugarGPerL'),
  volumeL: ledgerWorking(store.ledger, 'volumeL'),
}));
const shareLeft = computed(() => (store.view === null ? '' : `${show('percent', store.view.shareGone * 100)} of it gone`));
const stopWorking = computed(() => {
  const working = endWorking(store.ledger);
  return working === null ? {} : { working };
});
const isAlarmed = computed(() => traitsOf(store.state.phase).isAlarm === true);
const mayBeStuck = computed(() => traitsOf(store.state.phase).mayBeStuck === true);
const isFermenting = computed(() => traitsOf(store.state.phase).ferments === true);
/** What went into vessels of its own is not lost. */
const splitL = computed(() => {
  const liters = store.ledger.history.losses.filter((loss) => loss.why === 'split').reduce((sum, loss) => sum + loss.volumeL, 0);
  return liters > 0 ? [`${show('volumeL', liters)} split off`] : [];
});
const lossesL = computed(() =>
  store.ledger.history.losses.filter((loss) => loss.why !== 'split').reduce((sum, loss) => sum + loss.volumeL, 0),
);
</script>

<template>
  <section>
    <StationHead v-if="isAlarmed" />
    <StationHead v-else>{{ tell(store.state.sentence) }}</StationHead>
    <StopNote v-if="isAlarmed"><SentenceText :sentence="store.state.sentence" /></StopNote>
    <div v-if="store.figures !== null && !isAllBottled(store.ledger)" class="strip">
      <FigureValue label="Gravity" kind="sg" :figure="store.figures.sg" :working="workings.sg" />
      <FigureValue label="Alcohol" kind="abv" :figure="store.figures.abv" :working="workings.abv" />
      <FigureValue label="Sugar left" kind="gPerL" :figure="store.figures.sugarGPerL" :working="workings.sugarGPerL" :note="shareLeft" />
      <FigureValue
        label="In the vessel"
        kind="volumeL"
        :figure="exactly(store.figures.volumeL.value)"
        :working="workings.volumeL"
        :note="[lossesL > 0 ? `${show('volumeL', lossesL)} lost` : 'nothing lost', ...splitL].join(', ')"
      />
      <FigureValue v-if="store.end !== null" label="Should stop at" kind="sg" :figure="store.end.sg" v-bind="stopWorking" />
    </div>
    <div class="columns">
      <div class="stack">
        <DescentChart v-if="chart !== null" :data="chart" :summary="tell(store.state.sentence)" />
        <p v-else class="quiet none">No reading yet. The first one draws the descent.</p>
        <ForecastPanel
          v-if="hasCourse && store.ledger.history.pitch !== null"
          v-model="whatIf"
          :course="course"
          :planned="compared"
          :end-sugar-g-per-l="store.end?.sugarGPerL ?? null"
          :progress="progress"
          :has-failed="hasFailed"
          :now="store.now"
          :members="MEMBERS"
          :share-gone="store.view?.shareGone ?? 0"
          @again="again"
        />
        <p v-if="rules !== ''" class="small quiet">
          By mass balance, after every addition and loss; {{ rules }}, which can follow neither.
        </p>
        <StallClinic v-if="mayBeStuck" />
        <h2>A reading</h2>
        <ReadingForm />
        <QuickMarks />
        <p class="small no-print table-links">
          <button type="button" class="link" @click="imports = true">Readings from a table</button>
          <button type="button" class="link" @click="saveReadings">Save all readings as CSV</button>
          <a :href="`${cellarBase}/api/files/batches/${store.batch?.id ?? ''}.json`" download>This batch as a file, with its family</a>
        </p>
        <ReadingsImport v-if="imports" @close="imports = false" />
        <FloatPanel />
        <p class="caution">Warm samples read low and bubbles lift the hydrometer: spin it, wait, read at the bottom of the curve.</p>
        <AskList here="watch" />
        <FoldedPart v-if="isFermenting && !mayBeStuck" class="side" summary="Does it look stuck?">
          <StallClinic />
        </FoldedPart>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
  border-bottom: 1px solid var(--rule);
}

.strip > * {
  padding: 0 14px;
  border-left: 1px solid var(--rule);
}

.strip > :first-child {
  padding-left: 0;
  border-left: 0;
}

.strip :deep(.press) {
  grid-template-columns: 1fr;
  grid-template-areas: 'label' 'value' 'range';
}

.strip :deep(.value),
.strip :deep(.range) {
  text-align: left;
  white-space: normal;
}

.table-links {
  display: flex;
  gap: 18px;
}

.none {
  padding: 40px 0;
}

@media (max-width: 900px) {
  .strip {
    grid-template-columns: 1fr 1fr;
  }

  .strip > * {
    padding: 0 0 0 10px;
  }

  .strip > :nth-child(odd) {
    padding-left: 0;
    border-left: 0;
  }
}
</style>
