<script setup lang="ts">
import { FININGS, finingG } from '@hollow-bell/core/clear';
import { scaleFromGlassG } from '@hollow-bell/core/sweeten';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ v: 5, glass: null, ml: 100 });
const found = useAnswer(() => {
  const { v, glass, ml } = given;
  if (v === null) return null;
  const rows = FININGS.map((each) => ({ ...each, low: finingG(each.gPerL.low, v), high: finingG(each.gPerL.high, v) }));
  return { rows, scaled: glass === null || ml === null || ml === 0 ? null : scaleFromGlassG(glass, ml, v) };
});
const amount = (value: number, unit: string): string => (unit === 'g' ? show('massG', value) : `${number(value, 1)} ml`);
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.glass" kind="smallMass" label="the best glass took" />
      <QuantityField v-model="given.ml" kind="count" label="in so many ml" :limits="{ low: 10, high: 2000 }" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p v-if="found.answer.scaled !== null">
        <span>As the best glass, for all of it</span><b class="big">{{ show('massG', found.answer.scaled) }}</b>
      </p>
      <p v-for="each in found.answer.rows" :key="each.id">
        <span>{{ each.id }}, {{ each.takes }}{{ each.allergen === null ? '' : `; label: ${each.allergen}` }}</span
        ><b>{{ amount(each.low, each.unit) }} to {{ amount(each.high, each.unit) }}</b>
      </p>
    </div>
    <p class="small quiet">Usual ranges of enology handbooks; the packet’s own dose comes first, and a trial in glasses before it.</p>
  </div>
</template>
