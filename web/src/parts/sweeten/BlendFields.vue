<script setup lang="ts">
import { computed } from 'vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import type { BlendRow } from '../../composables/useSweetening.ts';
import { toldAs } from './sweeteners.ts';
import type { Sweetener } from './sweeteners.ts';

const rows = defineModel<BlendRow[]>({ required: true });
const props = defineProps<{ sweeteners: readonly Sweetener[] }>();
const options = computed(() =>
  props.sweeteners.map((each) => ({ value: each.key, label: each.lotId === undefined ? toldAs(each) : `${toldAs(each)}, on the shelf` })),
);
const MOST = 4;
const add = (): void => {
  const free = props.sweeteners.find(({ key }) => !rows.value.some((row) => row.key === key));
  rows.value = [...rows.value, { key: free?.key ?? rows.value[0]?.key ?? '', share: 1 }];
};
</script>

<template>
  <div class="blend" data-test="blend">
    <div v-for="(row, i) in rows" :key="i" class="row">
      <PickList v-model="row.key" :label="i === 0 ? 'with' : 'and'" :options="options" />
      <QuantityField v-if="rows.length > 1" v-model="row.share" kind="parts" label="parts by mass" />
      <button v-if="i > 0" type="button" class="link small" @click="rows = rows.filter((_, k) => k !== i)">without it</button>
    </div>
    <button v-if="rows.length < MOST" type="button" class="link" @click="add">Another honey or sweetener, in a ratio</button>
  </div>
</template>

<style scoped>
.blend {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  justify-items: start;
}

.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(110px, 100%), 280px));
  align-items: end;
  gap: 6px 18px;
  width: 100%;
}
</style>
