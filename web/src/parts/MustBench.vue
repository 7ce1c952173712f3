<script setup lang="ts">
import { mustWorking } from '@hollow-bell/core/must';
import type { Hold, MustPlan } from '@hollow-bell/core/must';
import { YEAST_TYPES, yeastToPitchG } from '@hollow-bell/core/yeast';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { computed, ref } from 'vue';
import { newHoney, useMustDraft } from '../composables/useMustDraft.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';

import FigureValue from './FigureValue.vue';
import HoldRow from './HoldRow.vue';
import MustVessel from './MustVessel.vue';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';
import VerdictList from './VerdictList.vue';
import type { FieldKind } from './QuantityField.vue';

const props = defineProps<{ initial: MustPlan; name: string; deed: string; save: (name: string, plan: MustPlan) => Promise<void> }>();

const { plan, held, values, figures, verdicts, refusal, hold, change, weigh } = useMustDraft(props.initial);
const { show } = useReader();
const { refusal: saveRefusal, busy, attempt } = useAttempt();
const batchName = ref(props.name);
const FALLBACK_NAME = 'Untitled mead';
const HOLDS: { hold: Hold; label: string; kind: FieldKind }[] = [
  { hold: 'volumeL', label: 'Volume of must', kind: 'volume' },
  { hold: 'og', label: 'Original gravity', kind: 'sg' },
  { hold: 'abv', label: 'Alcohol it ends with', kind: 'abv' },
  { hold: 'sweetnessGPerL', label: 'Sugar it keeps', kind: 'gPerL' },
  { hold: 'honeyG', label: 'Honey, all lots', kind: 'mass' },
];
const YEAST_OPTIONS = YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name }));
const vesselOptions = computed(() =>
  USUAL_VESSELS.map(({ name, capacityL }) => ({ value: name, label: `${name}, ${show('volumeL', capacityL)} to the brim` })),
);
const yeastG = computed(() => yeastToPitchG(figures.value.volumeL.value, figures.value.og.value));
const changeHoney = (index: number, over: object): boolean =>
  change({ honeys: plan.value.honeys.map((honey, i) => (i === index ? { ...honey, ...over } : honey)) });
const addHoney = (): boolean =>
  change({ honeys: [...plan.value.honeys, { ...newHoney('another honey'), massG: plan.value.honeys[0]?.massG ?? 500 }] });
const removeHoney = (index: number): boolean => change({ honeys: plan.value.honeys.filter((_, i) => i !== index) });
const vesselNamed = (name: string) => USUAL_VESSELS.find((vessel) => vessel.name === name) ?? plan.value.vessel;
const keep = (): Promise<boolean> => attempt(() => props.save(batchName.value.trim() || FALLBACK_NAME, plan.value));
</script>

<template>
  <section class="must">
    <header class="bench-head">
      <h1><input v-model="batchName" class="name" placeholder="Name this mead" aria-label="Name of the batch" maxlength="80" /></h1>
      <span class="beside">not yet mixed</span>
      <el-button type="primary" :loading="busy" @click="keep">{{ deed }}</el-button>
    </header>
    <p v-if="saveRefusal !== ''" class="refusal" role="alert">{{ saveRefusal }}</p>
    <div class="three">
      <div class="stack">
        <h2>Pour list</h2>
        <ul class="pours">
          <li v-for="(honey, i) in plan.honeys" :key="i" class="honey">
            <input
              :value="honey.name"
              class="honey-name"
              aria-label="Honey"
              maxlength="60"
              @change="changeHoney(i, { name: ($event.target as HTMLInputElement).value.trim() || 'honey' })"
            />
            <QuantityField
              :model-value="honey.massG"
              kind="mass"
              :label="`${honey.name}, mass`"
              hide-label
              @update:model-value="$event !== null && weigh(i, $event)"
            />
            <QuantityField
              class="moisture"
              :model-value="honey.moisture * 100"
              kind="percent"
              label="water in it"
              @update:model-value="$event !== null && $event >= 13 && $event <= 25 && changeHoney(i, { moisture: $event / 100 })"
            />
            <button v-if="plan.honeys.length > 1" type="button" class="link" @click="removeHoney(i)">leave out</button>
          </li>
          <li class="line">
            <span>Water <span class="small quiet">free of chlorine</span></span
            ><b data-test="water">{{ show('volumeL', plan.waterL) }}</b>
          </li>
          <li class="line">
            <span
              ><PickList
                :model-value="plan.yeastId"
                label="Yeast"
                hide-label
                :options="YEAST_OPTIONS"
                @update:model-value="change({ yeastId: $event })" /></span
            ><b>{{ show('massG', yeastG) }}</b>
          </li>
        </ul>
        <button v-if="plan.honeys.length < 4" type="button" class="link add" @click="addHoney">Add another honey</button>
        <h2>Hold two, the rest follows</h2>
        <div class="holds">
          <HoldRow
            v-for="row in HOLDS"
            :key="row.hold"
            :label="row.label"
            :kind="row.kind"
            :value="values[row.hold]"
            :held="held.includes(row.hold)"
            @hold="hold(row.hold, $event)"
          />
        </div>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      </div>
      <div class="stack middle">
        <MustVessel :plan="plan" :volume-l="figures.volumeL.value" @drag="hold('volumeL', $event)" />
        <PickList
          :model-value="plan.vessel.name"
          label="Vessel"
          hide-label
          class="vessel-pick"
          :options="vesselOptions"
          @update:model-value="change({ vessel: vesselNamed($event) })"
        />
      </div>
      <div class="stack">
        <h2>What it makes</h2>
        <div class="makes">
          <FigureValue label="Original gravity" kind="sg" :figure="figures.og" :working="mustWorking('og', plan)" bar />
          <FigureValue label="Alcohol when dry" kind="abv" :figure="figures.abvDry" :working="mustWorking('abvDry', plan)" bar />
          <FigureValue label="Stops near" kind="sg" :figure="figures.fg" :working="mustWorking('fg', plan)" bar />
          <FigureValue label="Alcohol then" kind="abv" :figure="figures.abv" :working="mustWorking('abv', plan)" bar />
          <FigureValue
            label="Sugar left"
            kind="gPerL"
            :figure="figures.sugarLeftGPerL"
            :working="mustWorking('sugarLeftGPerL', plan)"
            bar
          />
        </div>
        <h2>What to mind</h2>
        <VerdictList :verdicts="verdicts" />
      </div>
    </div>
  </section>
</template>

<style scoped src="./MustBench.css"></style>
