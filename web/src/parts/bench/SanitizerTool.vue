<script setup lang="ts">
import { sanitizerFor } from '@hollow-bell/core/bottle';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ dose: 0.03, per: 20, make: 5 });
const found = useAnswer(() => {
  const { dose, per, make } = given;
  return dose === null || per === null || make === null ? null : sanitizerFor(1000 * dose, per, make);
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.dose" kind="volume" label="of the product" />
      <QuantityField v-model="given.per" kind="volume" label="goes in so much water" />
      <QuantityField v-model="given.make" kind="volume" label="to be made" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Of the product</span><b class="big">{{ number(found.answer.concentrateMl, 1) }} ml</b>
      </p>
      <p>
        <span>Water</span><b>{{ show('volumeL', found.answer.waterL) }}</b>
      </p>
    </div>
    <p class="caution">By its own label, with gloves. Never reuse a cloudy solution; of sulfite solution keep the nose away.</p>
  </div>
</template>
