<script setup lang="ts">
import { carbonateDays, gasFan, gasStyleOf, pressureIn, primingDose } from '@hollow-bell/core/carbonate';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';
import { computed, ref } from 'vue';

const { show } = useReader();
const given = useLinked({ gas: 2.4, volume: 5, warmest: 20, abv: 9 });
const SUGARS = [
  { value: 'sucrose' as const, label: 'table sugar' },
  { value: 'dextrose monohydrate' as const, label: 'dextrose, as sold' },
  { value: 'dextrose anhydrous' as const, label: 'dextrose without water' },
];
const sugar = ref<(typeof SUGARS)[number]['value']>('sucrose');
const DRY_SG = 0.995;
const found = useAnswer(() => {
  const { gas, volume, warmest, abv } = given;
  if (gas === null || volume === null || warmest === null || abv === null) return null;
  const dose = primingDose(gas, volume, warmest, { kind: sugar.value });
  const reached = Math.max(gas, dose.residualVolumes);
  const fan = gasFan({ volumes: reached, volumeL: volume, warmestC: warmest, sg: DRY_SG, abv, mayFallPoints: 0 });
  return { dose, fan, bar: pressureIn(reached, 20, 750, abv), warmBar: pressureIn(fan.one, 30, 750, abv) };
});
const days = computed(() => carbonateDays(20));
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.gas" kind="gas" label="gas wanted" :limits="{ low: 0, high: 8 }" />
      <QuantityField v-model="given.volume" kind="volume" label="measured after racking" />
      <QuantityField v-model="given.warmest" kind="temp" label="warmest since its end" :limits="{ low: 0, high: 32 }" />
      <QuantityField v-model="given.abv" kind="abv" label="alcohol" :limits="{ low: 0, high: 22 }" />
      <PickList v-model="sugar" label="primed with" :options="SUGARS" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Sugar</span><b class="big">{{ show('massG', found.answer.dose.grams) }}</b>
      </p>
      <p>
        <span>In it already</span><b>{{ show('volumes', found.answer.dose.residualVolumes) }}</b>
      </p>
      <p>
        <span>{{ gasStyleOf(given.gas ?? 0).name }}, {{ gasStyleOf(given.gas ?? 0).feels }}</span
        ><b>{{ show('bar', found.answer.bar) }} at {{ show('tempC', 20) }}</b>
      </p>
      <p>
        <span>With one slip: a tenth less mead, a point left, a heaped spoon, colder</span
        ><b>up to {{ show('volumes', found.answer.fan.one) }}, {{ show('bar', found.answer.warmBar) }} at {{ show('tempC', 30) }}</b>
      </p>
    </div>
    <p v-if="days !== null" class="small quiet">
      Some {{ show('hours', 24 * days.value) }} warm, then a chilled test bottle, opened under a cloth.
    </p>
    <p class="caution">
      Only for a dry, finished, living mead, and for glass that is made for gas: a wine bottle bears none. The Bottle station of a batch
      knows whether it may be primed at all.
    </p>
  </div>
</template>
