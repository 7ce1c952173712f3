<script setup lang="ts">
import {
  BOUND_SHARE,
  HIGHEST_PH_FOR_SULFITE,
  MOLECULAR_TARGET,
  SULFITE_PK,
  SULFITE_SALTS,
  USUAL_TABLET_G,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  so2ToAddMgPerL,
  stockMl,
  sulfitePk,
  sulfiteTablets,
} from '@hollow-bell/core/preservatives';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({
  v: 5,
  ph: 3.5,
  molecular: MOLECULAR_TARGET.sweet,
  free: 0,
  bound: 100 * BOUND_SHARE.value,
  abv: 12,
  tablet: USUAL_TABLET_G,
  stock: 10,
});
const found = useAnswer(() => {
  const { v, ph, molecular, free, bound, abv, tablet, stock } = given;
  if (
    v === null ||
    ph === null ||
    molecular === null ||
    free === null ||
    bound === null ||
    abv === null ||
    tablet === null ||
    stock === null
  )
    return null;
  const needed = freeSo2NeededMgPerL(molecular, ph);
  const add = so2ToAddMgPerL(needed, free, bound / 100);
  const salts = SULFITE_SALTS.map((salt) => ({ salt, grams: metabisulfiteG(add, v, salt) }));
  return {
    needed,
    inMead: freeSo2NeededMgPerL(molecular, ph, sulfitePk(Math.min(20, abv), 20)),
    add,
    salts,
    tablets: sulfiteTablets(add, v, tablet, 'potassium'),
    ml: stockMl(metabisulfiteG(add, v, 'potassium'), stock),
  };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.ph" kind="ph" label="its pH" />
      <QuantityField v-model="given.molecular" kind="parts" label="molecular SO₂, mg/L" :limits="{ low: 0.1, high: 2 }" />
      <QuantityField v-model="given.free" kind="mgPerL" label="free SO₂ in it" />
      <QuantityField v-model="given.bound" kind="percent" label="of what is added, binds" />
      <QuantityField v-model="given.abv" kind="abv" label="its alcohol" />
      <QuantityField v-model="given.tablet" kind="smallMass" label="a tablet weighs" />
      <QuantityField v-model="given.stock" kind="percent" label="salt in 100 ml of stock" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Free SO₂ wanted, by the usual pK {{ number(SULFITE_PK, 2) }}</span
        ><b>{{ show('mgPerL', found.answer.needed) }}</b>
      </p>
      <p>
        <span>by the pK in this alcohol at {{ show('tempC', 20) }}</span
        ><b>{{ show('mgPerL', found.answer.inMead) }}</b>
      </p>
      <p v-for="each in found.answer.salts" :key="each.salt">
        <span>{{ each.salt }} metabisulfite</span><b class="big">{{ show('massG', each.grams) }}</b>
      </p>
      <p>
        <span>in tablets</span
        ><b
          >{{ number(found.answer.tablets.exact, 2) }}; {{ found.answer.tablets.whole }} bring
          {{ show('mgPerL', found.answer.tablets.bringMgPerL) }}</b
        >
      </p>
      <p>
        <span>of the stock solution</span><b>{{ number(found.answer.ml, 1) }} ml</b>
      </p>
    </div>
    <p class="caution">
      Fumes bite: window open, and not at all with asthma. Above pH {{ number(HIGHEST_PH_FOR_SULFITE, 1) }} lower the pH first. The label
      says “contains sulfites”.
    </p>
  </div>
</template>
