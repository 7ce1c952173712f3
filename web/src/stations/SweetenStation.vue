<script setup lang="ts">
import { MEAN_HONEY, waterShare } from '@hollow-bell/core/ingredients';
import { Refusal, exactly } from '@hollow-bell/core/quantities';
import { firstShutGate } from '@hollow-bell/core/stabilize';
import { honeyToReachG, sweeten, sweetenWorking, whatItWouldBecome } from '@hollow-bell/core/sweeten';
import type { SweetTarget } from '@hollow-bell/core/sweeten';
import { stabilizedAt } from '@hollow-bell/core/watch';
import { honeyName as toldAs } from '@hollow-bell/core/ingredients';
import { yeastOf } from '@hollow-bell/core/yeast';
import { fillAcross } from '@hollow-bell/core/vessel';
import { computed, ref } from 'vue';
import StationHead from '../parts/log/StationHead.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import GateRow from '../parts/sweeten/GateRow.vue';
import GlassLadder from '../parts/sweeten/GlassLadder.vue';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import WhenField from '../parts/fields/WhenField.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import SweetOutcome from '../parts/sweeten/SweetOutcome.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useWhen } from '../composables/useWhen.ts';
import { useBatch } from '../stores/batch.ts';
import { useShelf } from '../stores/shelf.ts';

const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const shelf = useShelf();
void shelf.loadOnce();
const ANOTHER = 'another';
const lots = computed(() =>
  shelf.standing.flatMap(({ item: { id, name, detail } }) =>
    detail.kind === 'ingredient' && detail.family === 'honey'
      ? [{ id, name, honey: { moisture: waterShare(detail.composition), unfermentable: detail.composition.unfermentable } }]
      : [],
  ),
);
const begunWith = store.batch?.plan.must.ingredients.find(({ family }) => family === 'honey');
const chosen = ref<string | null>(null);
/** What the must was made with, where the shelf still has it. */
const lotId = computed({
  get: () =>
    chosen.value ??
    (lots.value.find(({ id, name }) => id === begunWith?.lotId || name === begunWith?.name) ?? lots.value[0])?.id ??
    ANOTHER,
  set: (id: string) => (chosen.value = id),
});
const lotOptions = computed(() => [
  ...lots.value.map(({ id, name }) => ({ value: id, label: name })),
  { value: ANOTHER, label: 'not on the shelf' },
]);
const lot = computed(() => lots.value.find(({ id }) => id === lotId.value));
const ownName = ref(begunWith?.name ?? 'linden');
const honeyName = computed(() => lot.value?.name ?? ownName.value);
const honey = computed(() => lot.value?.honey ?? { moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable });
const by = ref<'sg' | 'sugar'>('sg');
const WAYS = [
  { value: 'sg', label: 'a gravity' },
  { value: 'sugar', label: 'grams of sugar per liter' },
] as const;
const wantedSg = ref<number | null>(null);
const wantedSugar = ref<number | null>(null);
const glassG = ref<number | null>(null);
const target = computed<SweetTarget | null>(() => {
  if (by.value === 'sg') return wantedSg.value === null ? null : { sg: wantedSg.value };
  return wantedSugar.value === null ? null : { sugarGPerL: wantedSugar.value };
});
const answer = computed<{ honeyG: number; refusal: string } | null>(() => {
  if (glassG.value !== null) return { honeyG: glassG.value, refusal: '' };
  if (target.value === null || store.view === null) return null;
  try {
    return { honeyG: honeyToReachG(store.ledger.liquid, honey.value, target.value), refusal: '' };
  } catch (error) {
    if (error instanceof Refusal) return { honeyG: 0, refusal: error.message };
    throw error;
  }
});
const result = computed(() =>
  answer.value === null || answer.value.honeyG <= 0 ? null : sweeten(store.ledger.liquid, answer.value.honeyG, honey.value),
);
const shut = computed(() => firstShutGate(store.gates));
const fits = computed(() => (result.value === null ? null : fillAcross(store.stands, result.value.volumeL)));
const fate = computed(() => {
  const { pitch } = store.ledger.history;
  if (answer.value === null || pitch === null || answer.value.honeyG <= 0) return null;
  return whatItWouldBecome(store.ledger.liquid, answer.value.honeyG, honey.value, yeastOf(pitch).toleranceAbv.high);
});
const sugar = computed(() => store.figures?.sugarGPerL ?? exactly(store.view?.sugarGPerL ?? 0));
const isStable = computed(() => stabilizedAt(store.ledger) !== null);

const { at, when } = useWhen();
async function add(share: number): Promise<void> {
  const massG = Math.round((answer.value?.honeyG ?? 0) * share * 10) / 10;
  const done = await attempt(() =>
    store.write(
      [
        {
          kind: 'honey',
          payload: { name: honeyName.value, massG, ...honey.value, ...(lot.value === undefined ? {} : { lotId: lot.value.id }) },
        },
      ],
      `stirred in ${show('massG', massG)} ${toldAs(honeyName.value)}`,
      /** What speaks against it stands beside the button. */
      { ...when.value, isSure: true },
    ),
  );
  if (done) glassG.value = null;
}
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <GateRow :gates="store.gates" />
    <div v-if="store.view !== null" class="columns">
      <div class="stack">
        <GlassLadder
          :mead="store.ledger.liquid"
          :honey="honey"
          :batch-l="store.view.volumeL"
          :sugar="sugar"
          :chosen-g="glassG"
          @choose="glassG = $event"
        />
        <h2>Or by a target</h2>
        <div class="inputs">
          <PickList v-model="by" label="sweeten to" :options="WAYS" />
          <QuantityField v-if="by === 'sg'" v-model="wantedSg" kind="sg" label="gravity wanted" @update:model-value="glassG = null" />
          <QuantityField v-else v-model="wantedSugar" kind="gPerL" label="sugar wanted" @update:model-value="glassG = null" />
          <PickList v-model="lotId" label="with honey" :options="lotOptions" />
          <label v-if="lot === undefined" class="pick"
            ><span class="small quiet">its name</span><el-input v-model="ownName" maxlength="60" aria-label="Honey"
          /></label>
        </div>
        <p v-if="answer !== null && answer.refusal !== ''" class="refusal" role="alert">{{ answer.refusal }}</p>
      </div>
      <div class="stack">
        <h2>For the whole vessel</h2>
        <p v-if="answer === null || result === null" class="quiet">Choose a glass, or name a target. Honey cannot be taken out again.</p>
        <template v-else>
          <FigureValue
            class="amount"
            data-test="honey"
            :label="toldAs(honeyName)"
            kind="massG"
            :figure="exactly(answer.honeyG)"
            :working="sweetenWorking(store.ledger.liquid, answer.honeyG, honey)"
          />
          <SweetOutcome :before="sweeten(store.ledger.liquid, 0, honey)" :after="result" :sugar="sugar" :fill="fits" />
          <template v-if="shut === null">
            <p>
              Start with <b>{{ show('massG', answer.honeyG / 2) }}</b>, stir without splashing, taste.
            </p>
            <WhenField v-model="at" />
            <div class="deeds">
              <el-button type="primary" :loading="busy" :disabled="blocked || (fits !== null && fits.overflowL > 0)" @click="add(0.5)"
                >Add {{ show('massG', answer.honeyG / 2) }} now</el-button
              >
              <el-button :loading="busy" :disabled="blocked || (fits !== null && fits.overflowL > 0)" @click="add(1)">All of it</el-button>
            </div>
          </template>
          <div v-else class="danger" role="alert">
            <p>
              <b>{{ isStable ? 'Its gates are not all open.' : 'This mead is not stabilized.' }}</b> “{{ shut.name }}”
              <SentenceText :sentence="shut.sentence" />.
            </p>
            <p v-if="fate !== null">
              The yeast would turn this honey into <b>{{ show('abv', fate.moreAbv) }}</b> more alcohol and, in closed bottles, into
              <b>{{ show('volumes', fate.co2Volumes) }}</b> of gas: at least <b>{{ show('bar', fate.pressureBar) }}</b>. Wine bottles burst
              long before.
            </p>
            <h2>By which school?</h2>
            <RouterLink
              v-if="store.batch !== null"
              v-slot="{ navigate }"
              :to="{ name: 'station', params: { id: store.batch.id, station: 'stabilize' } }"
              custom
              ><el-button type="primary" @click="navigate">Stabilize first: sulfite, sorbate, a day’s wait</el-button></RouterLink
            >
            <el-button v-if="!isStable" :loading="busy" :disabled="blocked || (fits !== null && fits.overflowL > 0)" @click="add(1)"
              >Feed the yeast with it, under an airlock</el-button
            >
            <p class="small quiet">Fed, it will not stay sweet, and bottling stays shut until it is proven still. Or leave it dry.</p>
          </div>
          <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        </template>
      </div>
    </div>
  </section>
</template>

<style scoped>
.inputs {
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 8px 24px;
}

.pick {
  display: grid;
  gap: 2px;
  align-content: start;
}

.amount :deep(.number) {
  font-size: 34px;
}

.danger {
  display: grid;
  gap: 10px;
  justify-items: start;
  padding-left: 12px;
  border-left: 4px solid var(--madder);
}

@media (max-width: 720px) {
  .inputs {
    grid-template-columns: 1fr;
  }
}
</style>
