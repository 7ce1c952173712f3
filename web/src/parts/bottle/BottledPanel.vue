<script setup lang="ts">
import { ACCIDENT_TOLD, TEST_TOLD } from '@hollow-bell/core/bottle';
import { containerOf, gasOf, gasStyleOf, isPrimed, pressureIn } from '@hollow-bell/core/carbonate';
import { windowOf } from '@hollow-bell/core/cellar';
import { exactly } from '@hollow-bell/core/quantities';
import { bottlesLeft, isAllBottled } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { usePractice } from '../../stores/practice.ts';
import BottleOutForm from '../cellar/BottleOutForm.vue';
import CountsForm from './CountsForm.vue';
import FigureValue from '../figures/FigureValue.vue';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import VerdictList from '../figures/VerdictList.vue';

const store = useBatch();
const house = usePractice();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const VENTED: EventContent = { kind: 'note', payload: { text: 'let the gas out of every bottle', mark: 'vented' } };
const bottled = computed(() => store.ledger.history.bottled);
const gas = computed(() => gasOf(store.ledger));
const standAtC = ref<number | null>(house.practice.roomTempC);
const window = computed(() => windowOf(store.ledger));
const isAlarm = computed(() => ['glass in doubt', 'moving again'].includes(store.state.phase));
const correcting = ref(false);
const lastBottling = computed(() => {
  const standing = store.log.find((entry) => !entry.withdrawn && entry.standing.kind === 'bottling')?.standing;
  return standing?.kind === 'bottling' ? standing : null;
});
const primed = computed(() => bottled.value?.fillings.some(isPrimed) === true);
const pressure = computed(() =>
  gas.value === null || standAtC.value === null
    ? null
    : pressureIn(gas.value.high, standAtC.value, bottled.value?.bottles[0]?.sizeMl ?? 750, gas.value.abv),
);
</script>

<template>
  <div v-if="bottled !== null" class="stack">
    <h2>{{ isAllBottled(store.ledger) ? 'In bottles since' : 'Part of it is in bottles since' }} {{ show('when', bottled.at) }}</h2>
    <template v-if="isAlarm">
      <StopNote><SentenceText :sentence="store.state.sentence" /></StopNote>
      <p class="deeds">
        <el-button :loading="busy" @click="attempt(() => store.write([VENTED], 'let the gas out of all of them'))"
          >All of them are vented</el-button
        >
      </p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    </template>
    <div v-if="store.figures !== null" class="contents" data-test="bottled-mead">
      <FigureValue label="Went in at" kind="sg" :figure="store.figures.sg" />
      <FigureValue label="Alcohol" kind="abv" :figure="store.figures.abv" />
      <FigureValue label="Sugar" kind="gPerL" :figure="store.figures.sugarGPerL" />
      <FigureValue label="There was" kind="volumeL" :figure="exactly(store.figures.volumeL.value)" />
      <FigureValue
        v-if="gas !== null"
        label="Gas"
        kind="volumes"
        :figure="{ value: gas.high, low: gas.low, high: gas.high }"
        :note="gasStyleOf(gas.high).name"
      />
    </div>
    <div class="columns">
      <div class="stack">
        <div class="pairs">
          <p v-for="(bottle, i) in bottled.bottles" :key="i">
            <span
              >{{ show('bottleMl', bottle.sizeMl)
              }}{{ bottle.kind === undefined ? '' : `, ${containerOf(bottle.kind).name}, ${bottle.closure ?? ''}` }}</span
            ><b>{{ bottle.count }}</b>
          </p>
          <p>
            <span>left</span><b data-test="left">{{ bottlesLeft(store.ledger) }}</b>
          </p>
        </div>
        <CountsForm v-if="correcting && lastBottling !== null" :bottling="lastBottling" @close="correcting = false" />
        <button v-else-if="lastBottling !== null" type="button" class="link small" @click="correcting = true">
          Counted or measured wrongly?
        </button>
        <BottleOutForm v-if="store.batch !== null" :batch-id="store.batch.id" :left="bottlesLeft(store.ledger)" />
        <p v-if="window !== null" class="small quiet">
          Rests until {{ show('day', window.restsUntil) }}, best from {{ show('day', window.bestFrom) }} to
          {{ show('day', window.bestTo) }}, drink by {{ show('day', window.drinkBy) }}: our estimates<span v-if="window.movedBy !== null"
            >, moved by a tasting</span
          >.
          <RouterLink :to="{ name: 'cellar' }">To the Cellar</RouterLink>
          <template v-if="store.batch !== null">
            · <RouterLink :to="{ name: 'label', params: { id: store.batch.id } }">Labels</RouterLink></template
          >
        </p>
      </div>
      <div v-if="primed" class="stack" data-test="gas-now">
        <QuantityField v-model="standAtC" kind="temp" label="the bottles stand at" :limits="{ low: 0, high: 40 }" />
        <p v-if="pressure !== null">
          In each up to <b>{{ show('bar', pressure) }}</b> there, once its sugar is gone. Cold slows the yeast; it does not stop it.
        </p>
        <details :open="isAlarm">
          <summary>The test bottle, and what a spray means</summary>
          <VerdictList :verdicts="TEST_TOLD" />
        </details>
        <details :open="isAlarm">
          <summary>Too much gas: what to do</summary>
          <VerdictList :verdicts="ACCIDENT_TOLD" />
        </details>
      </div>
    </div>
  </div>
</template>

<style scoped>
.contents {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(230px, 100%), 1fr));
  gap: 8px 48px;
}

summary {
  min-height: 32px;
  cursor: pointer;
}
</style>
