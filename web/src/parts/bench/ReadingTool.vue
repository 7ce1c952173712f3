<script setup lang="ts">
import { brixFromSg, correctedSg, extractGPerLFromSg, readingPlusMinus, sgFromBrix, undilutedSg } from '@hollow-bell/core/liquid';
import { computed } from 'vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';
import { usePractice } from '../../stores/practice.ts';

const { show, number } = useReader();
const given = useLinked({
  sg: 1.048,
  t: 30,
  cal: usePractice().practice.calibrationC,
  bx: null,
  thin: null,
});
const CALIBRATIONS = [
  { value: 20, label: '20 °C' },
  { value: 15.56, label: '60 °F' },
];
const calibration = computed({
  get: () => given.cal ?? 20,
  set: (tempC: number) => {
    given.cal = tempC;
  },
});
const hydrometer = useAnswer(() => {
  if (given.sg === null || given.t === null) return null;
  const sg = correctedSg(given.sg, given.t, calibration.value);
  return { sg, plusMinus: readingPlusMinus(given.t), brix: brixFromSg(Math.max(0.97, sg)), gPerL: Math.max(0, extractGPerLFromSg(sg)) };
});
const refractometer = useAnswer(() => (given.bx === null ? null : sgFromBrix(given.bx)));
const thinned = useAnswer(() =>
  given.thin === null ? null : { volume: undilutedSg(given.thin, 1, 1, 'volume'), mass: undilutedSg(given.thin, 1, 1, 'mass') },
);
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.sg" kind="sg" label="hydrometer reads" />
      <QuantityField v-model="given.t" kind="temp" label="sample at" />
      <PickList v-model="calibration" label="hydrometer marked" :options="CALIBRATIONS" />
    </div>
    <p v-if="hydrometer.refusal !== ''" class="refusal">{{ hydrometer.refusal }}</p>
    <div v-if="hydrometer.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Really, at 20 °C</span
        ><b class="big">{{ show('sg', hydrometer.answer.sg) }} ± {{ show('sg', hydrometer.answer.plusMinus) }}</b>
      </p>
      <p>
        <span>as sugar by weight</span><b>{{ number(hydrometer.answer.brix, 1) }} °Bx</b>
      </p>
      <p>
        <span>as sugar in a liter, unfermented</span><b>{{ show('gPerL', hydrometer.answer.gPerL) }}</b>
      </p>
    </div>
    <p class="small quiet">
      Density of water after Kell, glass after NBS Circular 440. A warm sample reads low; sugar and alcohol expand a little more than water,
      hence the ± above {{ show('tempC', 20) }}.
    </p>
    <h2>Refractometer, before fermentation</h2>
    <div class="given"><QuantityField v-model="given.bx" kind="brix" label="it reads" /></div>
    <p v-if="refractometer.answer !== null">
      That is <b>{{ show('sg', refractometer.answer) }}</b>. Once alcohol is in it, a refractometer reads far too high.
    </p>
    <p v-if="refractometer.refusal !== ''" class="refusal">{{ refractometer.refusal }}</p>
    <h2>Off the scale</h2>
    <div class="given"><QuantityField v-model="given.thin" kind="sg" label="with as much water, it reads" /></div>
    <p v-if="thinned.answer !== null">
      Unthinned: <b>{{ show('sg', thinned.answer.volume) }}</b> if the water was measured by volume,
      <b>{{ show('sg', thinned.answer.mass) }}</b> if by weight.
    </p>
    <p v-if="thinned.refusal !== ''" class="refusal">{{ thinned.refusal }}</p>
  </div>
</template>
