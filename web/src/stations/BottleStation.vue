<script setup lang="ts">
import { bottleSizesMl, countBottles } from '@hollow-bell/core/bottle';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { whyNotBottle } from '@hollow-bell/core/watch';
import { exactly } from '@hollow-bell/core/quantities';
import { computed, ref } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import WhenField from '../parts/fields/WhenField.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import StopNote from '../parts/figures/StopNote.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useWhen } from '../composables/useWhen.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show, tell, reader } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const lostL = ref<number | null>(0.1);
const sizesMl = bottleSizesMl(reader.value.units);
const counts = ref<(number | null)[]>(sizesMl.map(() => 0));
const stop = computed(() => whyNotBottle(store.ledger, store.now));
const availableL = computed(() => Math.max(0, (store.view?.volumeL ?? 0) - (lostL.value ?? 0)));
const ifAlone = computed(() => sizesMl.map((sizeMl) => ({ sizeMl, ...countBottles(availableL.value, sizeMl) })));
const chosen = computed(() =>
  sizesMl.map((sizeMl, i) => ({ sizeMl, count: Math.round(counts.value[i] ?? 0) })).filter(({ count }) => count > 0),
);
const filledL = computed(() => chosen.value.reduce((sum, { sizeMl, count }) => sum + (sizeMl * count) / 1000, 0));
const leftL = computed(() => availableL.value - filledL.value);

function fillWith(index: number): void {
  const others = sizesMl.reduce((sum, sizeMl, i) => (i === index ? sum : sum + (sizeMl * (counts.value[i] ?? 0)) / 1000), 0);
  counts.value[index] = countBottles(availableL.value - others, sizesMl[index] ?? 750).full;
}

const { at, when } = useWhen();
function record(): Promise<boolean> {
  const event: EventContent = { kind: 'bottling', payload: { bottles: chosen.value } };
  return attempt(() => store.write([event], tell(eventSentence(event)), when.value));
}
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <div class="columns">
      <div v-if="store.ledger.history.bottled !== null" class="stack">
        <h2>In bottles since {{ show('when', store.ledger.history.bottled.at) }}</h2>
        <StopNote v-if="store.state.phase !== 'bottled'"><SentenceText :sentence="store.state.sentence" /></StopNote>
        <div v-if="store.figures !== null" class="contents" data-test="bottled-mead">
          <FigureValue label="Went in at" kind="sg" :figure="store.figures.sg" />
          <FigureValue label="Alcohol" kind="abv" :figure="store.figures.abv" />
          <FigureValue label="Sugar" kind="gPerL" :figure="store.figures.sugarGPerL" />
          <FigureValue label="There was" kind="volumeL" :figure="exactly(store.figures.volumeL.value)" />
        </div>
        <div class="pairs">
          <p v-for="bottle in store.ledger.history.bottled.bottles" :key="bottle.sizeMl">
            <span>{{ show('bottleMl', bottle.sizeMl) }}</span><b>{{ bottle.count }}</b>
          </p>
        </div>
      </div>
      <div v-else-if="stop !== null" class="stack">
        <StopNote data-test="no-bottling">Not into closed glass yet. <SentenceText :sentence="stop" /></StopNote>
        <p class="quiet">This stop cannot be overridden: burst glass hurts whoever stands beside it. Under an airlock the mead can wait.</p>
      </div>
      <div v-else class="stack">
        <p>
          <b>{{ show('volumeL', store.view?.volumeL ?? 0) }}</b> stand ready. Taste it first: what the glass says now, the bottle keeps.
        </p>
        <QuantityField v-model="lostL" kind="volume" label="left behind on lees and in the hose" class="lost" />
        <ul class="sizes">
          <li v-for="(size, i) in ifAlone" :key="size.sizeMl">
            <b>{{ show('bottleMl', size.sizeMl) }}</b>
            <span class="quiet small">alone: {{ size.full }} full, {{ show('volumeL', size.remainderMl / 1000) }} over</span>
            <QuantityField v-model="counts[i]!" kind="count" :label="`bottles of ${show('bottleMl', size.sizeMl)}`" hide-label />
            <button type="button" class="link" @click="fillWith(i)">as many as fit</button>
          </li>
        </ul>
        <p>
          Filled: <b data-test="filled">{{ show('volumeL', filledL) }}</b>, over: <b>{{ show('volumeL', Math.max(0, leftL)) }}</b><span
            v-if="leftL < -0.005"
            class="refusal"
          >
            More bottles than mead: {{ show('volumeL', -leftL) }} short.</span
          >
        </p>
        <p class="caution">
          Clean, then sanitize, with a fresh solution. Fill down the side from the bottom, leave about 13 mm under a cork. The label names
          the honey, the alcohol, and “contains sulfites” where they are in.
        </p>
        <WhenField v-model="at" class="lost" />
        <div class="deeds">
          <el-button type="primary" :loading="busy" :disabled="blocked || chosen.length === 0 || leftL < -0.005" @click="record"
            >Bottled {{ chosen.reduce((sum, { count }) => sum + count, 0) }}</el-button
          >
        </div>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.contents {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px 48px;
}

.lost {
  max-width: 260px;
}

.sizes li {
  display: grid;
  grid-template-columns: 90px 1fr 110px auto;
  align-items: center;
  gap: 14px;
  min-height: 48px;
  border-bottom: 1px solid var(--rule);
}

@media (max-width: 720px) {
  .sizes li {
    grid-template-columns: 70px 1fr;
    padding: 6px 0;
  }
}
</style>
