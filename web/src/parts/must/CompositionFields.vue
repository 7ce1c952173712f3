<script setup lang="ts">
import { honeyComposition, juiceComposition, waterShare } from '@hollow-bell/core/ingredients';
import type { Composition, Family } from '@hollow-bell/core/ingredients';
import QuantityField from '../fields/QuantityField.vue';

defineProps<{ family: Family }>();
/** What cannot be is refused where it is used, with its sentence; the field keeps what was typed. */
const composition = defineModel<Composition>({ required: true });

const SHARES = [
  { part: 'sugar', label: 'sugar in it' },
  { part: 'unfermentable', label: 'dissolved, not for yeast' },
  { part: 'insoluble', label: 'pulp, skins, seeds' },
] as const;
const change = (over: Partial<Composition>): void => {
  composition.value = { ...composition.value, ...over };
};
</script>

<template>
  <template v-if="family === 'honey'">
    <QuantityField
      :model-value="100 * waterShare(composition)"
      kind="percent"
      label="water in it"
      @update:model-value="$event !== null && (composition = honeyComposition($event / 100, composition.unfermentable))"
    />
    <QuantityField
      :model-value="100 * composition.unfermentable"
      kind="percent"
      label="dissolved, not for yeast"
      @update:model-value="$event !== null && (composition = honeyComposition(waterShare(composition), $event / 100))"
    />
  </template>
  <template v-else>
    <QuantityField
      v-if="family === 'juice'"
      :model-value="100 * (composition.sugar + composition.unfermentable)"
      kind="brix"
      label="it reads"
      @update:model-value="$event !== null && (composition = juiceComposition($event, composition.acidGPerKg, composition.aminoNMgPerKg))"
    />
    <template v-else>
      <QuantityField
        v-for="{ part, label } in SHARES"
        :key="part"
        :model-value="100 * composition[part]"
        kind="percent"
        :label="label"
        @update:model-value="$event !== null && change({ [part]: $event / 100 })"
      />
    </template>
    <QuantityField
      :model-value="composition.acidGPerKg"
      kind="gPerKg"
      label="acid in it"
      @update:model-value="$event !== null && change({ acidGPerKg: $event })"
    />
  </template>
</template>
