<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import CompositionFields from '../../must/CompositionFields.vue';
import QuantityField from '../../fields/QuantityField.vue';

type Detail = Extract<ShelfItem['detail'], { kind: 'ingredient' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
</script>

<template>
  <CompositionFields
    :model-value="detail.composition"
    :family="detail.family"
    @update:model-value="$event !== null && change({ composition: $event })"
  />
  <template v-if="detail.family !== 'honey'">
    <QuantityField
      :model-value="detail.composition.aminoNMgPerKg"
      kind="count"
      label="amino nitrogen, mg/kg"
      @update:model-value="$event !== null && change({ composition: { ...detail.composition, aminoNMgPerKg: $event } })"
    />
    <QuantityField
      :model-value="100 * detail.sugarSpread"
      kind="percent"
      label="sugar may differ by"
      @update:model-value="$event !== null && change({ sugarSpread: $event / 100 })"
    />
  </template>
</template>
