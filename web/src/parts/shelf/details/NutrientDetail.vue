<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import QuantityField from '../../fields/QuantityField.vue';

type Detail = Extract<ShelfItem['detail'], { kind: 'nutrient' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
</script>

<template>
  <QuantityField
    :model-value="100 * detail.ammoniumN"
    kind="percent"
    label="nitrogen as ammonium"
    @update:model-value="$event !== null && change({ ammoniumN: $event / 100 })"
  />
  <QuantityField
    :model-value="100 * detail.aminoN"
    kind="percent"
    label="nitrogen as amino acids"
    @update:model-value="$event !== null && change({ aminoN: $event / 100 })"
  />
  <QuantityField
    :model-value="detail.gPerTeaspoon"
    kind="smallMass"
    label="a level teaspoon holds"
    @update:model-value="$event !== null && change({ gPerTeaspoon: $event })"
  />
  <QuantityField
    :model-value="detail.gPerPacket ?? null"
    kind="smallMass"
    label="a packet holds"
    @update:model-value="change({ gPerPacket: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.capGPerL ?? null"
    kind="gramsPerL"
    label="packet allows at most"
    @update:model-value="change({ capGPerL: $event ?? undefined })"
  />
</template>
