<script setup lang="ts">
import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Batch, BatchPlan } from '@hollow-bell/contract';
import { DRAGS_DAYS, changesOf, rehearsedOf } from '@hollow-bell/core/chalk';
import type { PlanChange, Rehearsal } from '@hollow-bell/core/chalk';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { ledgerAsPlanned } from '@hollow-bell/core/must';
import { fold } from '@hollow-bell/core/record';
import { computed, onMounted, ref, shallowRef } from 'vue';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { plain, useChalkWorker } from '../../composables/useChalkWorker.ts';
import { useKept } from '../../stores/kept.ts';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';
import SpokenOnce from '../page/SpokenOnce.vue';

/** The only thing that reaches the cellar from here is a change that is carried into a plan. */
const SEED = 20;
const worker = useChalkWorker();
const { show, number } = useReader();
const { refusal, busy, attempt } = useAttempt({ isForm: false });
const listed = shallowRef<{ id: string; name: string }[]>([]);
onMounted(() =>
  attempt(async () => {
    listed.value = (await api.batches({})).batches.filter(({ phase }) => phase !== 'bottled').map(({ id, name }) => ({ id, name }));
  }),
);
const chosen = ref('');
const options = computed(() => listed.value.map(({ id, name }) => ({ value: id, label: name })));

const batch = shallowRef<{ id: string; name: string; planVersion: number; plan: BatchPlan; temps: number[] } | null>(null);
const asPlanned = shallowRef<Rehearsal | null>(null);
const change = shallowRef<PlanChange | null>(null);
const changed = shallowRef<Rehearsal | null>(null);
const carried = ref('');
const changes = computed(() => (batch.value === null ? [] : changesOf(batch.value.plan.must)));

const rehearsed = computed(() => {
  if (batch.value === null) return null;
  const { plan, temps } = batch.value;
  const feeding = feedingPlanOf(ledgerAsPlanned(plan.must, 0), feedingPracticeOf(plan));
  return rehearsedOf(plan.must, feeding, temps);
});
async function choose(id: string): Promise<void> {
  chosen.value = id;
  [asPlanned.value, change.value, changed.value, carried.value] = [null, null, null, ''];
  await attempt(async () => {
    const { name, planVersion, plan, events } = await api.batch(id);
    const temps = fold(events).history.readings.flatMap(({ tempC }) => (tempC === null ? [] : [tempC]));
    batch.value = { id, name, planVersion, plan, temps };
    if (rehearsed.value !== null) asPlanned.value = await worker().rehearse(plain(rehearsed.value), SEED);
  });
}
async function tryOut(each: PlanChange): Promise<void> {
  [change.value, changed.value, carried.value] = [each, null, ''];
  const plan = rehearsed.value;
  if (plan === null) return;
  const answer = await worker().rehearse(plain(each.rehearsed(plan)), SEED);
  if (change.value === each) changed.value = answer;
}
/** Into the batch's plan, as any other change of it. */
async function carry(): Promise<void> {
  const [current, made] = [batch.value, change.value];
  if (current === null || made === null) return;
  await attempt(async () => {
    const plan = { ...current.plan, must: made.carried(current.plan.must) };
    const kept = await useKept().write<Batch>({ what: 'plan', id: current.id, afterVersion: current.planVersion, plan });
    batch.value = { ...current, plan: kept.plan, planVersion: kept.planVersion };
    carried.value = `The plan of ${current.name} has it now: ${made.name}.`;
  });
}

function told({ days, drags, sticks, of }: Rehearsal): string {
  const ends = days === null ? 'Most of them do not come to an end.' : `At its end after ${days.value} days (${days.low} to ${days.high}).`;
  const rest = [drags > 0 ? `${drags} of ${of} drag on past ${DRAGS_DAYS}` : '', sticks > 0 ? `${sticks} stick` : ''].filter(
    (each) => each !== '',
  );
  return `${ends} ${rest.length === 0 ? 'None drags, none sticks.' : `${rest.join(', ')}.`}`;
}
const [WIDE, HIGH, LEFT, BELOW] = [420, 220, 44, 22];
const DAYS = 90;
const most = computed(() =>
  Math.max(
    1,
    ...(asPlanned.value?.curves ?? []).map((curve) => curve[0] ?? 0),
    ...(changed.value?.curves ?? []).map((curve) => curve[0] ?? 0),
  ),
);
const path = (curve: Float64Array): string =>
  Array.from({ length: DAYS / 3 + 1 }, (_, i) => 3 * i)
    .map((day, i) => {
      const x = LEFT + (day / DAYS) * (WIDE - LEFT - 8);
      return `${i === 0 ? 'M' : 'L'}${x.toFixed(1)} ${(8 + (1 - (curve[day] ?? 0) / most.value) * (HIGH - BELOW - 8)).toFixed(1)}`;
    })
    .join('');
</script>

<template>
  <section class="rehearse" aria-label="Rehearse a plan" data-test="rehearse">
    <h2>Rehearse a plan</h2>
    <p class="quiet">
      One of your own, in a hundred rooms as this cellar’s readings say they are, with a hundred yeasts within their range. The law is the
      chalk floor’s, not the forecast’s; trust neither beyond what it is.
    </p>
    <PickList v-if="options.length > 0" :model-value="chosen" label="whose plan" :options="options" @update:model-value="choose" />
    <p v-else-if="refusal === ''" class="quiet">No batch stands in this cellar yet whose plan could be rehearsed.</p>
    <template v-if="batch !== null && rehearsed !== null">
      <p v-if="asPlanned === null" class="quiet" role="status">A hundred of them ferment…</p>
      <template v-else>
        <svg
          class="rooms"
          :viewBox="`0 0 ${WIDE} ${HIGH}`"
          role="img"
          :aria-label="`A hundred courses of ${batch.name}. ${told(asPlanned)}`"
        >
          <path v-for="(curve, i) in asPlanned.curves" :key="`p${i}`" class="room" :d="path(curve)" />
          <path v-for="(curve, i) in changed?.curves ?? []" :key="`c${i}`" class="room changed" :d="path(curve)" />
          <text :x="LEFT - 6" y="14" text-anchor="end">{{ number(most, 0) }}</text>
          <text :x="LEFT - 6" :y="HIGH - BELOW" text-anchor="end">0</text>
          <text v-for="day in [0, 30, 60, 90]" :key="day" :x="LEFT + (day / DAYS) * (WIDE - LEFT - 8)" :y="HIGH - 4" text-anchor="middle">
            {{ day === 0 ? 'day 0' : day }}
          </text>
        </svg>
        <p class="small quiet">
          Sugar left, g/L, in rooms of {{ show('tempC', rehearsed.roomC.low) }} to {{ show('tempC', rehearsed.roomC.high) }}
        </p>
        <p class="as-planned"><b>As planned.</b> {{ told(asPlanned) }}</p>
        <div class="switches" role="group" aria-label="Try a change">
          <button v-for="each in changes" :key="each.id" type="button" :aria-pressed="change?.id === each.id" @click="tryOut(each)">
            {{ each.name }}
          </button>
        </div>
        <p v-if="change !== null && changed === null" class="quiet" role="status">A hundred more ferment…</p>
        <template v-if="change !== null && changed !== null">
          <p class="as-changed">
            <b>{{ change.name.slice(0, 1).toUpperCase() }}{{ change.name.slice(1) }}.</b> {{ told(changed) }}
          </p>
          <p v-if="carried !== ''" role="status">
            {{ carried }} <RouterLink :to="{ name: 'station', params: { id: batch.id, station: 'formulate' } }">To its plan</RouterLink>
          </p>
          <el-button v-else type="primary" :loading="busy" @click="carry">Planned: {{ change.name }}</el-button>
        </template>
      </template>
    </template>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <SpokenOnce :text="changed !== null ? told(changed) : asPlanned !== null ? told(asPlanned) : ''" />
  </section>
</template>

<style scoped>
.rehearse {
  display: grid;
  align-content: start;
  gap: 8px;
  max-width: 560px;
}

.rooms {
  width: 100%;
}

.rooms text {
  fill: var(--soot-2);
  font-family: var(--mono);
  font-size: 12px;
}

.room {
  fill: none;
  stroke: var(--verdigris);
  stroke-width: 0.8;
  opacity: 0.35;
}

.room.changed {
  stroke: var(--bronze);
}

.as-planned,
.as-changed {
  padding-left: 10px;
  border-left: 3px solid var(--verdigris);
}

.as-changed {
  border-color: var(--bronze);
}
</style>
