<script setup lang="ts">
import { brewDay, eventOfStep, predictMust, styleOf } from '@hollow-bell/core/must';
import type { BrewStep } from '@hollow-bell/core/must';
import { computed, reactive, ref } from 'vue';
import AttemperForm from '../parts/pitch/AttemperForm.vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import BrewStepRow from '../parts/must/BrewStepRow.vue';
import PitchForm from '../parts/pitch/PitchForm.vue';
import ReadingForm from '../parts/watch/ReadingForm.vue';
import ReadingHelp from '../parts/watch/ReadingHelp.vue';
import ReconcilePanel from '../parts/must/ReconcilePanel.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useBrewSheet } from '../composables/useBrewSheet.ts';
import { useFeeding } from '../composables/useFeeding.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { download } = useBrewSheet();

const PARTS: { part: BrewStep['part']; title: string }[] = [
  { part: 'ready', title: 'Make ready' },
  { part: 'mix', title: 'Mix' },
  { part: 'measure', title: 'Measure, stirred well' },
  { part: 'pitch', title: 'Pitch' },
  { part: 'later', title: 'Later' },
];
const { progress } = useFeeding();
const doses = computed(() => progress.value?.doses ?? []);
const must = computed(() => store.batch?.plan.must ?? null);
const figures = computed(() => (must.value === null ? null : predictMust(must.value)));
/** A must that was poured without ticking counts as mixed all the same. */
const isPoured = computed(() => store.ledger.liquid.pouredG > 0);
const steps = computed(() => {
  const plan = store.batch?.plan;
  return plan === undefined || figures.value === null
    ? []
    : brewDay(plan.must, figures.value, plan.practice, isPoured.value ? store.view : null);
});
const doneAt = computed(() => {
  const done = new Map<string, number>();
  for (const { standing, withdrawn } of store.log) {
    const step = 'step' in standing.payload ? standing.payload.step : undefined;
    if (!withdrawn && step !== undefined) done.set(step, standing.happenedAt);
  }
  return done;
});
const pitched = computed(() => store.ledger.history.pitch);
const lagH = computed(() => (pitched.value === null ? 0 : (store.now - pitched.value.at) / 3_600_000));
const taken = ref<number | null>(null);
const showsAll = ref(false);

const stepDone = (step: BrewStep): number | null => {
  if (step.deed.kind === 'reading') return store.ledger.history.readings[0]?.at ?? null;
  if (step.deed.kind === 'pitch') return pitched.value?.at ?? null;
  return doneAt.value.get(step.id) ?? null;
};

/** What was typed into a row instead of the plan's amount; null while that cannot be read. */
const typed = reactive(new Map<string, number | null>());
const plannedOf = ({ deed }: BrewStep): number => (deed.kind === 'water' ? deed.volumeL : 'massG' in deed ? deed.massG : 0);
const amountOf = (step: BrewStep): number | null => (typed.has(step.id) ? (typed.get(step.id) ?? null) : plannedOf(step));

function did(step: BrewStep): Promise<boolean> {
  const plan = must.value;
  const amount = amountOf(step);
  if (amount === null) return Promise.resolve(false);
  const event = plan === null ? null : eventOfStep(step, plan, amount, store.ledger.liquid.insolubleG);
  if (event === null) return Promise.resolve(false);
  const told =
    step.deed.kind === 'water'
      ? `${show('volumeL', amount)} water`
      : 'massG' in step.deed
        ? `${show('massG', amount)} ${step.title}`
        : step.title;
  return attempt(() => store.write([event], told));
}

/** Every pour of the mixing that is not ticked yet, in one go: as planned, or as typed in its row. What is no pour is ticked by hand. */
function allAsPlanned(): Promise<boolean> {
  const plan = must.value;
  if (plan === null) return Promise.resolve(false);
  const events = openPours.value.flatMap((step) => {
    const amount = amountOf(step);
    const event = amount === null ? null : eventOfStep(step, plan, amount);
    return event === null ? [] : [event];
  });
  return attempt(() => store.write(events, 'mixed as planned'));
}

const isPour = ({ part, deed }: BrewStep): boolean => part === 'mix' && (deed.kind === 'water' || 'massG' in deed);
const openPours = computed(() => steps.value.filter((step) => isPour(step) && stepDone(step) === null));
const hasTyped = computed(() => openPours.value.some(({ id }) => typed.has(id)));

function sheet(): Promise<boolean> {
  const plan = must.value;
  const made = figures.value;
  const name = store.batch?.name ?? '';
  if (plan === null || made === null) return Promise.resolve(false);
  return attempt(() =>
    download({ name, plan, figures: made, style: styleOf(plan, made.abv.value), steps: steps.value, doses: doses.value }),
  );
}
const print = (): void => window.print();
</script>

<template>
  <section v-if="store.batch !== null && must !== null && figures !== null">
    <StationHead>
      <span class="no-print">
        <button type="button" class="link" @click="sheet">Brew day as PDF</button> &nbsp;
        <button type="button" class="link" @click="print">Print</button>
      </span>
    </StationHead>
    <div class="columns">
      <div class="stack">
        <template v-if="pitched !== null">
          <h2>Pitched {{ show('when', pitched.at) }}</h2>
          <p>
            <b>{{ show('massG', pitched.massG) }}</b> {{ pitched.name }} into <b>{{ show('volumeL', pitched.volumeL) }}</b> at
            <b>{{ show('sg', pitched.sg) }}</b>, <b data-test="lag">{{ show('hours', lagH) }}</b> ago.
          </p>
          <p class="quiet">
            First signs come within minutes to 72 hours; before that, silence is lag. Bubbles on the wall are proof; a silent airlock may be
            a leaking lid.
          </p>
        </template>
        <section v-for="{ part, title } in PARTS.filter(({ part: each }) => pitched === null || each === 'later' || showsAll)" :key="part">
          <template v-if="steps.some((step) => step.part === part)">
            <h2 class="part">
              {{ title }}
              <el-button
                v-if="part === 'mix' && openPours.length > 0 && pitched === null"
                size="small"
                class="no-print"
                :loading="busy"
                :disabled="blocked"
                @click="allAsPlanned"
                >All {{ openPours.length === steps.filter(isPour).length ? '' : 'the rest '
                }}{{ hasTyped ? 'as typed' : 'as planned' }}</el-button
              >
            </h2>
            <ol>
              <BrewStepRow
                v-for="step in steps.filter((each) => each.part === part)"
                :key="step.id"
                :step="step"
                :batch-id="store.batch?.id ?? ''"
                :done-at="stepDone(step)"
                :busy="busy || (pitched !== null) !== (part === 'later') || step.deed.kind === 'reading' || step.deed.kind === 'pitch'"
                :blocked="blocked"
                :now="store.now"
                :amount="amountOf(step)"
                @update:amount="typed.set(step.id, $event)"
                @done="did(step)"
              >
                <AttemperForm v-if="step.id === 'attemper' && pitched === null" class="no-print" />
                <template v-if="step.deed.kind === 'reading' && isPoured && pitched === null">
                  <ReadingForm :offered="taken" class="no-print form" />
                  <ReadingHelp :predicted="figures.og" class="no-print" @take="taken = $event" />
                  <ReconcilePanel />
                </template>
                <PitchForm v-if="step.deed.kind === 'pitch' && isPoured && pitched === null" class="no-print form" />
              </BrewStepRow>
            </ol>
          </template>
        </section>
        <button v-if="pitched !== null && !showsAll" type="button" class="link no-print show-all" @click="showsAll = true">
          Show the brew day as it was planned
        </button>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      </div>
      <BatchLog class="no-print" />
    </div>
  </section>
</template>

<style scoped>
.part {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 34px;
}

.show-all {
  justify-self: start;
}

.form {
  padding: 6px 0;
}
</style>
