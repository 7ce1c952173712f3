<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { ZERO_AT_MOST } from '@hollow-bell/core/liquid';
import { ref } from 'vue';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';
import { asOptions } from './asOptions.ts';

type Detail = Extract<ShelfItem['detail'], { kind: 'instrument' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const READS = asOptions(['gravity', 'brix', 'temperature', 'pH', 'mass', 'volume'] as const);

/** What the meter showed in its two buffers; kept once both are known. */
const BUFFERS = { low: 4, high: 7 } as const;
const seen = ref<Record<'low' | 'high', number | null>>({ low: null, high: null });
const shownIn = (which: 'low' | 'high'): number | null => seen.value[which] ?? detail.value.buffers?.[which].read ?? null;
function setBuffer(which: 'low' | 'high', read: number | null): void {
  seen.value[which] = read;
  const [low, high] = [shownIn('low'), shownIn('high')];
  if (low === null || high === null) return;
  change({ buffers: { low: { buffer: BUFFERS.low, read: low }, high: { buffer: BUFFERS.high, read: high } } });
}
const dateOf = (event: Event): string | null => (event.target as HTMLInputElement).value || null;
</script>

<template>
  <PickList :model-value="detail.reads" label="reads" :options="READS" @update:model-value="$event !== null && change({ reads: $event })" />
  <QuantityField :model-value="detail.calibrationC" kind="temp" label="marked for" @update:model-value="change({ calibrationC: $event })" />
  <QuantityField
    :model-value="detail.resolution"
    kind="resolution"
    label="reads to"
    @update:model-value="$event !== null && change({ resolution: $event })"
  />
  <QuantityField
    v-if="detail.reads === 'gravity'"
    :model-value="detail.inWater ?? null"
    kind="sg"
    label="in water it shows"
    @update:model-value="change({ inWater: $event ?? undefined })"
  />
  <QuantityField
    v-else-if="detail.reads === 'brix'"
    :model-value="detail.inWater ?? null"
    kind="brix"
    label="in water it shows"
    :limits="{ low: 0, high: ZERO_AT_MOST.brix }"
    @update:model-value="change({ inWater: $event ?? undefined })"
  />
  <label
    ><span class="small quiet">last calibrated</span
    ><input class="line-input" type="date" :value="detail.calibratedOn ?? ''" @change="change({ calibratedOn: dateOf($event) })"
  /></label>
  <template v-if="detail.reads === 'pH'">
    <QuantityField
      :model-value="shownIn('low')"
      kind="buffer"
      label="in buffer 4.00 it showed"
      @update:model-value="setBuffer('low', $event)"
    />
    <QuantityField
      :model-value="shownIn('high')"
      kind="buffer"
      label="in buffer 7.00 it showed"
      @update:model-value="setBuffer('high', $event)"
    />
  </template>
</template>

<style scoped>
label {
  display: grid;
  gap: 2px;
}
</style>
