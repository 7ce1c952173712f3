<script setup lang="ts">
import { blend, shareOfFirst } from '@hollow-bell/core/liquid';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({
  av: 8,
  asg: 0.998,
  aabv: 16,
  bv: 12,
  bsg: 1.025,
  babv: 9,
  want: null,
});
const found = useAnswer(() => {
  const { av, asg, aabv, bv, bsg, babv } = given;
  if (av === null || asg === null || aabv === null || bv === null || bsg === null || babv === null) return null;
  return blend([
    { volumeL: av, sg: asg, abv: aabv },
    { volumeL: bv, sg: bsg, abv: babv },
  ]);
});
const share = useAnswer(() =>
  given.want === null || given.aabv === null || given.babv === null ? null : 100 * shareOfFirst(given.aabv, given.babv, given.want),
);
</script>

<template>
  <div class="tool">
    <h2>The first</h2>
    <div class="given">
      <QuantityField v-model="given.av" kind="volume" label="volume of the first" />
      <QuantityField v-model="given.asg" kind="sg" label="gravity of the first" />
      <QuantityField v-model="given.aabv" kind="abv" label="alcohol of the first" />
    </div>
    <h2>The second</h2>
    <div class="given">
      <QuantityField v-model="given.bv" kind="volume" label="volume of the second" />
      <QuantityField v-model="given.bsg" kind="sg" label="gravity of the second" />
      <QuantityField v-model="given.babv" kind="abv" label="alcohol of the second" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Together</span><b class="big">{{ show('volumeL', found.answer.volumeL) }}</b>
      </p>
      <p>
        <span>Gravity</span><b>{{ show('sg', found.answer.sg) }}</b>
      </p>
      <p>
        <span>Alcohol</span><b>{{ show('abv', found.answer.abv) }}</b>
      </p>
      <p>
        <span>Extract left</span><b>{{ show('gPerL', found.answer.extractGPerL) }}</b>
      </p>
    </div>
    <div class="given"><QuantityField v-model="given.want" kind="abv" label="alcohol wanted" /></div>
    <p v-if="share.answer !== null">
      Take <b>{{ show('percent', share.answer) }}</b> of the first by volume, the rest of the second.
    </p>
    <p v-if="share.refusal !== ''" class="refusal">{{ share.refusal }}</p>
    <p class="small quiet">
      Masses add, volumes do not: they contract a little on mixing. Only blend what is stable, or what may ferment on together.
    </p>
  </div>
</template>
