<script setup lang="ts">
import { costWorking, mustWorking } from '@hollow-bell/core/must';
import { computed } from 'vue';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import FigureValue from '../figures/FigureValue.vue';
import MoneyLine from './MoneyLine.vue';

const props = defineProps<{ draft: MustDraft }>();
const plan = computed(() => props.draft.plan.value);
const figures = computed(() => props.draft.figures.value);
const hasAfter = computed(() => plan.value.ingredients.some(({ stage, massG }) => stage === 'after' && massG > 0));
/** Fed in steps, it starts weaker than all of it is. */
const isStepped = computed(() => figures.value.effectiveOg.value - figures.value.og.value > 0.0005);
</script>

<template>
  <div class="makes">
    <FigureValue label="Original gravity" kind="sg" :figure="figures.og" :working="mustWorking('og', plan)" bar />
    <FigureValue
      v-if="isStepped"
      label="As if it started at"
      kind="sg"
      :figure="figures.effectiveOg"
      :working="mustWorking('effectiveOg', plan)"
    />
    <FigureValue label="Alcohol it ends with" kind="abv" :figure="figures.abv" :working="mustWorking('abv', plan)" bar />
    <FigureValue label="Stops near" kind="sg" :figure="figures.fg" :working="mustWorking('fg', plan)" bar />
    <FigureValue label="Sugar left" kind="gPerL" :figure="figures.sugarLeftGPerL" :working="mustWorking('sugarLeftGPerL', plan)" bar />
    <FigureValue label="After racking" kind="volumeL" :figure="figures.rackedL" :working="mustWorking('rackedL', plan)" bar />
    <template v-if="hasAfter">
      <FigureValue label="Finished" kind="volumeL" :figure="figures.finishedL" :working="mustWorking('finishedL', plan)" />
      <FigureValue
        label="Sugar in the glass"
        kind="gPerL"
        :figure="figures.finishedSugarGPerL"
        :working="mustWorking('finishedSugarGPerL', plan)"
      />
      <FigureValue label="Alcohol in the glass" kind="abv" :figure="figures.finishedAbv" :working="mustWorking('finishedAbv', plan)" />
    </template>
    <MoneyLine
      :cost="draft.cost.value"
      :working="costWorking(plan)"
      :other-cost="plan.otherCost"
      @other-cost="draft.change({ otherCost: $event })"
    />
  </div>
</template>

<style scoped src="./MustPlanner.css"></style>
