<script setup lang="ts">
import { brixFromSg, extractGPerLFromSg } from '@hollow-bell/core/liquid';
import { GRAMS_PER, LITERS_PER, UNIT_SYMBOL, celsiusToF, massFromG, volumeFromL } from '@hollow-bell/core/quantities';
import type { MassUnit, VolumeUnit } from '@hollow-bell/core/quantities';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { number } = useReader();
const given = useLinked({ m: 1000, v: 3.785411784, t: 20, sg: 1.1 });
const tidy = (value: number): string => value.toLocaleString(undefined, { maximumSignificantDigits: 6 });
const masses = Object.keys(GRAMS_PER) as MassUnit[];
const volumes = Object.keys(LITERS_PER) as VolumeUnit[];
const sugar = useAnswer(() =>
  given.sg === null || given.sg < 1 ? null : { brix: brixFromSg(given.sg), gPerL: extractGPerLFromSg(given.sg) },
);
</script>

<template>
  <div class="tool units">
    <section>
      <QuantityField v-model="given.m" kind="mass" label="mass, in any unit: 3 lb, 12 oz" />
      <p v-for="unit in given.m === null ? [] : masses" :key="unit" class="line">
        <span>{{ UNIT_SYMBOL[unit] }}</span><b>{{ tidy(massFromG(given.m ?? 0, unit)) }}</b>
      </p>
    </section>
    <section>
      <QuantityField v-model="given.v" kind="volume" label="volume, in any unit: 5 us gal" />
      <p v-for="unit in given.v === null ? [] : volumes" :key="unit" class="line">
        <span>{{ UNIT_SYMBOL[unit] }}</span><b>{{ tidy(volumeFromL(given.v ?? 0, unit)) }}</b>
      </p>
      <p class="small quiet">A UK gallon is a fifth larger than a US gallon.</p>
    </section>
    <section>
      <QuantityField v-model="given.t" kind="temp" label="temperature: 68 f" />
      <template v-if="given.t !== null">
        <p class="line">
          <span>°C</span><b>{{ tidy(given.t) }}</b>
        </p>
        <p class="line">
          <span>°F</span><b>{{ tidy(celsiusToF(given.t)) }}</b>
        </p>
      </template>
      <QuantityField v-model="given.sg" kind="sg" label="gravity of a must" />
      <template v-if="sugar.answer !== null">
        <p class="line">
          <span>°Bx</span><b>{{ number(sugar.answer.brix, 2) }}</b>
        </p>
        <p class="line">
          <span>g/L of sugar</span><b>{{ tidy(Math.round(sugar.answer.gPerL)) }}</b>
        </p>
      </template>
    </section>
  </div>
</template>

<style scoped>
.units {
  grid-template-columns: repeat(auto-fit, minmax(min(200px, 100%), 1fr));
  gap: 16px 36px;
}

section {
  display: grid;
  align-content: start;
}

.line {
  display: flex;
  justify-content: space-between;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
