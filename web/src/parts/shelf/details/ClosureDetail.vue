<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { CLOSURE_IDS } from '@hollow-bell/core/record';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';
import { asOptions } from './asOptions.ts';

type Detail = Extract<ShelfItem['detail'], { kind: 'closure' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const KINDS = asOptions(CLOSURE_IDS);
</script>

<template>
  <PickList :model-value="detail.is" label="kind" :options="KINDS" @update:model-value="$event !== null && change({ is: $event })" />
  <QuantityField
    :model-value="detail.lengthMm ?? null"
    kind="count"
    label="length, mm"
    @update:model-value="change({ lengthMm: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.soakMin ?? null"
    kind="count"
    label="soaks, minutes"
    @update:model-value="change({ soakMin: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.priceEach ?? null"
    kind="money"
    label="price of one"
    @update:model-value="change({ priceEach: $event ?? undefined })"
  />
</template>
