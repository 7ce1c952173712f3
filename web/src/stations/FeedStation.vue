<script setup lang="ts">
import FoldedPart from '../parts/page/FoldedPart.vue';
import type { Practice } from '@hollow-bell/contract';
import { AMMONIUM_CUTOFF_ABV } from '@hollow-bell/core/yeast';
import { DAP_CAP_G_PER_L } from '@hollow-bell/core/nitrogen';
import { LEAST_DOSE_G, fedEvent, productName } from '@hollow-bell/core/nitrogen';
import {
  feedingFaults,
  feedingWorkings,
  isComing,
  mustNitrogenOf,
  smellCauses,
  smellsOfSulfur,
  weighedParts,
} from '@hollow-bell/core/feed';
import type { DoseNow, PartNow } from '@hollow-bell/core/feed';
import { exactly } from '@hollow-bell/core/quantities';
import { yeastOf } from '@hollow-bell/core/yeast';
import { cellarBase } from '../cellar.ts';
import { computed, ref } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import DoseRow from '../parts/feed/DoseRow.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import NitrogenStairs from '../parts/feed/NitrogenStairs.vue';
import RaiseBatchPh from '../parts/feed/RaiseBatchPh.vue';
import SchoolFields from '../parts/feed/SchoolFields.vue';
import SchoolTable from '../parts/feed/SchoolTable.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import ShelfPlan from '../parts/feed/ShelfPlan.vue';
import SmellPanel from '../parts/feed/SmellPanel.vue';
import SpokenOnce from '../parts/page/SpokenOnce.vue';
import StopNote from '../parts/figures/StopNote.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useFeeding } from '../composables/useFeeding.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const giving = ref<number | null>(null);
const { isPreview, ledger, feeding, progress } = useFeeding();
const yeast = computed(() => (ledger.value.history.pitch === null ? null : yeastOf(ledger.value.history.pitch)));
const workings = computed(() => (feeding.value === null ? null : feedingWorkings(feeding.value, ledger.value.history.pitch)));
const causes = computed(() =>
  store.feeding !== null && smellsOfSulfur(store.ledger, store.now) ? smellCauses(store.feeding, store.ledger, store.now) : [],
);
const faults = computed(() => feedingFaults(store.ledger, DAP_CAP_G_PER_L[store.batch?.plan.practice.region ?? 'eu']));
const isWaiting = computed(() => !isPreview.value && progress.value?.doses.some(isComing) === true);
const needNote = computed(() => (yeast.value?.demand === 'unknown' ? 'nobody states its demand: fed as medium' : ''));

/** The dose that comes next, as it is now. */
const spoken = computed(() => {
  const next = progress.value?.doses.find(isComing);
  return next === undefined
    ? ''
    : `Dose ${next.dose.number}: ${weighedParts(next)
        .map(({ product, massG }) => `${show('massG', massG)} ${productName(product)}`)
        .join(', ')}.`;
});
async function give(dose: DoseNow, parts: PartNow[]): Promise<void> {
  const { number } = dose.dose;
  const given = parts.filter(({ massG }) => massG >= LEAST_DOSE_G);
  const totalG = given.reduce((sum, { massG }) => sum + massG, 0);
  giving.value = number;
  await attempt(() =>
    store.write(
      given.map((part) => fedEvent(part, number)),
      `dose ${number}, ${show('massG', totalG)}`,
    ),
  );
  giving.value = null;
}

/** The schools of this batch alone; the house keeps its own. */
const feedBy = (practice: Partial<Practice>): Promise<boolean> => attempt(() => store.practise(practice));

async function follow(over: Partial<Practice>): Promise<void> {
  await feedBy(over);
}
</script>

<template>
  <section>
    <StationHead v-if="yeast !== null">{{ yeast.name }}, {{ yeast.demand }} demand</StationHead>
    <StationHead v-else />
    <p v-if="feeding === null || progress === null" class="quiet none">There is nothing to feed in this vessel.</p>
    <div v-else class="columns">
      <div class="stack">
        <div v-if="workings !== null" class="needs">
          <FigureValue label="Nitrogen it needs" kind="mgPerL" :figure="feeding.needRange" :working="workings.need" :note="needNote" />
          <FigureValue label="The must brings" kind="mgPerL" :figure="mustNitrogenOf(feeding)" :working="workings.honey" />
          <FigureValue
            label="This plan gives"
            kind="mgPerL"
            :figure="exactly(progress.givesMgPerL)"
            :working="workings.supply"
            :note="workings.supply.school ?? ''"
          />
        </div>
        <p v-if="isPreview" class="quiet" data-test="preview">
          As planned, were it pitched now; from the pitch on, every reading and loss moves it.
        </p>
        <NitrogenStairs :feeding="feeding" :progress="progress" :ledger="ledger" :now="store.now" />
        <SmellPanel v-if="causes.length > 0" :causes="causes" />
        <StopNote v-for="(fault, i) in faults" :key="`fault ${i}`" data-test="feeding-fault"><SentenceText :sentence="fault" /></StopNote>
        <ul v-if="progress.changes.length > 0" class="changes" data-test="changes">
          <li v-for="(change, i) in progress.changes" :key="i"><SentenceText :sentence="change" /></li>
        </ul>
        <SpokenOnce :text="spoken" />
        <ul class="rule-top" aria-label="Doses">
          <DoseRow
            v-for="dose in progress.doses"
            :key="dose.dose.number"
            :dose="dose"
            :pitched-at="ledger.history.pitch?.at ?? 0"
            :busy="giving === dose.dose.number"
            :is-preview="isPreview"
            @give="give(dose, $event)"
          />
        </ul>
        <p v-if="feeding.doses.length === 0" class="quiet">This school feeds nothing; what the must brings has to do.</p>
        <p v-if="feeding.missingMgPerL > 0.5" class="caution">
          {{ show('mgPerL', feeding.missingMgPerL) }} stay uncovered: within its caps this school cannot give more.
        </p>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <p v-if="isWaiting && store.batch !== null" class="no-print">
          <a :href="`${cellarBase}/api/batches/${store.batch.id}/calendar.ics`" download>These dates as a calendar file</a>
        </p>
        <p class="caution">
          Degas slowly before every dose: powder gives the gas a place to form, and the must erupts. No ammonium while rehydrating, and none
          above {{ show('abv', AMMONIUM_CUTOFF_ABV) }}: it stays as a salty taste and feeds what spoils mead. DAP cut with urea leaves
          off-flavors; ask before you buy.
        </p>
        <h2>How this batch is fed</h2>
        <template v-if="store.batch !== null && ledger.history.pitch !== null">
          <SchoolFields :model-value="store.batch.plan.practice" @update:model-value="feedBy" />
          <FoldedPart class="side" summary="Three schools side by side on this must">
            <SchoolTable :ledger="ledger" :practice="store.batch.plan.practice" :must="store.batch.plan.must" />
          </FoldedPart>
          <FoldedPart class="side" summary="Worked out from what is on the shelf">
            <ShelfPlan :ledger="ledger" :practice="store.batch.plan.practice" :busy="busy" @follow="follow" />
          </FoldedPart>
          <RaiseBatchPh />
        </template>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.needs {
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 24px;
  border-bottom: 1px solid var(--rule);
}

.needs :deep(.press) {
  grid-template-columns: 1fr;
  grid-template-areas: 'label' 'value' 'range';
}

.needs :deep(.value),
.needs :deep(.range) {
  text-align: left;
}

.changes {
  display: grid;
  gap: 4px;
  padding-left: 10px;
  border-left: 3px solid var(--wax-fill);
}

.none {
  padding: 30px 0;
}

@media (max-width: 720px) {
  .needs {
    grid-template-columns: 1fr 1fr;
    gap: 4px 16px;
  }
}
</style>
