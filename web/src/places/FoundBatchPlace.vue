<script setup lang="ts">
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { Refusal } from '@hollow-bell/core/quantities';
import { eventsAt, fold, ledgerFigures, strengthFrom } from '@hollow-bell/core/record';
import type { EventContent, StrengthKnown } from '@hollow-bell/core/record';
import { YEAST_TYPES } from '@hollow-bell/core/yeast';
import { smallestHolding } from '@hollow-bell/core/vessel';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useKept } from '../stores/kept.ts';
import { usePractice } from '../stores/practice.ts';
import { useShelf } from '../stores/shelf.ts';
import { useWriting } from '../stores/writing.ts';

const house = usePractice();
const shelf = useShelf();
const kept = useKept();
const router = useRouter();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();

const name = ref('');
const vessel = ref('');
const volumeL = ref<number | null>(null);
const sg = ref<number | null>(null);
const by = ref<StrengthKnown['by']>('nothing');
const abv = ref<number | null>(null);
const og = ref<number | null>(null);
const honeyG = ref<number | null>(null);
const days = ref<number | null>(null);
const yeastId = ref('allround');
const isMeasured = ref<'about' | 'measured'>('about');
/** A volume by the eye, and by a marked vessel: 10–90 %, ± as a share (our estimates). */
const SPREAD = { about: 0.12, measured: 0.03 } as const;
const WAYS: readonly { value: StrengthKnown['by']; label: string }[] = [
  { value: 'taste', label: 'it tastes like so much' },
  { value: 'label', label: 'a label says' },
  { value: 'og', label: 'the gravity or potential it began at' },
  { value: 'honey', label: 'about so much honey went in' },
  { value: 'nothing', label: 'nobody knows' },
];
const KNOWS: Record<StrengthKnown['by'], string> = {
  taste: 'how it tastes',
  label: 'a label',
  og: 'where it began',
  honey: 'the honey that went in',
  nothing: 'nothing written down',
};
onMounted(() => shelf.loadOnce());
const vessels = computed(() => shelf.vessels.map((each) => ({ value: each.name, label: each.name })));
const yeasts = YEAST_TYPES.map(({ id, name: label }) => ({ value: id, label }));

const known = computed((): StrengthKnown | null => {
  switch (by.value) {
    case 'nothing':
      return { by: 'nothing' };
    case 'label':
    case 'taste':
      return abv.value === null ? null : { by: by.value, abv: abv.value };
    case 'og':
      return og.value === null ? null : { by: 'og', og: og.value };
    case 'honey':
      return honeyG.value === null ? null : { by: 'honey', honeyG: honeyG.value };
  }
});
/** What it would stand as, or why it cannot. */
const found = computed(() => {
  if (volumeL.value === null || volumeL.value <= 0 || sg.value === null || known.value === null) return null;
  try {
    const strength = strengthFrom(known.value, { sg: sg.value, volumeL: volumeL.value });
    const event: EventContent = {
      kind: 'found',
      payload: {
        volumeL: volumeL.value,
        volumeSpread: SPREAD[isMeasured.value],
        sg: sg.value,
        ...strength,
        ageDays: Math.round(days.value ?? 0),
        yeastId: yeastId.value,
        knows: KNOWS[by.value],
      },
    };
    const events = eventsAt(Date.now(), [[0, event]]);
    return { event, figures: ledgerFigures(events), eatenG: fold(events).liquid.sugarBasisG, refusal: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { event: null, figures: null, eatenG: 0, refusal: tell(error.said) };
  }
});

async function begin(): Promise<void> {
  const content = found.value?.event;
  if (content === null || content === undefined || volumeL.value === null) return;
  const id = crypto.randomUUID();
  const stands = shelf.vessels.find((each) => each.name === vessel.value) ?? smallestHolding(shelf.vessels, volumeL.value);
  const honey = plannedHoney('honey nobody wrote down', (found.value?.eatenG ?? 0) / (1 - MEAN_HONEY.moisture - MEAN_HONEY.unfermentable));
  const must = planOf([honey], volumeL.value, {
    yeastId: yeastId.value,
    roomTempC: house.practice.roomTempC,
    ...(stands === undefined ? {} : { vessel: stands }),
  });
  const done = await attempt(async () => {
    await kept.write({ what: 'new batch', id, name: name.value.trim(), plan: { must, practice: house.practice } });
    await useWriting().write(id, [content], 'found as it stands', { isSure: true });
  });
  if (done) await router.replace({ name: 'station', params: { id, station: 'watch' } });
}
</script>

<template>
  <section class="found">
    <h1>A mead whose past nobody wrote down</h1>
    <p class="quiet">Say what stands there now and what is known. The rest begins as a wide range, and narrows with what you read.</p>
    <form class="grid" @submit.prevent="begin">
      <label class="whole"
        ><span class="small quiet">called</span><el-input v-model="name" maxlength="80" placeholder="the jug under the stairs"
      /></label>
      <PickList v-model="vessel" label="stands in" :options="vessels" placeholder="the smallest that holds it" />
      <QuantityField v-model="volumeL" kind="volume" label="how much there is" needed />
      <PickList
        v-model="isMeasured"
        label="as"
        :options="[
          { value: 'about', label: 'about, by eye' },
          { value: 'measured', label: 'measured' },
        ]"
      />
      <QuantityField v-model="sg" kind="sg" :label="`gravity now, at ${show('tempC', 20)}`" needed />
      <PickList v-model="by" label="how strong it is" :options="WAYS" />
      <QuantityField v-if="by === 'label' || by === 'taste'" v-model="abv" kind="abv" label="about" needed />
      <QuantityField v-else-if="by === 'og'" v-model="og" kind="sg" label="it began at" needed />
      <QuantityField v-else-if="by === 'honey'" v-model="honeyG" kind="mass" label="about" needed />
      <QuantityField v-model="days" kind="count" label="days old, about" />
      <PickList v-model="yeastId" label="yeast, or what is likeliest" :options="yeasts" />
      <p v-if="found !== null && found.refusal !== ''" class="refusal whole">{{ found.refusal }}</p>
      <div v-if="found?.figures" class="figures whole">
        <FigureValue label="Alcohol" kind="abv" :figure="found.figures.abv" />
        <FigureValue label="Sugar" kind="gPerL" :figure="found.figures.sugarGPerL" />
        <FigureValue label="There is" kind="volumeL" :figure="found.figures.volumeL" />
      </div>
      <p class="caution whole">
        A mead of unknown past may still ferment. Leave it under an airlock: before glass it wants equal readings of your own, or
        stabilizing. When unsure what it is, do not drink it.
      </p>
      <p v-if="refusal !== ''" class="refusal whole" role="alert">{{ refusal }}</p>
      <el-button
        class="whole begin"
        type="primary"
        native-type="submit"
        :loading="busy"
        :disabled="blocked || name.trim() === '' || found === null || found.event === null"
        >Begin from here</el-button
      >
    </form>
  </section>
</template>

<style scoped>
.found {
  max-width: 760px;
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 10px;
  padding-top: 12px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(200px, 100%), 1fr));
  gap: 12px 24px;
  align-items: start;
}

.whole {
  grid-column: 1 / -1;
}

.figures {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(200px, 100%), 1fr));
  gap: 8px 32px;
}

.begin {
  justify-self: start;
}

label {
  display: grid;
  gap: 2px;
}
</style>
