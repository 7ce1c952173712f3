<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { YEAST_TYPES } from '@hollow-bell/core/yeast';
import type { NitrogenDemand } from '@hollow-bell/core/yeast';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';
import { asOptions } from './asOptions.ts';

type Detail = Extract<ShelfItem['detail'], { kind: 'yeast' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const TYPES = YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name }));
const DEMANDS = [
  { value: 'type' as const, label: 'as its type' },
  ...asOptions(['low', 'medium', 'high'] as const),
  { value: 'unknown' as const, label: 'nobody says' },
];

function setTolerance(part: 'value' | 'low' | 'high', abv: number | null): void {
  if (abv === null) return;
  const type = YEAST_TYPES.find(({ id }) => id === detail.value.typeId);
  const before = detail.value.own.toleranceAbv ?? type?.toleranceAbv ?? { value: 14, low: 13, high: 15 };
  const next = { ...before, [part]: abv };
  const { value, low, high } = next;
  change({ own: { ...detail.value.own, toleranceAbv: { value, low: Math.min(low, value), high: Math.max(high, value) } } });
}
const setDemand = (demand: NitrogenDemand | 'type'): void =>
  change({ own: { ...detail.value.own, demand: demand === 'type' ? undefined : demand } });
</script>

<template>
  <PickList
    :model-value="detail.typeId"
    label="type"
    :options="TYPES"
    @update:model-value="$event !== null && change({ typeId: $event })"
  />
  <QuantityField
    :model-value="detail.own.toleranceAbv?.value ?? null"
    kind="abv"
    label="packet says, alcohol"
    @update:model-value="setTolerance('value', $event)"
  />
  <QuantityField
    :model-value="detail.own.toleranceAbv?.low ?? null"
    kind="abv"
    label="at least"
    @update:model-value="setTolerance('low', $event)"
  />
  <QuantityField
    :model-value="detail.own.toleranceAbv?.high ?? null"
    kind="abv"
    label="at most"
    @update:model-value="setTolerance('high', $event)"
  />
  <PickList :model-value="detail.own.demand ?? 'type'" label="wants nitrogen" :options="DEMANDS" @update:model-value="setDemand" />
  <QuantityField
    :model-value="detail.gPerPacket ?? null"
    kind="smallMass"
    label="a packet holds"
    @update:model-value="change({ gPerPacket: $event ?? undefined })"
  />
</template>
