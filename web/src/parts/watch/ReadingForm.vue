<script setup lang="ts">
import { gravityRead, makeReading } from '@hollow-bell/core/record';
import type { Seen } from '@hollow-bell/core/record';
import { SOUND_SLOPE, correctedPh, electrodeSlope, phPlusMinus } from '@hollow-bell/core/liquid';
import type { CalibrationC, GravityInstrument } from '@hollow-bell/core/liquid';
import { Refusal } from '@hollow-bell/core/quantities';
import { computed, onMounted, reactive, ref, watch } from 'vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';
import SentenceText from '../figures/SentenceText.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useInstruments } from '../../composables/useInstruments.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { eventSentence } from '@hollow-bell/core/record';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';

/** A gravity worked out beside the form, to be taken over. */
const props = defineProps<{ offered?: number | null }>();

const store = useBatch();
const shelf = useShelf();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
onMounted(() => shelf.loadOnce());

const EMPTY = { sg: null, brix: null, tempC: null, ph: null, taGPerL: null, freeSo2MgPerL: null, leesMm: null };
const given = reactive<Record<keyof typeof EMPTY, number | null>>({ ...EMPTY });
const instrument = ref<GravityInstrument>('hydrometer');
const showsMore = ref(false);
const { at, when } = useWhen();
watch(
  () => props.offered,
  (offered) => {
    if (offered !== null && offered !== undefined) given.sg = Math.round(offered * 1e4) / 1e4;
  },
);
const instruments = useInstruments();
const chosenC = ref<CalibrationC | null>(null);
const calibrationC = computed({
  get: () => chosenC.value ?? instruments.value.calibrationC,
  set: (markedC: CalibrationC) => (chosenC.value = markedC),
});

const CALIBRATIONS = [
  { value: 20, label: '20 °C' },
  { value: 15.56, label: '60 °F' },
] as const;
const INSTRUMENTS = [
  { value: 'hydrometer', label: 'hydrometer' },
  { value: 'refractometer', label: 'refractometer' },
  { value: 'density meter', label: 'density meter' },
  { value: 'float', label: 'float, by eye' },
] as const;

/** What the form says of the glass: of a refractometer its °Brix, of all others a gravity. */
const seen = computed<Seen>(() => {
  const { sg, brix, ...others } = given;
  const gravity = instrument.value === 'refractometer' ? { brix } : { sg };
  const read = Object.entries({ ...others, ...gravity }).filter(([, value]) => value !== null);
  return {
    ...(Object.fromEntries(read) as Seen),
    ...(gravity.sg === undefined || gravity.sg === null ? {} : { instrument: instrument.value }),
  };
});
const isEmpty = computed(() => Object.keys(seen.value).length === 0);

/** What the instrument means, and what wants a second look. */
const meant = computed(() => {
  if (isEmpty.value) return { payload: null, read: null, doubts: [], refusal: '' };
  try {
    const payload = makeReading(seen.value, { ...instruments.value, calibrationC: calibrationC.value });
    const doubts = store.doubtsOf([{ kind: 'reading', payload }], at.value ?? store.now);
    return { payload, read: gravityRead(store.ledger, payload), doubts, refusal: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { payload: null, read: null, doubts: [], refusal: tell(error.said) };
  }
});
const differs = computed(() => {
  const { read } = meant.value;
  return read !== null && (given.sg === null || instrument.value === 'refractometer' || Math.abs(read.sg - given.sg) >= 0.0005);
});
const zeroTold = computed(() => {
  const { zeroSg = 0 } = meant.value.payload ?? {};
  if (zeroSg === 0) return '';
  return `; this hydrometer reads ${show('points', Math.abs(1000 * zeroSg))} too ${zeroSg > 0 ? 'high' : 'low'} in water`;
});
const ph = computed(() => {
  if (given.ph === null) return '';
  const { phMeter } = shelf;
  const [value, error] = [phMeter === null ? given.ph : correctedPh(given.ph, phMeter), phPlusMinus(phMeter, store.now)];
  const when = phMeter === null ? 'no calibration is on the Shelf' : `calibrated ${show('when', phMeter.at)}`;
  const slope = phMeter === null ? 1 : electrodeSlope(phMeter);
  const worn = slope < SOUND_SLOPE.low || slope > SOUND_SLOPE.high ? '; its electrode is worn' : '';
  return `pH ${show('ph', value)} ± ${show('ph', error)}, ${when}${worn}`;
});

async function save(): Promise<void> {
  const { payload } = meant.value;
  if (payload === null) return;
  const event = { kind: 'reading' as const, payload };
  const told = tell(eventSentence(event));
  if (!(await attempt(() => store.write([event], told, { ...when.value, isSure: true })))) return;
  Object.assign(given, EMPTY);
  at.value = null;
}
</script>

<template>
  <form class="reading" @submit.prevent="save">
    <PickList v-model="instrument" label="read with" :options="INSTRUMENTS" />
    <QuantityField v-if="instrument === 'refractometer'" v-model="given.brix" kind="brix" label="it shows" />
    <QuantityField v-else v-model="given.sg" kind="sg" :label="instrument === 'hydrometer' ? 'hydrometer reads' : 'it shows'" />
    <QuantityField v-model="given.tempC" kind="temp" label="sample at" />
    <PickList v-if="instrument === 'hydrometer'" v-model="calibrationC" label="marked for" :options="CALIBRATIONS" />
    <QuantityField v-model="given.ph" kind="ph" label="pH, if measured" />
    <WhenField v-model="at" />
    <template v-if="showsMore">
      <QuantityField v-model="given.taGPerL" kind="gramsPerL" label="acid, as tartaric" />
      <QuantityField v-model="given.freeSo2MgPerL" kind="mgPerL" label="free SO₂" />
      <QuantityField v-model="given.leesMm" kind="mm" label="lees stand" />
    </template>
    <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || meant.payload === null">{{
      meant.doubts.length > 0 ? 'It is so, write it' : 'Write it'
    }}</el-button>
    <p class="small whole">
      <button type="button" class="link" @click="showsMore = !showsMore">
        {{ showsMore ? 'Less' : 'Acid, SO₂, lees' }}
      </button>
    </p>
    <p v-if="differs && meant.read !== null" class="small quiet whole">
      {{ instrument === 'refractometer' ? 'With the alcohol that is in it' : `${show('sg', given.sg ?? 1)} read` }}:
      <b>{{ show('sg', meant.read.sg) }} ± {{ show('sg', meant.read.plusMinus) }}</b> at {{ show('tempC', 20) }}{{ zeroTold }}
    </p>
    <p v-if="ph !== ''" class="small quiet whole">{{ ph }}</p>
    <p v-for="(doubt, i) in meant.doubts" :key="i" class="caution whole" role="status"><SentenceText :sentence="doubt" /></p>
    <p v-if="meant.refusal !== '' || refusal !== ''" class="refusal whole" role="alert">{{ refusal || meant.refusal }}</p>
  </form>
</template>

<style scoped>
.reading {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(104px, 100%), 1fr));
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
