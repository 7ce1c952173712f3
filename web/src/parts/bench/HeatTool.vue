<script setup lang="ts">
import {
  HOLD_STOP_C,
  bathMinutesFor,
  coreAfterC,
  cylinderLagMin,
  heatCycle,
  holdMinutes,
  lethalRate,
  minutesUntilCore,
  HEAT_TRANSFER,
} from '@hollow-bell/core/heat';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ v: 4, wide: 16, start: 20, bath: 64, units: 20, core: 60 });
const found = useAnswer(() => {
  const { v, wide, start, bath, units, core } = given;
  if (v === null || wide === null || start === null || bath === null || units === null || core === null) return null;
  const lagMin = cylinderLagMin({ volumeL: v, diameterCm: wide, heatTransfer: HEAT_TRANSFER.still.value });
  const of = { startC: start, bathC: bath, lagMin };
  const minutes = bathMinutesFor(of, units);
  return {
    lagMin,
    until: minutesUntilCore(of, 60),
    minutes,
    peak: coreAfterC(of, minutes),
    all: heatCycle(of, minutes).heatUnits,
    rate: lethalRate(core),
    hold: holdMinutes(units, core),
  };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead in the jug" />
      <QuantityField v-model="given.wide" kind="count" label="the jug is wide, cm" :limits="{ low: 3, high: 60 }" />
      <QuantityField v-model="given.start" kind="temp" label="mead at" />
      <QuantityField v-model="given.bath" kind="temp" label="bath at" :limits="{ low: 40, high: 90 }" />
      <QuantityField v-model="given.units" kind="count" label="units wanted" :limits="{ low: 1, high: 500 }" />
      <QuantityField v-model="given.core" kind="temp" label="at a core of" :limits="{ low: 40, high: 90 }" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>At that core a minute is worth</span><b>{{ number(found.answer.rate, 2) }} units</b>
      </p>
      <p>
        <span>Held there for</span><b class="big">{{ number(found.answer.hold, 0) }} min</b>
      </p>
      <p>
        <span>The core follows the bath by about</span><b>{{ number(found.answer.lagMin, 0) }} min</b>
      </p>
      <p>
        <span>reads {{ show('tempC', 60) }} after</span><b>{{ number(found.answer.until, 0) }} min</b>
      </p>
      <p>
        <span>has them all, the way up counted, after</span
        ><b>{{ number(found.answer.minutes, 0) }} min, at {{ show('tempC', found.answer.peak) }}</b>
      </p>
    </div>
    <p class="caution">
      The lag is our estimate, from {{ number(0.6, 1) }} to {{ number(1.5, 1) }} times; a thermometer in the middle of the mead decides.
      Never sealed bottles that hold pressure; not above {{ show('tempC', HOLD_STOP_C) }}; hot glass.
    </p>
  </div>
</template>
