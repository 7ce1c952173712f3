<script setup lang="ts">
import { MEAN_HONEY, honeyComposition } from '@hollow-bell/core/ingredients';
import { liquidFromMeasured } from '@hollow-bell/core/liquid';
import { additionsOf, gramsToReach, sweeten, wordOfGravity } from '@hollow-bell/core/sweeten';
import { ifItFerments } from '@hollow-bell/core/carbonate';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show } = useReader();
const given = useLinked({ v: 5, sg: 0.998, abv: 12, to: 1.012, moisture: 100 * MEAN_HONEY.moisture, second: null, parts: 1 });
const found = useAnswer(() => {
  const { v, sg, abv, to, moisture, second, parts } = given;
  if (v === null || sg === null || abv === null || to === null || moisture === null || parts === null) return null;
  const { waterG, extractG, ethanolG } = liquidFromMeasured(v, sg, abv);
  const mead = { waterG, ethanolG, sugarG: 0, unfermentableG: extractG, insolubleG: 0 };
  const honey = (percent: number) => honeyComposition(percent / 100, MEAN_HONEY.unfermentable);
  const blend = [{ share: 1, composition: honey(moisture) }, ...(second === null ? [] : [{ share: parts, composition: honey(second) }])];
  const additions = additionsOf(blend, gramsToReach(mead, blend, { sg: to }));
  const after = sweeten(mead, additions);
  return { grams: additions.map(({ massG }) => massG), after, fate: ifItFerments(after.sg, after.abv, after.sugarGPerL) };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.v" kind="volume" label="mead there is" />
      <QuantityField v-model="given.sg" kind="sg" label="it reads" />
      <QuantityField v-model="given.abv" kind="abv" label="its alcohol" />
      <QuantityField v-model="given.to" kind="sg" label="it should read" />
      <QuantityField v-model="given.moisture" kind="percent" label="water in the honey" />
      <QuantityField v-model="given.second" kind="percent" label="water in a second one" />
      <QuantityField v-if="given.second !== null" v-model="given.parts" kind="parts" label="parts of it to one" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="pairs" data-test="answer">
      <p v-for="(grams, i) in found.answer.grams" :key="i">
        <span>{{ i === 0 ? 'Honey to add' : 'of the second' }}</span><b class="big">{{ show('massG', grams) }}</b>
      </p>
      <p>
        <span>Then there is, {{ wordOfGravity(found.answer.after.sg) }}</span
        ><b>{{ show('volumeL', found.answer.after.volumeL) }} at {{ show('abv', found.answer.after.abv) }}</b>
      </p>
      <p>
        <span>Were it alive, it would become</span
        ><b>{{ show('abv', found.answer.fate.abv) }} and {{ show('volumes', found.answer.fate.volumes) }} of gas in closed glass</b>
      </p>
    </div>
    <p class="caution">Half now, taste, the rest: it cannot be taken out. Stabilize first.</p>
  </div>
</template>
