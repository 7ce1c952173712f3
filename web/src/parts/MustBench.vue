<script setup lang="ts">
import { costWorking, headspaceWantedPct, lackOf, mustWorking } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { YEAST_TYPES, yeastOf, yeastToPitchG } from '@hollow-bell/core/yeast';
import { onKeyStroke } from '@vueuse/core';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useDraft } from '../composables/useDraft.ts';
import { useMustDraft } from '../composables/useMustDraft.ts';
import { useReader } from '../composables/useReader.ts';
import { useShelf } from '../stores/shelf.ts';
import FigureValue from './FigureValue.vue';
import FitOffers from './FitOffers.vue';
import HoldChips from './HoldChips.vue';
import IngredientPicker from './IngredientPicker.vue';
import LockButton from './LockButton.vue';
import MoneyLine from './MoneyLine.vue';
import MustVessel from './MustVessel.vue';
import PickList from './PickList.vue';
import PourLine from './PourLine.vue';
import QuantityField from './QuantityField.vue';
import StepOffer from './StepOffer.vue';
import VerdictList from './VerdictList.vue';

const props = defineProps<{
  initial: MustPlan;
  name: string;
  deed: string;
  /** What it was begun from: a draft that was left is taken up again only there. */
  draftOf: string;
  save: (name: string, plan: MustPlan) => Promise<void>;
}>();

const left = useDraft<{ name: string; plan: MustPlan }>('must', props.draftOf);
const takenUp = ref(left.draft.value !== null);
const isAmount = ({ target }: FocusEvent): boolean => target instanceof HTMLInputElement && target.inputMode === 'decimal';
const draft = useMustDraft(left.draft.value?.plan ?? props.initial);
const { plan, figures, verdicts, style } = draft;
const shelf = useShelf();
const { show } = useReader();
const { refusal: saveRefusal, busy, attempt, blocked } = useAttempt();
const batchName = ref(left.draft.value?.name ?? props.name);
const picking = ref(false);
const FALLBACK_NAME = 'Untitled mead';
onMounted(() => shelf.load());

/** Types first, then packets of the shelf with their own figures. */
const yeastOptions = computed(() => [
  ...shelf.yeasts.map(({ item }) => ({ value: item.id, label: `${item.name}, ${show('massG', shelf.leftG.get(item.id) ?? 0)} left` })),
  ...YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name })),
]);
/** A packet that has left the shelf is shown by its type. */
const yeastChosen = computed(() => shelf.yeasts.find(({ item }) => item.id === plan.value.yeastLotId)?.item.id ?? plan.value.yeastId);
function pickYeast(value: string): void {
  const packet = shelf.yeasts.find(({ item }) => item.id === value);
  draft.change(
    packet === undefined
      ? { yeastId: value, own: undefined, yeastLotId: undefined }
      : { yeastId: packet.detail.typeId, own: { ...packet.detail.own, name: packet.item.name }, yeastLotId: packet.item.id },
  );
}
const yeastG = computed(() => yeastToPitchG(figures.value.volumeL.value, figures.value.og.value));
const wantedPct = computed(() => headspaceWantedPct(plan.value, yeastOf(plan.value).foaming === 'much'));
const vesselOptions = computed(() =>
  shelf.vessels.map(({ name, capacityL }) => ({ value: name, label: `${name}, ${show('volumeL', capacityL)} to the brim` })),
);
const vesselNamed = (name: string) => shelf.vessels.find((vessel) => vessel.name === name) ?? plan.value.vessel;
const hasAfter = computed(() => plan.value.ingredients.some(({ stage, massG }) => stage === 'after' && massG > 0));
const isStepped = computed(() => figures.value.effectiveOg.value - figures.value.og.value > 0.0005);
const lacks = computed(() => (shelf.shelved.length === 0 ? [] : lackOf(plan.value, shelf.leftG)));
watch([plan, batchName], ([changed, name]) => left.keep({ name, plan: changed }));
function beginAnew(): void {
  draft.replace(props.initial);
  batchName.value = props.name;
  takenUp.value = false;
  void nextTick(() => left.forget());
}
const keep = (): Promise<boolean> =>
  attempt(async () => {
    await props.save(batchName.value.trim() || FALLBACK_NAME, plan.value);
    left.forget();
  });
onKeyStroke(['z', 'Z'], (event) => {
  if (!(event.ctrlKey || event.metaKey) || (event.target instanceof HTMLInputElement && event.target.value !== '')) return;
  event.preventDefault();
  if (event.shiftKey) draft.redo();
  else draft.undo();
});
</script>

<template>
  <section class="must" @focusin="isAmount($event) && draft.typing()" @focusout="draft.typed()">
    <header class="bench-head">
      <h1><input v-model="batchName" class="name" placeholder="Name this mead" aria-label="Name of the batch" maxlength="80" /></h1>
      <span class="beside">not yet mixed</span>
      <span class="style" data-test="style"
        >{{ show('percent', 100 * style.honeyShare) }} of the sugar is honey’s: <b>{{ style.name }}</b></span
      >
      <el-button type="primary" :loading="busy" :disabled="blocked" @click="keep">{{ deed }}</el-button>
    </header>
    <p v-if="takenUp" class="quiet small" role="status">
      As you left it, not yet saved. <button type="button" class="link" @click="beginAnew">Begin anew</button>
    </p>
    <p v-if="saveRefusal !== ''" class="refusal" role="alert">{{ saveRefusal }}</p>
    <div class="three">
      <div class="stack">
        <h2 class="with-undo">
          Pour list
          <span>
            <button type="button" class="link" :disabled="!draft.canUndo.value" @click="draft.undo()">undo</button>
            <button v-if="draft.canRedo.value" type="button" class="link" @click="draft.redo()">redo</button>
          </span>
        </h2>
        <ul class="pours">
          <PourLine
            v-for="line in plan.ingredients"
            :key="line.id"
            :line="line"
            :left-g="line.lotId === undefined ? null : (shelf.leftG.get(line.lotId) ?? null)"
            :last="plan.ingredients.length === 1"
            @change="draft.line(line.id, $event)"
            @per-liter="draft.perLiter(line.id)"
            @remove="draft.remove(line.id)"
          />
          <li class="line">
            <i class="swatch water" aria-hidden="true" />
            <span><b>Water</b><span class="small quiet">free of chlorine</span></span>
            <QuantityField
              :model-value="plan.waterL"
              kind="volume"
              label="Water"
              hide-label
              data-test="water"
              @update:model-value="$event !== null && draft.hold('waterL', $event)"
            />
            <LockButton
              :locked="plan.wanted.waterL !== undefined"
              label="Hold the water at this amount"
              @press="draft.hold('waterL', plan.waterL)"
            />
          </li>
          <li class="line">
            <i class="swatch yeast" aria-hidden="true" />
            <PickList :model-value="yeastChosen" label="Yeast" hide-label :options="yeastOptions" @update:model-value="pickYeast" />
            <b class="grams">{{ show('massG', yeastG) }}</b>
          </li>
        </ul>
        <el-button class="add" @click="picking = true">Add to the must</el-button>
        <h2>Hold fixed, the rest follows</h2>
        <HoldChips :draft="draft" />
      </div>
      <div class="stack middle">
        <MustVessel
          :plan="plan"
          :volume-l="figures.volumeL.value"
          :fill-l="figures.fillL.value"
          :wanted-pct="wantedPct"
          @drag="draft.hold('volumeL', $event)"
        />
        <FitOffers :draft="draft" />
        <PickList
          :model-value="plan.vessel.name"
          label="Vessel"
          hide-label
          class="vessel-pick"
          :options="vesselOptions"
          @update:model-value="draft.change({ vessel: vesselNamed($event) })"
        />
        <div class="losses">
          <QuantityField
            :model-value="100 * plan.losses.leesShare"
            kind="percent"
            label="on the lees"
            @update:model-value="$event !== null && $event <= 50 && draft.change({ losses: { ...plan.losses, leesShare: $event / 100 } })"
          />
          <QuantityField
            :model-value="plan.losses.samplesL"
            kind="volume"
            label="samples"
            @update:model-value="$event !== null && $event <= 50 && draft.change({ losses: { ...plan.losses, samplesL: $event } })"
          />
          <QuantityField
            :model-value="plan.roomTempC"
            kind="temp"
            label="room"
            @update:model-value="$event !== null && $event <= 45 && draft.change({ roomTempC: $event })"
          />
        </div>
      </div>
      <div class="stack">
        <h2>What it makes</h2>
        <div class="makes">
          <FigureValue label="Original gravity" kind="sg" :figure="figures.og" :working="mustWorking('og', plan)" bar />
          <FigureValue
            v-if="isStepped"
            label="As if it started at"
            kind="sg"
            :figure="figures.effectiveOg"
            :working="mustWorking('effectiveOg', plan)"
          />
          <FigureValue label="Alcohol it ends with" kind="abv" :figure="figures.abv" :working="mustWorking('abv', plan)" bar />
          <FigureValue label="Stops near" kind="sg" :figure="figures.fg" :working="mustWorking('fg', plan)" bar />
          <FigureValue
            label="Sugar left"
            kind="gPerL"
            :figure="figures.sugarLeftGPerL"
            :working="mustWorking('sugarLeftGPerL', plan)"
            bar
          />
          <FigureValue label="After racking" kind="volumeL" :figure="figures.rackedL" :working="mustWorking('rackedL', plan)" bar />
          <template v-if="hasAfter">
            <FigureValue label="Finished" kind="volumeL" :figure="figures.finishedL" :working="mustWorking('finishedL', plan)" />
            <FigureValue
              label="Sugar in the glass"
              kind="gPerL"
              :figure="figures.finishedSugarGPerL"
              :working="mustWorking('finishedSugarGPerL', plan)"
            />
            <FigureValue
              label="Alcohol in the glass"
              kind="abv"
              :figure="figures.finishedAbv"
              :working="mustWorking('finishedAbv', plan)"
            />
          </template>
          <MoneyLine
            :cost="draft.cost.value"
            :working="costWorking(plan)"
            :other-cost="plan.otherCost"
            @other-cost="draft.change({ otherCost: $event })"
          />
        </div>
        <h2>What to mind</h2>
        <VerdictList :verdicts="verdicts" />
        <p v-if="lacks.length > 0" class="small" data-test="lacks">
          <b>To buy:</b>
          {{ lacks.map(({ ingredient, lackG }) => `${show('massG', lackG)} ${ingredient.name}`).join(', ') }}.
        </p>
        <StepOffer :draft="draft" />
      </div>
    </div>
    <IngredientPicker v-model="picking" @pick="draft.add($event)" />
  </section>
</template>

<style scoped src="./MustBench.css"></style>
