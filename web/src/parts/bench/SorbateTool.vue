<script setup lang="ts">
import { sorbateDose } from '@hollow-bell/core/preservatives';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';
import { usePractice } from '../../stores/practice.ts';

const { show } = useReader();
const house = usePractice();
const given = useLinked({ v: 5, abv: 12 });
const found = useAnswer(() => (given.v === null || given.abv === null ? null : sorbateDose(given.abv, given.v, house.practice.region)));
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.abv" kind="abv" label="its alcohol" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Sorbic acid wanted</span><b>{{ show('mgPerL', found.answer.sorbicMgPerL) }}</b>
      </p>
      <p>
        <span>Potassium sorbate</span><b class="big">{{ show('massG', found.answer.saltG) }}</b>
      </p>
      <p>
        <span>dissolved first in at least</span><b>{{ Math.ceil(found.answer.waterMl) }} ml of warm water</b>
      </p>
    </div>
    <p class="caution">
      Never alone: bacteria turn it into a smell of geraniums. Never into a cloudy mead, which ferments on. Not into the sulfite solution,
      where it falls out.
    </p>
  </div>
</template>
