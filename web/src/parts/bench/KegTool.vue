<script setup lang="ts">
import { forceTable, kegPressureBar, psiOf } from '@hollow-bell/core/carbonate';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ gas: 2.4, at: 5, abv: 9 });
const found = useAnswer(() => {
  const { gas, at, abv } = given;
  return gas === null || at === null || abv === null
    ? null
    : { bar: Math.max(0, kegPressureBar(gas, at, abv)), table: forceTable(gas, abv) };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.gas" kind="gas" label="gas wanted" :limits="{ low: 0, high: 6 }" />
      <QuantityField v-model="given.at" kind="temp" label="the keg stands at" :limits="{ low: 0, high: 30 }" />
      <QuantityField v-model="given.abv" kind="abv" label="alcohol" :limits="{ low: 0, high: 22 }" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Set the regulator to</span><b class="big">{{ show('bar', found.answer.bar) }}</b>
      </p>
      <p>
        <span>the same in psi</span><b>{{ number(psiOf(found.answer.bar), 0) }} psi</b>
      </p>
      <p v-for="row in found.answer.table" :key="row.tempC">
        <span>at {{ show('tempC', row.tempC) }}</span
        ><b>{{ show('bar', row.bar) }}</b>
      </p>
    </div>
    <p class="caution">Within some 5 % where it is cold, 10 % where it is warm. Never above what the keg is marked for.</p>
  </div>
</template>
