<script setup lang="ts">
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { honeyToReach, waterToReach } from '@hollow-bell/core/liquid';
import { hold, planOf, plannedHoney } from '@hollow-bell/core/must';
import { computed } from 'vue';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({
  v: 5,
  sg: 1.12,
  to: 1.1,
  moisture: 100 * MEAN_HONEY.moisture,
});
const found = useAnswer(() => {
  const { v, sg, to } = given;
  if (v === null || sg === null || to === null || given.moisture === null) return null;
  return to < sg ? { water: waterToReach(v, sg, to), honey: null } : { water: null, honey: honeyToReach(v, sg, to, given.moisture / 100) };
});
const finalL = computed(() => found.value.answer?.water?.finalVolumeL ?? found.value.answer?.honey?.finalVolumeL ?? null);
const asBatch = computed(() => {
  if (finalL.value === null || given.to === null) return null;
  const plan = hold(
    hold(planOf([plannedHoney('honey', 1000, (given.moisture ?? 0) / 100)], finalL.value * 0.8), 'volumeL', finalL.value),
    'og',
    given.to,
  );
  return { name: 'new', query: { plan: JSON.stringify(plan) } };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="must there is" />
      <QuantityField v-model="given.sg" kind="sg" label="it reads" />
      <QuantityField v-model="given.to" kind="sg" label="it should read" />
      <QuantityField v-model="given.moisture" kind="percent" label="water in the honey" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p v-if="found.answer.water !== null">
        <span>Water to add</span><b class="big">{{ show('volumeL', found.answer.water.waterL) }}</b>
      </p>
      <p v-if="found.answer.water !== null">
        <span>By the rule of points</span><b>{{ show('volumeL', found.answer.water.byPointsL) }}</b>
      </p>
      <p v-if="found.answer.honey !== null">
        <span>Honey to add</span><b class="big">{{ show('massG', found.answer.honey.honeyG) }}</b>
      </p>
      <p v-if="finalL !== null">
        <span>Then there is</span><b>{{ show('volumeL', finalL) }}</b>
      </p>
    </div>
    <p class="small quiet">
      Extract is conserved: mass balance through density. For unfermented must; a mead that has fermented is blended instead.
    </p>
    <RouterLink v-if="asBatch !== null" :to="asBatch" class="link">Plan a batch of it</RouterLink>
  </div>
</template>
