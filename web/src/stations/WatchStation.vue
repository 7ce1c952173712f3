<script setup lang="ts">
import { doseNowMg, isComing } from '@hollow-bell/core/feed';
import { forecastInputOf } from '@hollow-bell/core/forecast';
import type { ForecastInput, Pulse } from '@hollow-bell/core/forecast';
import { alcoholByRule } from '@hollow-bell/core/liquid';
import { exactly } from '@hollow-bell/core/quantities';
import { ledgerWorking, sgAtShare } from '@hollow-bell/core/ledger';
import { endWorking } from '@hollow-bell/core/watch';
import { computed, defineAsyncComponent, ref } from 'vue';
import AskList from '../parts/AskList.vue';
import BatchLog from '../parts/BatchLog.vue';
import BenchHead from '../parts/BenchHead.vue';
import FigureValue from '../parts/FigureValue.vue';
import ForecastPanel from '../parts/ForecastPanel.vue';
import ReadingForm from '../parts/ReadingForm.vue';
import StallClinic from '../parts/StallClinic.vue';
import { useForecast } from '../composables/useForecast.ts';
import type { WhatIf } from '../composables/useForecast.ts';
import { useReader } from '../composables/useReader.ts';
import { eventSentence } from '../shown/events.ts';
import { useBatch } from '../stores/batch.ts';
import { usePractice } from '../stores/practice.ts';
import type { DescentData } from '../parts/descent/options.ts';

const DescentChart = defineAsyncComponent(() => import('../parts/DescentChart.vue'));
const store = useBatch();
const house = usePractice();
const { tell, show } = useReader();

const FORECAST_DAYS = 90;
const MEMBERS = 500;
/** Nitrogen of one usual dose, mg/L, for asking what feeding now would do. */
const A_DOSE_MG_PER_L = 60;
const WARMER_C = 4;
const whatIf = ref<WhatIf>('planned');
const isFermentingOn = computed(() => ['lag', 'active', 'slowing', 'suspect', 'stuck'].includes(store.state.phase));
/** A forecast looks on from the last thing that was written down, so that the clock alone does not change it. */
const forecastInput = computed<ForecastInput | null>(() => {
  const { ledger, batch } = store;
  if (batch === null || !isFermentingOn.value) return null;
  const { must, practice } = batch.plan;
  const now = ledger.lastEventAt ?? store.now;
  const input = forecastInputOf(ledger, {
    now,
    horizonDays: FORECAST_DAYS,
    members: MEMBERS,
    seed: 1,
    roomTempC: must.roomTempC,
    organicCredit: practice.organicCredit,
  });
  return input === null ? null : asked(input, whatIf.value);
});
const { forecast, progress } = useForecast(forecastInput);

/** What the question changes in the course: temperature, a dose now, or that no planned dose comes. */
function asked(input: ForecastInput, what: WhatIf): ForecastInput {
  const { course, nowH } = input;
  const dose = (hour: number, nitrogenMgPerL: number): Pulse => ({ hour, scale: 1, sugarGPerL: 0, nitrogenMgPerL });
  const volumeL = store.view?.volumeL ?? 1;
  const planned = (store.feedingNow?.doses ?? []).filter(isComing).map((coming) => {
    const hour = Math.round((coming.expectedAt - (store.ledger.pitch?.at ?? 0)) / 3_600_000);
    return dose(Math.max(hour, nowH + 1), doseNowMg(coming, store.batch?.plan.practice.organicCredit ?? 1) / volumeL);
  });
  const more = what === 'nothing' ? [] : what === 'fed now' ? [dose(nowH + 1, A_DOSE_MG_PER_L), ...planned] : planned;
  const last = course.temps.at(-1)?.tempC ?? 20;
  const temps =
    what === 'warmer'
      ? [...course.temps.filter(({ hour }) => hour <= nowH), { hour: nowH, tempC: last }, { hour: nowH + 1, tempC: last + WARMER_C }]
      : course.temps;
  return { ...input, course: { ...course, temps, pulses: [...course.pulses, ...more] } };
}

/** The forecast as gravities, from its now to a little beyond its end. */
const fan = computed<DescentData['forecast']>(() => {
  const { ledger } = store;
  const [found, input] = [forecast.value, forecastInput.value];
  if (found === null || input === null || ledger.pitch === null) return [];
  const basis = input.course.pulses.reduce((sum, { scale, sugarGPerL }) => sum * scale + sugarGPerL, input.course.sugarGPerL);
  const sgOf = (sugarGPerL: number): number => sgAtShare(ledger, Math.min(1, 1 - sugarGPerL / basis));
  const untilH = Math.min(FORECAST_DAYS * 24, Math.max(input.nowH + 7 * 24, (found.endH?.value ?? 0) * 1.15));
  const pitchedAt = ledger.pitch.at;
  return found.bands
    .filter(({ hour }) => hour >= input.nowH && hour <= untilH)
    .map(({ hour, low, middle, high }) => ({ at: pitchedAt + hour * 3_600_000, low: sgOf(low), middle: sgOf(middle), high: sgOf(high) }));
});

const HAPPENINGS = new Set(['nutrient', 'removal', 'rack', 'sulfite', 'bottling']);
const chart = computed<DescentData | null>(() => {
  const { ledger } = store;
  if (ledger.readings.length === 0) return null;
  const told = store.log.filter(
    ({ standing, withdrawn }) =>
      !withdrawn &&
      (HAPPENINGS.has(standing.kind) || (standing.kind === 'honey' && ledger.pitch !== null && standing.happenedAt > ledger.pitch.at)),
  );
  const seen = new Set<number>();
  const happenings = told.toReversed().flatMap(({ standing }) => {
    if (seen.has(standing.happenedAt)) return [];
    seen.add(standing.happenedAt);
    return [
      {
        at: standing.happenedAt,
        told: standing.kind === 'nutrient' ? 'fed' : tell(eventSentence(standing)).split(' ').slice(0, 3).join(' '),
      },
    ];
  });
  return {
    startAt: Math.min(ledger.pitch?.at ?? Number.POSITIVE_INFINITY, ledger.readings[0]?.at ?? 0),
    endAt: Math.max(store.now, fan.value.at(-1)?.at ?? 0),
    readings: ledger.readings.map((r) => ({
      at: r.at,
      sg: r.sg,
      plusMinus: r.plusMinus,
      tempC: r.tempC,
      follows: r.verdict === 'follows',
    })),
    happenings,
    thirdBreakSg: ledger.pitch === null || ledger.sulfites.length > 0 ? null : sgAtShare(ledger, 1 / 3),
    end: ledger.sulfites.length > 0 ? null : (store.end?.sg ?? null),
    units: house.practice.units,
    forecast: fan.value,
  };
});
const rules = computed(() => {
  const og = store.ledger.pitch?.sg;
  const now = store.view?.sg;
  if (og === undefined || now === undefined || now >= og) return '';
  return `quick formulas say ${show('abv', alcoholByRule.simple(og, now, 131.25))} and ${show('abv', alcoholByRule.quotient(og, now))}`;
});
const shareLeft = computed(() => (store.view === null ? '' : `${show('percent', store.view.shareGone * 100)} of it gone`));
const stopWorking = computed(() => {
  const working = endWorking(store.ledger);
  return working === null ? {} : { working };
});
const mayBeStuck = computed(() => ['slowing', 'suspect', 'stuck', 'ended'].includes(store.state.phase));
const isFermenting = computed(() => ['lag', 'active', 'awaiting confirmation'].includes(store.state.phase));
const lossesL = computed(() => store.ledger.losses.filter((loss) => loss.why !== 'racking').reduce((sum, loss) => sum + loss.volumeL, 0));
</script>

<template>
  <section>
    <BenchHead>{{ tell(store.state.sentence) }}</BenchHead>
    <div v-if="store.figures !== null" class="strip">
      <FigureValue label="Gravity" kind="sg" :figure="store.figures.sg" :working="ledgerWorking(store.ledger, 'sg')" />
      <FigureValue label="Alcohol" kind="abv" :figure="store.figures.abv" :working="ledgerWorking(store.ledger, 'abv')" />
      <FigureValue
        label="Sugar left"
        kind="gPerL"
        :figure="store.figures.sugarGPerL"
        :working="ledgerWorking(store.ledger, 'sugarGPerL')"
        :note="shareLeft"
      />
      <FigureValue
        label="In the vessel"
        kind="volumeL"
        :figure="exactly(store.figures.volumeL.value)"
        :working="ledgerWorking(store.ledger, 'volumeL')"
        :note="lossesL > 0 ? `${show('volumeL', lossesL)} lost` : 'nothing lost'"
      />
      <FigureValue v-if="store.end !== null" label="Should stop at" kind="sg" :figure="store.end.sg" v-bind="stopWorking" />
    </div>
    <div class="columns">
      <div class="stack">
        <DescentChart v-if="chart !== null" :data="chart" :summary="tell(store.state.sentence)" />
        <p v-else class="quiet none">No reading yet. The first one draws the descent.</p>
        <ForecastPanel
          v-if="isFermentingOn && store.ledger.pitch !== null"
          v-model="whatIf"
          :forecast="forecast"
          :progress="progress"
          :pitched-at="store.ledger.pitch.at"
          :now="store.now"
          :is-past-half="(store.view?.shareGone ?? 0) >= 0.5"
        />
        <p v-if="rules !== ''" class="small quiet">
          By mass balance, after every addition and loss; {{ rules }}, which can follow neither.
        </p>
        <StallClinic v-if="mayBeStuck" />
        <h2>A reading</h2>
        <ReadingForm />
        <p class="caution">Warm samples read low and bubbles lift the hydrometer: spin it, wait, read at the bottom of the curve.</p>
        <AskList />
        <details v-if="isFermenting && !mayBeStuck" class="side">
          <summary>Does it look stuck?</summary>
          <StallClinic />
        </details>
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
