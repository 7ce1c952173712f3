<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { CHEMICAL_IDS } from '@hollow-bell/core/record';
import type { ChemicalId } from '@hollow-bell/core/record';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';

type Detail = Extract<ShelfItem['detail'], { kind: 'chemical' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const OF_NONE = '';
const IS: { value: ChemicalId | typeof OF_NONE; label: string }[] = [
  { value: OF_NONE, label: 'something else' },
  ...CHEMICAL_IDS.map((id) => ({ value: id, label: id === 'other' ? 'other finings' : id })),
];
</script>

<template>
  <PickList
    :model-value="detail.is ?? OF_NONE"
    label="what it is"
    :options="IS"
    @update:model-value="change({ is: $event === OF_NONE ? undefined : $event })"
  />
  <label
    ><span class="small quiet">used for</span
    ><input :value="detail.use" class="line-input" maxlength="120" @input="change({ use: ($event.target as HTMLInputElement).value })"
  /></label>
  <QuantityField
    :model-value="detail.gPerTeaspoon ?? null"
    kind="smallMass"
    label="a level teaspoon holds"
    @update:model-value="change({ gPerTeaspoon: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.gPerTablet ?? null"
    kind="smallMass"
    label="a tablet holds"
    @update:model-value="change({ gPerTablet: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.gPerPacket ?? null"
    kind="smallMass"
    label="a packet holds"
    @update:model-value="change({ gPerPacket: $event ?? undefined })"
  />
</template>

<style scoped>
label {
  display: grid;
  gap: 2px;
}
</style>
