<script setup lang="ts">
import { correctedSg } from '@hollow-bell/core/liquid';
import { computed, ref, watch } from 'vue';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import { usePractice } from '../stores/practice.ts';

/** A gravity worked out beside the form, to be taken over. */
const props = defineProps<{ offered?: number | null }>();

const store = useBatch();
const house = usePractice();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const sg = ref<number | null>(null);
watch(
  () => props.offered,
  (offered) => {
    if (offered !== null && offered !== undefined) sg.value = Math.round(offered * 1e4) / 1e4;
  },
);
const tempC = ref<number | null>(null);
const ph = ref<number | null>(null);
const calibrationC = ref<20 | 15.56>(house.practice.calibrationC);

const CALIBRATIONS = [
  { value: 20, label: '20 °C' },
  { value: 15.56, label: '60 °F' },
] as const;

const corrected = computed(() =>
  sg.value === null || tempC.value === null ? null : correctedSg(sg.value, tempC.value, calibrationC.value),
);
const differs = computed(() => corrected.value !== null && sg.value !== null && Math.abs(corrected.value - sg.value) >= 0.0005);

async function save(): Promise<void> {
  const payload = {
    sg: sg.value ?? undefined,
    tempC: tempC.value ?? undefined,
    ph: ph.value ?? undefined,
    ...(sg.value === null ? {} : { calibrationC: calibrationC.value }),
  };
  const told = [
    sg.value === null ? '' : show('sg', sg.value),
    ph.value === null ? '' : `pH ${show('ph', ph.value)}`,
    tempC.value === null ? '' : `at ${show('tempC', tempC.value)}`,
  ]
    .filter(Boolean)
    .join(' ');
  if (await attempt(() => store.write([{ kind: 'reading', payload }], told))) {
    sg.value = null;
    tempC.value = null;
    ph.value = null;
  }
}
</script>

<template>
  <form class="reading" @submit.prevent="save">
    <QuantityField v-model="sg" kind="sg" label="hydrometer reads" />
    <QuantityField v-model="tempC" kind="temp" label="sample at" />
    <QuantityField v-model="ph" kind="ph" label="pH, if measured" />
    <PickList v-model="calibrationC" label="marked for" :options="CALIBRATIONS" />
    <el-button type="primary" native-type="submit" :loading="busy" :disabled="sg === null && ph === null && tempC === null"
      >Write it</el-button
    >
    <p v-if="differs && corrected !== null" class="small quiet whole">
      Corrected for the sample’s warmth: <b>{{ show('sg', corrected) }}</b>
    </p>
    <p v-if="refusal !== ''" class="refusal whole" role="alert">{{ refusal }}</p>
  </form>
</template>

<style scoped>
.reading {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr)) auto;
  align-items: start;
  gap: 8px 18px;
}

.reading > .el-button {
  align-self: start;
  margin-top: 20px;
}

.whole {
  grid-column: 1 / -1;
}

@media (max-width: 720px) {
  .reading {
    grid-template-columns: 1fr 1fr;
  }

  .reading > .el-button {
    grid-column: 1 / -1;
    margin-top: 4px;
  }
}
</style>
