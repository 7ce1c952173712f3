<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { VESSEL_KINDS } from '@hollow-bell/core/vessel';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';
import { asOptions } from './asOptions.ts';

type Detail = Extract<ShelfItem['detail'], { kind: 'vessel' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const SHAPES = asOptions(VESSEL_KINDS);
const MATERIALS = asOptions(['glass', 'plastic', 'steel', 'stoneware'] as const);
</script>

<template>
  <PickList
    :model-value="detail.shape"
    label="shape"
    :options="SHAPES"
    @update:model-value="$event !== null && change({ shape: $event })"
  />
  <QuantityField
    :model-value="detail.capacityL"
    kind="volume"
    label="to the brim"
    @update:model-value="$event !== null && change({ capacityL: $event })"
  />
  <PickList
    :model-value="detail.material"
    label="of"
    :options="MATERIALS"
    @update:model-value="$event !== null && change({ material: $event })"
  />
  <QuantityField
    :model-value="detail.tareG ?? null"
    kind="mass"
    label="weighs empty"
    @update:model-value="change({ tareG: $event ?? undefined })"
  />
  <QuantityField :model-value="detail.neckMm" kind="count" label="neck, mm" @update:model-value="change({ neckMm: $event })" />
</template>
