<script setup lang="ts">
import { thinMead } from '@hollow-bell/core/liquid';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({ v: 5, sg: 1.02, abv: 15, to: 12 });
const found = useAnswer(() => {
  const { v, sg, abv, to } = given;
  return v === null || sg === null || abv === null || to === null ? null : thinMead({ volumeL: v, sg, abv }, { abv: to });
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.sg" kind="sg" label="it reads" />
      <QuantityField v-model="given.abv" kind="abv" label="its alcohol" />
      <QuantityField v-model="given.to" kind="abv" label="alcohol wanted" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p>
        <span>Water to add</span><b class="big">{{ show('volumeL', found.answer.waterL) }}</b>
      </p>
      <p>
        <span>Then there is</span><b>{{ show('volumeL', found.answer.volumeL) }}</b>
      </p>
      <p>
        <span>at</span><b>{{ show('sg', found.answer.sg) }}</b>
      </p>
    </div>
    <p class="caution">Water thins sulfite and sorbate alike: what guarded it may guard no more.</p>
  </div>
</template>
