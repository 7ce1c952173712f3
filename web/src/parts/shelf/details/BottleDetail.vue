<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { CLOSURES_OF, CONTAINERS, containerOf } from '@hollow-bell/core/carbonate';
import { computed } from 'vue';
import PickList from '../../fields/PickList.vue';
import QuantityField from '../../fields/QuantityField.vue';
import { asOptions } from './asOptions.ts';

type Detail = Extract<ShelfItem['detail'], { kind: 'bottle' }>;
const detail = defineModel<Detail>({ required: true });
const change = (part: Partial<Detail>): void => {
  detail.value = { ...detail.value, ...part };
};
const KINDS = CONTAINERS.map(({ id, name }) => ({ value: id, label: name }));
const closures = computed(() => asOptions(CLOSURES_OF[detail.value.is]));
const says = computed(() => containerOf(detail.value.is).says);
const asks = computed(() => detail.value.is !== 'keg' && containerOf(detail.value.is).volumes === null);
</script>

<template>
  <PickList
    :model-value="detail.is"
    label="kind"
    :options="KINDS"
    @update:model-value="$event !== null && change({ is: $event, closure: CLOSURES_OF[$event][0]!, ratedVolumes: undefined })"
  />
  <QuantityField
    :model-value="detail.sizeMl / 1000"
    kind="volume"
    label="holds"
    @update:model-value="$event !== null && change({ sizeMl: Math.round($event * 1e4) / 10 })"
  />
  <PickList
    :model-value="detail.closure"
    label="closed with"
    :options="closures"
    @update:model-value="$event !== null && change({ closure: $event })"
  />
  <QuantityField
    v-if="asks"
    :model-value="detail.ratedVolumes ?? null"
    kind="gas"
    label="bears, by its maker"
    @update:model-value="change({ ratedVolumes: $event ?? undefined })"
  />
  <QuantityField
    :model-value="detail.priceEach ?? null"
    kind="money"
    label="price of one"
    @update:model-value="change({ priceEach: $event ?? undefined })"
  />
  <p class="small quiet whole">{{ says }}.</p>
</template>
