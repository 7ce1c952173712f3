<script setup lang="ts">
import { HEADSPACE_PCT } from '@hollow-bell/core/must';
import { fillOf, levelCm, sectionOf } from '@hollow-bell/core/vessel';
import type { VesselKind } from '@hollow-bell/core/vessel';
import { computed } from 'vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import VesselSection from '../vessel/VesselSection.vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useLinked } from '../../composables/useLinked.ts';
import { useReader } from '../../composables/useReader.ts';

const { show, number } = useReader();
const given = useLinked({ shape: 'carboy', brim: 10.8, v: 7.5, fruit: 0 });
const SHAPES = (['jug', 'carboy', 'bucket', 'keg'] as const).map((value) => ({ value, label: value }));
const HEIGHT_PX = 260;
const vessel = computed(() => ({ kind: given.shape as VesselKind, name: given.shape, capacityL: given.brim ?? 0 }));
const found = useAnswer(() => {
  if (given.brim === null || given.v === null || !SHAPES.some(({ value }) => value === given.shape)) return null;
  const section = sectionOf(vessel.value);
  const fill = fillOf(given.brim, given.v, (given.fruit ?? 0) / 1000);
  return { fill, levelCm: levelCm(section, fill.fillL), scale: HEIGHT_PX / (section.heightCm.at(-1) ?? 1) };
});
</script>

<template>
  <div class="tool">
    <div class="given">
      <PickList v-model="given.shape" label="shape" :options="SHAPES" />
      <QuantityField v-model="given.brim" kind="volume" label="to the brim" />
      <QuantityField v-model="given.v" kind="volume" label="liquid in it" />
      <QuantityField v-model="given.fruit" kind="mass" label="whole fruit in it" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <div v-if="found.answer !== null" class="with-drawing">
      <VesselSection
        :vessel="vessel"
        :layers="[{ liters: found.answer.fill.fillL, color: 'var(--water)', label: '' }]"
        :scale="found.answer.scale"
        :title="`${given.shape} with ${show('volumeL', found.answer.fill.fillL)}`"
      />
      <div class="pairs" data-test="answer">
        <p v-if="found.answer.fill.overflowL > 0">
          <span>Will not fit</span><b class="big">{{ show('volumeL', found.answer.fill.overflowL) }}</b>
        </p>
        <template v-else>
          <p>
            <span>Headspace</span
            ><b class="big">{{ show('volumeL', found.answer.fill.headspaceL) }}, {{ show('percent', found.answer.fill.headspacePct) }}</b>
          </p>
          <p>
            <span>Stands at</span><b>{{ number(found.answer.levelCm, 1) }} cm</b>
          </p>
        </template>
        <p>
          <span>A fermenting must wants</span><b>{{ HEADSPACE_PCT.plain }} %, {{ HEADSPACE_PCT.fruit }} % over fruit</b>
        </p>
        <p><span>Ageing wants</span><b>almost none</b></p>
      </div>
    </div>
  </div>
</template>

<style scoped>
.with-drawing {
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 30px;
  align-items: end;
}

@media (max-width: 720px) {
  .with-drawing {
    grid-template-columns: minmax(0, 1fr);
    gap: 12px;
  }
}
</style>
