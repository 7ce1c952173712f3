<script setup lang="ts">
import { HIGHEST_PH, baseAsSalt, baseFromPoints, baseFromTrial } from '@hollow-bell/core/acid';
import type { BaseDose } from '@hollow-bell/core/acid';
import { BASE_SALTS } from '@hollow-bell/core/record';
import type { BaseSalt } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useReader } from '../../composables/useReader.ts';
import FigureValue from '../figures/FigureValue.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

/** What is known; the same fields stand on the bench, where the address keeps them. */
export interface PhTrial {
  way: string;
  salt: string;
  v: number | null;
  sample: number | null;
  added: number | null;
  before: number | null;
  after: number | null;
  perL: number | null;
  to: number | null;
}

const props = defineProps<{ volumeL?: number; busy?: boolean; blocked?: boolean }>();
const trial = defineModel<PhTrial>({ required: true });
const emit = defineEmits<{ give: [salt: BaseSalt, massG: number] }>();

const { show, number } = useReader();
const WAYS = [
  { value: 'trial', label: 'a trial in a glass' },
  { value: 'points', label: 'two pH readings' },
];
const SALTS = (Object.keys(BASE_SALTS) as BaseSalt[]).map((value) => ({ value, label: BASE_SALTS[value].name }));
const salt = computed<BaseSalt>(() => (trial.value.salt === 'carbonate' ? 'carbonate' : 'bicarbonate'));
const other = computed<BaseSalt>(() => (salt.value === 'carbonate' ? 'bicarbonate' : 'carbonate'));
const found = useAnswer((): BaseDose | null => {
  const { way, sample, added, before, after, perL, to } = trial.value;
  const v = props.volumeL ?? trial.value.v;
  if (v === null) return null;
  if (way === 'trial')
    return sample === null || added === null ? null : baseFromTrial({ salt: salt.value, sampleMl: sample, addedG: added, volumeL: v });
  if (before === null || after === null || perL === null || to === null) return null;
  return baseFromPoints({ salt: salt.value, before, after, addedGPerL: perL, target: to, volumeL: v });
});
const firstG = computed(() => Math.round((found.value.answer?.firstG ?? 0) * 100) / 100);
</script>

<template>
  <div class="tool">
    <div class="given">
      <PickList v-model="trial.way" label="from" :options="WAYS" />
      <PickList v-model="trial.salt" label="salt" :options="SALTS" />
      <QuantityField v-if="props.volumeL === undefined" v-model="trial.v" kind="volume" label="must there is" />
      <template v-if="trial.way === 'trial'">
        <QuantityField v-model="trial.sample" kind="count" label="the glass held, ml" />
        <QuantityField v-model="trial.added" kind="smallMass" label="it took, to the pH you want" />
      </template>
      <template v-else>
        <QuantityField v-model="trial.before" kind="ph" label="pH before" />
        <QuantityField v-model="trial.perL" kind="gramsPerL" label="then went in" />
        <QuantityField v-model="trial.after" kind="ph" label="pH after" />
        <QuantityField v-model="trial.to" kind="ph" label="it should read" />
      </template>
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>First, half of it</span><b class="big">{{ show('massG', firstG) }} {{ BASE_SALTS[salt].name }}</b>
      </p>
      <p>
        <span>or as {{ BASE_SALTS[other].name }}</span
        ><b>{{ show('massG', baseAsSalt(firstG, salt, other)) }}</b>
      </p>
      <p>
        <span>Potassium that all of it brings</span><b>{{ show('mgPerL', found.answer.potassiumMgPerL) }}</b>
      </p>
    </div>
    <FigureValue v-if="found.answer !== null" label="All of it" kind="massG" :figure="found.answer.fullG" :working="found.answer.working" />
    <p v-if="props.volumeL !== undefined && found.answer !== null" class="no-print">
      <el-button :loading="props.busy === true" :disabled="props.blocked === true" @click="emit('give', salt, firstG)"
        >Put in {{ show('massG', firstG) }}</el-button
      >
    </p>
    <p class="caution">
      It foams: a little at a time, slowly. Half first, stir, wait an hour, read again, then the rest by what it reads. Not above pH
      {{ number(HIGHEST_PH, 1) }}: spoilage has it easier there, and sulfite does little.
    </p>
  </div>
</template>

<style scoped>
.tool {
  display: grid;
  gap: 14px;
}

.given {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(150px, 100%), 1fr));
  gap: 8px 18px;
}
</style>
