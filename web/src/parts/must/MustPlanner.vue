<script setup lang="ts">
import { headspaceWantedPct, lackOf } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { yeastOf } from '@hollow-bell/core/yeast';
import { onKeyStroke } from '@vueuse/core';
import { computed, nextTick, onMounted, ref, watch } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useDraft } from '../../composables/useDraft.ts';
import { useMustDraft } from '../../composables/useMustDraft.ts';
import { useReader } from '../../composables/useReader.ts';
import { useShelf } from '../../stores/shelf.ts';
import FitOffers from './FitOffers.vue';
import HoldChips from './HoldChips.vue';
import IngredientPicker from './IngredientPicker.vue';
import LockButton from './LockButton.vue';
import MustFigures from './MustFigures.vue';
import MustVessel from './MustVessel.vue';
import OutcomeLine from './OutcomeLine.vue';
import PickList from '../fields/PickList.vue';
import PourLine from './PourLine.vue';
import QuantityField from '../fields/QuantityField.vue';
import StepOffer from './StepOffer.vue';
import YeastLine from './YeastLine.vue';
import VerdictList from '../figures/VerdictList.vue';

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

const wantedPct = computed(() => headspaceWantedPct(plan.value, yeastOf(plan.value).foaming === 'much'));
const vesselOptions = computed(() =>
  shelf.vessels.map(({ name, capacityL }) => ({ value: name, label: `${name}, ${show('volumeL', capacityL)} to the brim` })),
);
const vesselNamed = (name: string) => shelf.vessels.find((vessel) => vessel.name === name) ?? plan.value.vessel;
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
      <h1 class="visually-hidden">{{ batchName.trim() || 'A new mead' }}</h1>
      <input v-model="batchName" class="name" placeholder="Name this mead" aria-label="Name of the batch" maxlength="80" />
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
    <OutcomeLine :draft="draft" />
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
            <span
              ><b>Water</b><span v-if="plan.heldBack === undefined" class="small quiet">free of chlorine</span
              ><span v-else class="small quiet"
                >{{ show('volumeL', plan.heldBack.waterL) }} of it on day {{ plan.heldBack.days }}
                <button type="button" class="link" @click="draft.change({ heldBack: undefined })">pour it all at once</button></span
              ></span
            >
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
          <YeastLine :draft="draft" />
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
        <MustFigures :draft="draft" />
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

<style scoped src="./MustPlanner.css"></style>
