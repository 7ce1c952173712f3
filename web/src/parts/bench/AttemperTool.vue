<script setup lang="ts">
import { ATTEMPERATION, attemper, rehydrationOf } from '@hollow-bell/core/yeast';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({ g: 5, starter: 38, must: 19 });
const found = useAnswer(() => {
  if (given.g === null || given.starter === null || given.must === null) return null;
  const water = rehydrationOf(given.g);
  return { water, plan: attemper(water.waterL, given.starter, given.must) };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.g" kind="smallMass" label="dry yeast" />
      <QuantityField v-model="given.starter" kind="temp" label="yeast in its water at" />
      <QuantityField v-model="given.must" kind="temp" label="must at" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Rehydrate in</span><b>{{ show('volumeL', found.answer.water.waterL) }} at {{ show('tempC', found.answer.water.tempC) }}</b>
      </p>
      <p>
        <span>Rehydration nutrient, if you use it</span><b>{{ show('massG', found.answer.water.nutrientG) }}</b>
      </p>
      <p v-if="found.answer.plan.additions === 0"><span>Then</span><b class="big">straight in</b></p>
      <p v-else>
        <span>Then add must</span><b class="big">{{ found.answer.plan.additions }} × {{ show('volumeL', found.answer.plan.eachL) }}</b>
      </p>
      <p v-for="(temp, i) in found.answer.plan.temps" :key="i">
        <span>after part {{ i + 1 }}</span
        ><b>{{ show('tempC', temp) }}</b>
      </p>
    </div>
    <p class="caution">
      No ammonium salts in the rehydration water. No change over {{ show('degrees', ATTEMPERATION.maxDropC) }} at a time, and pitched within
      {{ show('degrees', ATTEMPERATION.withinC) }} of the must.
    </p>
  </div>
</template>
