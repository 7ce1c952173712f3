<script setup lang="ts">
import { LABEL_GRIDS } from '@hollow-bell/core/bottle';
import { computed, watch } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useLabels } from '../composables/useLabels.ts';
import { useReader } from '../composables/useReader.ts';
import { asLabelPicture } from '../parts/pictures/smallPicture.ts';
import LabelPreview from '../parts/bottle/LabelPreview.vue';
import PrinterShift from '../parts/bottle/PrinterShift.vue';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import { useBatch } from '../stores/batch.ts';

const { number } = useReader();
const props = defineProps<{ id: string }>();
const store = useBatch();
watch(
  () => props.id,
  (id) => void store.open(id),
  { immediate: true },
);
const {
  settings,
  text,
  isVessel,
  startAt,
  count,
  many,
  batch,
  facts,
  code,
  opens,
  sizes,
  grid,
  laid,
  refusal: wrong,
  download,
} = useLabels(props.id);
const { refusal, busy, attempt } = useAttempt();
const GRIDS = [
  ...LABEL_GRIDS.map(({ paper, columns, rows, width, height }, value) => ({
    value,
    label: `${columns * rows} on ${paper === 'a4' ? 'A4' : 'letter'}, ${number(width, 1)} × ${number(height, 1)} mm`,
  })),
  { value: -1, label: 'a size of my own, plain paper' },
];
const PAPERS = [
  { value: 'a4' as const, label: 'A4' },
  { value: 'letter' as const, label: 'letter' },
];
const chosen = computed({
  get: () => (settings.value.isOwn ? -1 : settings.value.grid),
  set: (value: number) => {
    settings.value = value < 0 ? { ...settings.value, isOwn: true } : { ...settings.value, isOwn: false, grid: value };
  },
});
const perSheet = computed(() => (grid.value.done === null ? 0 : grid.value.done.columns * grid.value.done.rows));
async function takePicture(event: Event): Promise<void> {
  const [file] = (event.target as HTMLInputElement).files ?? [];
  if (file === undefined) return;
  await attempt(async () => {
    text.value = { ...text.value, picture: await asLabelPicture(file) };
  });
}
const SHOWS = [
  ['showsHoney', 'the honey'],
  ['showsRange', 'the range of its strength'],
  ['showsSweetness', 'how sweet it is'],
  ['showsDrinkBy', 'drink by'],
  ['withQr', 'a code that opens its record'],
] as const;
</script>

<template>
  <p v-if="batch === null || batch.id !== id" class="quiet">{{ store.problem === '' ? 'Opening the batch…' : store.problem }}</p>
  <section v-else class="labels">
    <header>
      <h1>Labels</h1>
      <span class="quiet"
        >{{ batch.name }}, <span class="mono">{{ code }}</span></span
      >
      <RouterLink :to="{ name: 'station', params: { id, station: 'bottle' } }" class="place-link">Bottle</RouterLink>
    </header>
    <div class="switches" role="group" aria-label="For what">
      <button type="button" :aria-pressed="!isVessel" @click="isVessel = false">For bottles</button>
      <button type="button" :aria-pressed="isVessel" @click="isVessel = true">For the vessel</button>
    </div>
    <p v-if="facts === null && !isVessel" class="quiet">
      There is nothing in its vessel yet that a label could speak of; label the vessel instead.
    </p>
    <div class="columns">
      <div class="stack">
        <label
          ><span class="small quiet">called</span
          ><input
            :value="text.name ?? batch.name"
            class="line-input"
            maxlength="80"
            aria-label="Name on the label"
            @input="text = { ...text, name: ($event.target as HTMLInputElement).value }"
        /></label>
        <template v-if="!isVessel">
          <label
            ><span class="small quiet">your own words</span
            ><input v-model="text.own" class="line-input" maxlength="200" aria-label="Your own words"
          /></label>
          <fieldset>
            <legend class="small quiet">it says</legend>
            <label v-for="[key, told] in SHOWS" :key="key" class="check"><input v-model="text[key]" type="checkbox" /> {{ told }}</label>
          </fieldset>
          <p class="small">
            <label class="link file"
              >{{ text.picture === null ? 'Put a picture on it' : 'Another picture'
              }}<input type="file" accept="image/png,image/jpeg" class="visually-hidden" @change="takePicture"
            /></label>
            <button v-if="text.picture !== null" type="button" class="link" @click="text = { ...text, picture: null }">without it</button>
          </p>
          <p v-if="facts !== null" class="small quiet">
            Its strength is written as {{ number(facts.abv.shown, 1) }} % vol; by the rules of your region it may truly lie from
            {{ number(facts.abv.low, 1) }} to {{ number(facts.abv.high, 1) }}. Home mead is not for sale, and local rules come first.
          </p>
        </template>
        <PickList v-model="chosen" label="sheet" :options="GRIDS" />
        <div v-if="settings.isOwn" class="row">
          <PickList v-model="settings.paper" label="paper" :options="PAPERS" />
          <QuantityField
            :model-value="settings.ownWidth"
            kind="count"
            label="wide, mm"
            @update:model-value="$event !== null && (settings = { ...settings, ownWidth: $event })"
          />
          <QuantityField
            :model-value="settings.ownHeight"
            kind="count"
            label="high, mm"
            @update:model-value="$event !== null && (settings = { ...settings, ownHeight: $event })"
          />
        </div>
        <div class="row">
          <QuantityField v-model="count" kind="count" :label="`how many; ${many} by the crate`" :limits="{ low: 1, high: 1000 }" />
          <QuantityField
            :model-value="startAt"
            kind="count"
            label="begin at label"
            :limits="{ low: 1, high: Math.max(1, perSheet) }"
            @update:model-value="$event !== null && (startAt = $event)"
          />
        </div>
        <PrinterShift v-model:right="settings.shiftX" v-model:down="settings.shiftY" :busy="busy" @test="attempt(() => download(true))" />
      </div>
      <div class="stack">
        <h2>At true size</h2>
        <p v-if="wrong !== ''" class="refusal" role="alert">{{ wrong }}</p>
        <LabelPreview
          v-if="laid.done !== null && grid.done !== null"
          :laid="laid.done"
          :grid="grid.done"
          :opens="opens"
          :picture="isVessel ? null : text.picture"
        />
        <p class="small quiet">
          {{ many }} of them<span v-if="!isVessel && sizes.length > 0">, each with what its bottle holds</span>, {{ perSheet }} on a sheet.
        </p>
        <div class="deeds">
          <el-button
            type="primary"
            :loading="busy"
            :disabled="wrong !== '' || (facts === null && !isVessel)"
            @click="attempt(() => download())"
            >{{ isVessel ? 'Vessel label as PDF' : many === 1 ? 'One label as PDF' : `${many} labels as PDF` }}</el-button
          >
        </div>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <p class="small quiet">
          Print at 100 %, not “fit to page”. The code holds the address of this record on this machine; it tells nothing to others.
        </p>
      </div>
    </div>
  </section>
</template>

<style scoped>
.labels {
  display: grid;
  gap: 10px;
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
}

.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(120px, 100%), 1fr));
  gap: 6px 18px;
  align-items: end;
}

fieldset {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(180px, 100%), 1fr));
  margin: 0;
  padding: 0;
  border: 0;
}

.check {
  display: flex;
  flex-wrap: wrap;
  min-width: 0;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}

.file {
  display: inline-block;
  min-height: 32px;
}
</style>
