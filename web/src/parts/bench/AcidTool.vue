<script setup lang="ts">
import type { ACID_G_PER_EQUIVALENT } from '@hollow-bell/core/acid';
import { acidForRiseG, deacidified, deacidifyG, taAs } from '@hollow-bell/core/acid';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({ v: 5, ta: 5, to: 6 });
const ACIDS = ['tartaric', 'malic', 'citric', 'lactic'] as const satisfies (keyof typeof ACID_G_PER_EQUIVALENT)[];
const SALTS = ['potassium bicarbonate', 'potassium carbonate', 'calcium carbonate'] as const;
const found = useAnswer(() => {
  const { v, ta, to } = given;
  if (v === null || ta === null || to === null) return null;
  const rise = to - ta;
  const grams =
    rise >= 0
      ? ACIDS.map((acid) => ({ name: `${acid} acid`, grams: acidForRiseG(rise, v, acid) }))
      : SALTS.map((salt) => ({ name: salt, grams: deacidifyG(-rise, v, salt) }));
  const co2G = rise < 0 ? deacidified(deacidifyG(-rise, v, SALTS[0]), v, SALTS[0], ta).co2G : 0;
  return { grams, co2G, asSulfuric: taAs(to, 'tartaric', 'sulfuric') };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.ta" kind="gramsPerL" label="acid now, as tartaric" />
      <QuantityField v-model="given.to" kind="gramsPerL" label="acid wanted" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p v-for="each in found.answer.grams" :key="each.name">
        <span>{{ each.name }}</span><b class="big">{{ show('massG', each.grams) }}</b>
      </p>
      <p>
        <span>What is wanted, as sulfuric</span><b>{{ show('gPerL', found.answer.asSulfuric) }}</b>
      </p>
      <p v-if="found.answer.co2G > 0">
        <span>It foams: gas from the bicarbonate</span><b>{{ show('massG', found.answer.co2G) }}</b>
      </p>
    </div>
    <p class="caution">Half of it, stir, taste, measure; then the rest. Too much acid is taken out only by blending or carbonate.</p>
  </div>
</template>
