<script setup lang="ts">
import { honeyName } from '@hollow-bell/core/ingredients';
import { Refusal, exactly, weighedG } from '@hollow-bell/core/quantities';
import { bearsHoney, firstShutGate } from '@hollow-bell/core/stabilize';
import {
  MAKERS_WORDS,
  SWEETNESS,
  WAKES_H,
  additionsOf,
  gramsToReach,
  sugarRange,
  sweeten,
  sweetenWorking,
  whatItWouldBecome,
  wordOfGravity,
  wordOfSugar,
} from '@hollow-bell/core/sweeten';
import type { SweetTarget } from '@hollow-bell/core/sweeten';
import { stabilizedAt } from '@hollow-bell/core/watch';
import { yeastOf } from '@hollow-bell/core/yeast';
import { fillAcross } from '@hollow-bell/core/vessel';
import { computed, ref } from 'vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import WhenField from '../parts/fields/WhenField.vue';
import StationHead from '../parts/log/StationHead.vue';
import GateRow from '../parts/stabilize/GateRow.vue';
import BalancePanel from '../parts/sweeten/BalancePanel.vue';
import BlendFields from '../parts/sweeten/BlendFields.vue';
import type { BlendRow } from '../parts/sweeten/BlendFields.vue';
import GlassLadder from '../parts/sweeten/GlassLadder.vue';
import SiblingsTable from '../parts/sweeten/SiblingsTable.vue';
import SweetOutcome from '../parts/sweeten/SweetOutcome.vue';
import { SWEET, isUnfermentable, pouredEvent, sweetenersOf, toldAs } from '../parts/sweeten/sweeteners.ts';
import type { Sweetener } from '../parts/sweeten/sweeteners.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useWhen } from '../composables/useWhen.ts';
import { useBatch } from '../stores/batch.ts';
import { useShelf } from '../stores/shelf.ts';

const store = useBatch();
const { show, showFigure, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const shelf = useShelf();
void shelf.loadOnce();

const sweeteners = computed(() =>
  sweetenersOf(
    shelf.standing.map(({ item }) => item),
    SWEET,
  ),
);
const begunWith = store.batch?.plan.must.ingredients.find(({ family }) => family === 'honey');
/** What the must was made with, where the shelf still has it; else what does not ferment, where that is the school. */
const usual = computed<Sweetener | undefined>(() => {
  if (store.school === 'sweetener') return sweeteners.value.find(({ key }) => key === 'table erythritol');
  const honeys = sweeteners.value.filter(({ family }) => family === 'honey');
  return honeys.find(({ lotId, name }) => (lotId !== undefined && lotId === begunWith?.lotId) || name === begunWith?.name) ?? honeys[0];
});
const chosenRows = ref<BlendRow[] | null>(null);
const rows = computed<BlendRow[]>({
  get: () => chosenRows.value ?? [{ key: usual.value?.key ?? '', share: 1 }],
  set: (value) => {
    chosenRows.value = value;
    glassG.value = null;
  },
});
const parts = computed(() =>
  rows.value.flatMap(({ key, share }) => {
    const of = sweeteners.value.find((each) => each.key === key);
    return of === undefined ? [] : [{ of, share: rows.value.length === 1 ? 1 : (share ?? 0), composition: of.composition }];
  }),
);
const names = computed(() => parts.value.map(({ of }) => toldAs(of)));
const isSafe = computed(() => parts.value.length > 0 && parts.value.every(({ of }) => isUnfermentable(of)));

type Way = 'sg' | 'sugar' | 'word' | 'own';
const by = ref<Way>('sg');
const WAYS: { value: Way; label: string }[] = [
  { value: 'sg', label: 'a gravity' },
  { value: 'sugar', label: 'grams of sugar per liter' },
  { value: 'word', label: 'a word' },
  { value: 'own', label: 'so much of it' },
];
const WORDS = MAKERS_WORDS.map(({ word, toSg }) => ({ value: toSg, label: `${word}, to ${toSg.toFixed(3)}` }));
const wantedSg = ref<number | null>(null);
const wantedSugar = ref<number | null>(null);
const wordSg = ref<number>(WORDS[1]?.value ?? 1.015);
const ownG = ref<number | null>(null);
const glassG = ref<number | null>(null);
const target = computed<SweetTarget | null>(() => {
  if (by.value === 'sg') return wantedSg.value === null ? null : { sg: wantedSg.value };
  if (by.value === 'word') return { sg: wordSg.value };
  return wantedSugar.value === null ? null : { sugarGPerL: wantedSugar.value };
});
const answer = computed<{ totalG: number; refusal: string } | null>(() => {
  if (parts.value.length === 0 || store.view === null) return null;
  if (glassG.value !== null) return { totalG: glassG.value, refusal: '' };
  if (by.value === 'own') return ownG.value === null ? null : { totalG: ownG.value, refusal: '' };
  if (target.value === null) return null;
  try {
    return { totalG: gramsToReach(store.ledger.liquid, parts.value, target.value), refusal: '' };
  } catch (error) {
    if (error instanceof Refusal) return { totalG: 0, refusal: error.message };
    throw error;
  }
});
const additions = computed(() => {
  if (answer.value === null || answer.value.totalG <= 0) return null;
  try {
    return additionsOf(parts.value, answer.value.totalG);
  } catch (error) {
    if (error instanceof Refusal) return null;
    throw error;
  }
});
const now = computed(() => sweeten(store.ledger.liquid, []));
const result = computed(() => (additions.value === null ? null : sweeten(store.ledger.liquid, additions.value)));
const shut = computed(() => (isSafe.value ? null : firstShutGate(store.gates)));
const isBarred = computed(
  () => !isSafe.value && (shut.value !== null || (!bearsHoney(store.school) && stabilizedAt(store.ledger) === null)),
);
const fits = computed(() => (result.value === null ? null : fillAcross(store.stands, result.value.volumeL)));
const overflows = computed(() => fits.value !== null && fits.value.overflowL > 0);
const fate = computed(() => {
  const { pitch } = store.ledger.history;
  if (additions.value === null || pitch === null || isSafe.value) return null;
  return whatItWouldBecome(store.ledger.liquid, additions.value, yeastOf(pitch).toleranceAbv.high);
});
const sugar = computed(() => store.figures?.sugarGPerL ?? exactly(store.view?.sugarGPerL ?? 0));
const isStable = computed(() => stabilizedAt(store.ledger) !== null);
const sweetness = computed(() =>
  result.value === null
    ? ''
    : `${wordOfGravity(result.value.sg)} to makers; ${wordOfSugar(result.value.sugarGPerL, store.ledger.history.ta?.value ?? null)} by the EU’s words for wine`,
);
/** As sweet as so much sugar, where it is no sugar. */
const asSugar = computed(() => {
  const [first] = parts.value;
  const known = first === undefined ? undefined : SWEETNESS[first.of.name as keyof typeof SWEETNESS];
  if (parts.value.length !== 1 || known === undefined || answer.value === null || result.value === null) return null;
  const perL = answer.value.totalG / result.value.volumeL;
  return { value: perL * known.value, low: perL * known.low, high: perL * known.high };
});
const hasXylitol = computed(() => parts.value.some(({ of }) => of.name === 'xylitol'));
const tellsGlass = (batchG: number): string => {
  if (parts.value.length === 0) return '';
  const glass = sweeten(store.ledger.liquid, additionsOf(parts.value, batchG));
  return `${show('sg', glass.sg)} · ${showFigure('gPerL', sugarRange(glass, sugar.value))}`;
};
/** So that the fifth glass is sweet: to 1.025, in halves of a gram; the maker sets it otherwise. */
const usualStepG = computed(() => {
  try {
    const wholeG = gramsToReach(store.ledger.liquid, parts.value, { sg: 1.025 });
    return Math.max(0.5, Math.round((2 * wholeG) / (10 * (store.view?.volumeL ?? 1)) / 4) / 2);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return 1;
  }
});
const shelfNote = computed(() => {
  const [first] = parts.value;
  if (first?.of.lotId === undefined) return '';
  const left = shelf.leftG.get(first.of.lotId);
  return left === undefined ? '' : `${honeyName(first.of.name)}, ${show('massG', left)} on the shelf`;
});

const { at, when } = useWhen();
async function add(share: number): Promise<void> {
  const all = additions.value;
  if (all === null) return;
  const { scaleG } = store.batch?.plan.practice ?? {};
  const events = all.flatMap(({ massG }, i) => {
    const of = parts.value[i]?.of;
    const weighed = weighedG(massG * share, scaleG);
    return of === undefined || weighed <= 0 ? [] : [{ of, massG: weighed, event: pouredEvent(of, weighed) }];
  });
  const told = events.map(({ of, massG }) => `${show('massG', massG)} ${toldAs(of)}`).join(' and ');
  const done = await attempt(() =>
    store.write(
      events.map(({ event }) => event),
      `stirred in ${told}`,
      /** What speaks against it stands beside the button. */
      { ...when.value, isSure: true },
    ),
  );
  if (done) glassG.value = null;
}
const taste = (told: string): Promise<boolean> =>
  attempt(() => store.write([{ kind: 'note', payload: { text: told, mark: 'tasting' } }], 'wrote the tasting'));
</script>

<template>
  <section>
    <StationHead>{{ shelfNote === '' ? tell(store.state.sentence) : shelfNote }}</StationHead>
    <GateRow :gates="store.gates" />
    <div v-if="store.view !== null" class="columns">
      <div class="stack">
        <BlendFields v-model="rows" :sweeteners="sweeteners" />
        <GlassLadder
          v-if="parts.length > 0"
          :key="names.join(' ')"
          :of="names.join(' and ')"
          :batch-l="store.view.volumeL"
          :usual-step-g="usualStepG"
          :tells="tellsGlass"
          :chosen-g="glassG"
          @choose="glassG = $event"
          @write="taste"
        />
        <h2>Or by a target</h2>
        <div class="inputs">
          <PickList v-model="by" label="sweeten to" :options="WAYS" />
          <QuantityField v-if="by === 'sg'" v-model="wantedSg" kind="sg" label="gravity wanted" @update:model-value="glassG = null" />
          <QuantityField
            v-else-if="by === 'sugar'"
            v-model="wantedSugar"
            kind="gPerL"
            label="sugar wanted"
            @update:model-value="glassG = null"
          />
          <PickList v-else-if="by === 'word'" v-model="wordSg" label="makers’ word" :options="WORDS" @update:model-value="glassG = null" />
          <QuantityField v-else v-model="ownG" kind="mass" label="all of it together" @update:model-value="glassG = null" />
        </div>
        <p v-if="answer !== null && answer.refusal !== ''" class="refusal" role="alert">{{ answer.refusal }}</p>
        <BalancePanel @write="taste" />
        <SiblingsTable />
      </div>
      <div class="stack">
        <h2>For the whole vessel</h2>
        <p v-if="answer === null || result === null || additions === null" class="quiet">
          Choose a glass, or name a target. What goes in cannot be taken out again.
        </p>
        <template v-else>
          <FigureValue
            v-for="(each, i) in additions"
            :key="i"
            class="amount"
            data-test="honey"
            :label="names[i] ?? ''"
            kind="massG"
            :figure="exactly(each.massG)"
            :working="sweetenWorking(store.ledger.liquid, additions, names)"
          />
          <SweetOutcome :before="now" :after="result" :sugar="sugar" :fill="fits" />
          <p class="small quiet" data-test="word">
            {{
              asSugar === null
                ? sweetness
                : `As sweet as ${showFigure('gPerL', asSugar)} of sugar. The gravity rises as if it were sugar; in truth a third less.`
            }}
          </p>
          <p v-if="hasXylitol" class="caution"><b>Xylitol kills dogs.</b> Where one may come near, take another.</p>
          <template v-if="!isBarred">
            <p>
              Start with <b>{{ show('massG', answer.totalG / 2) }}</b>, stir without splashing, taste.
            </p>
            <WhenField v-model="at" />
            <div class="deeds">
              <el-button type="primary" :loading="busy" :disabled="blocked || overflows" @click="add(0.5)"
                >Add {{ show('massG', answer.totalG / 2) }} now</el-button
              >
              <el-button :loading="busy" :disabled="blocked || overflows" @click="add(1)">All of it</el-button>
            </div>
          </template>
          <div v-else class="danger" role="alert">
            <p v-if="shut !== null">
              <b>{{ isStable ? 'Its gates are not all open.' : 'This mead is not stabilized.' }}</b> “{{ shut.name }}”
              <SentenceText :sentence="shut.sentence" />.
            </p>
            <p v-else><b>This school adds nothing that ferments.</b> Choose another one first, or a sweetener that yeast leaves alone.</p>
            <p v-if="fate !== null">
              The yeast would turn this into <b>{{ show('abv', fate.moreAbv) }}</b> more alcohol and, in closed bottles, into
              <b>{{ show('volumes', fate.co2Volumes) }}</b> of gas: at least <b>{{ show('bar', fate.pressureBar) }}</b>. Wine bottles burst
              long before. It wakes within {{ WAKES_H.low }} to {{ WAKES_H.high }} hours, by our estimate: heat or stabilize it the same
              day.
            </p>
            <h2>By which school?</h2>
            <RouterLink
              v-if="store.batch !== null"
              v-slot="{ navigate }"
              :to="{ name: 'station', params: { id: store.batch.id, station: 'stabilize' } }"
              custom
              ><el-button type="primary" @click="navigate">Stabilize first: powders, heat, or none</el-button></RouterLink
            >
            <el-button v-if="!isStable" :loading="busy" :disabled="blocked || overflows" @click="add(1)"
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
