<script setup lang="ts">
import { useBottlingHere } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

const { isSparkling, measuredL, lostL, warmest, warmestC, volumes, style, sugarKey, sugars, where, pieceG, plannedL, awaits } =
  useBottlingHere();
const { showFigure } = useReader();
const WHERE = [
  { value: 'bulk' as const, label: 'a syrup, into all of it' },
  { value: 'each' as const, label: 'into each bottle' },
];
</script>

<template>
  <div class="fields">
    <div class="field">
      <QuantityField v-model="measuredL" kind="volume" label="measured after racking" :needed="isSparkling" />
      <p class="small quiet">
        planned {{ plannedL === null ? '' : showFigure('volumeL', plannedL) }}<span v-if="awaits">: gas wants it measured</span>
      </p>
    </div>
    <div class="field"><QuantityField v-model="lostL" kind="volume" label="left in hose and dregs" /></div>
    <template v-if="isSparkling">
      <div class="field">
        <QuantityField v-model="warmestC" kind="temp" label="warmest since its end" :limits="{ low: 0, high: 32 }" />
        <p class="small quiet">
          {{ warmest.isRead ? 'as it was read' : 'the room’s; nobody read it' }}
        </p>
      </div>
      <div class="field">
        <QuantityField
          :model-value="volumes"
          kind="gas"
          label="gas wanted"
          :limits="{ low: 0.9, high: 6 }"
          @update:model-value="$event !== null && (volumes = $event)"
        />
        <p class="small quiet">{{ style.name }}: {{ style.feels }}</p>
      </div>
      <div class="field">
        <PickList v-model="sugarKey" label="primed with" :options="sugars.map(({ key, label }) => ({ value: key, label }))" />
      </div>
      <div class="field">
        <PickList v-model="where" label="it goes" :options="WHERE" />
        <QuantityField v-if="where === 'each'" v-model="pieceG" kind="smallMass" label="a piece weighs; empty for a scale" />
      </div>
    </template>
  </div>
</template>

<style scoped>
.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(150px, 100%), 1fr));
  gap: 8px 22px;
  padding: 10px 0 4px;
}

.field {
  display: grid;
  align-content: start;
  gap: 2px;
}
</style>
