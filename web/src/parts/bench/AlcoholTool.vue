<script setup lang="ts">
import { BALANCE_ABV_PLUS_MINUS, alcoholByBalance, alcoholByRule } from '@hollow-bell/core/liquid';
import QuantityField from '../fields/QuantityField.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ og: 1.1, fg: 0.996 });
const found = useAnswer(() => {
  const { og, fg } = given;
  if (og === null || fg === null) return null;
  const balance = alcoholByBalance(og, fg);
  const rules = [
    { name: `points × ${number(131.25, 2)}`, abv: alcoholByRule.simple(og, fg, 131.25) },
    { name: 'points × 135', abv: alcoholByRule.simple(og, fg, 135) },
    { name: 'the quotient form', abv: alcoholByRule.quotient(og, fg) },
  ];
  return { balance, rules };
});
const difference = (abv: number, from: number): string => {
  const by = abv - from;
  return Math.abs(by) < 0.05 ? 'the same' : `${show('abv', Math.abs(by))} ${by > 0 ? 'more' : 'less'}`;
};
</script>

<template>
  <div class="tool">
    <div class="given">
      <QuantityField v-model="given.og" kind="sg" label="original gravity" />
      <QuantityField v-model="given.fg" kind="sg" label="gravity now" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <template v-if="found.answer !== null">
      <div class="pairs" data-test="answer">
        <p>
          <span>Alcohol, by mass balance</span
          ><b class="big">{{ show('abv', found.answer.balance.abv) }} ± {{ BALANCE_ABV_PLUS_MINUS.toLocaleString() }}</b>
        </p>
        <p v-for="rule in found.answer.rules" :key="rule.name">
          <span
            >{{ rule.name }} <span class="small quiet">{{ difference(rule.abv, found.answer.balance.abv) }}</span></span
          ><b>{{ show('abv', rule.abv) }}</b>
        </p>
        <p>
          <span>Extract left <span class="small quiet">15 to 25 g/L of it is no sugar</span></span
          ><b>{{ show('gPerL', found.answer.balance.residualGPerL) }}</b>
        </p>
        <p>
          <span>A liter of must became</span><b>{{ show('volumeL', found.answer.balance.volumeRatio) }}</b>
        </p>
      </div>
      <p class="small quiet">
        The balance finds how much extract must have fermented for the mixture of water, extract and alcohol to read the gravity now
        (Balling’s yield, Tabarié’s relation). The one-line rules were made for beer: they take the density as linear and the volume as
        unchanged, so they part from it as the must gets stronger. None of them can follow an addition, a top-up or a loss; a batch can.
      </p>
    </template>
  </div>
</template>
