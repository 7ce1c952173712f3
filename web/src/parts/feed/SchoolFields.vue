<script setup lang="ts">
import type { Practice } from '@hollow-bell/contract';
import { SCHOOLS, SCHOOL_IDS, readDoseHours } from '@hollow-bell/core/feed';
import { nitrogenMgPerG, productCaution, productName } from '@hollow-bell/core/nitrogen';
import type { Product } from '@hollow-bell/core/nitrogen';
import { NUTRIENTS } from '@hollow-bell/core/record';
import type { NutrientId } from '@hollow-bell/core/record';
import { computed, ref, watch } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useNutrients } from '../../composables/useNutrients.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

const practice = defineModel<Practice>({ required: true });
const change = (over: Partial<Practice>): void => {
  practice.value = { ...practice.value, ...over };
};

const { stocked } = useNutrients();
const KINDS: NutrientId[] = ['organic', 'noAmmonium', 'dap', 'complex', 'cutDap'];
/** The kinds of nutrient, and behind them the packets on the shelf with their own figures. */
const products = computed<Product[]>(() => [...KINDS.map((source) => ({ source })), ...stocked.value.map(({ product }) => product)]);
const keyOf = (product: Product): string => product.lotId ?? product.source;
const optionsFor = (hasAmmonium: boolean, chosen: Product) => {
  const fitting = products.value.filter((product) => {
    const { ammonium, amino } = nitrogenMgPerG(product);
    return hasAmmonium ? ammonium > 0 : ammonium === 0 && amino > 0;
  });
  const all = fitting.some((product) => keyOf(product) === keyOf(chosen)) ? fitting : [chosen, ...fitting];
  return all.map((product) => ({
    value: keyOf(product),
    label: product.lotId === undefined ? NUTRIENTS[product.source].name : `${productName(product)}, from the shelf`,
  }));
};
const productOf = (key: string): Product => products.value.find((product) => keyOf(product) === key) ?? { source: 'organic' };
/** A plan worked out for one must is followed by that batch alone. */
const schoolOptions = computed(() =>
  SCHOOL_IDS.filter((id) => id !== 'set' || practice.value.setDoses.length > 0).map((id) => ({ value: id, label: SCHOOLS[id].name })),
);
const CREDITS = [1, 2, 3, 4].map((value) => ({ value, label: value === 1 ? 'at face value' : `${value} times` }));
const hours = ref(practice.value.ownHours.join(', '));
watch(
  () => practice.value.ownHours,
  (kept) => (hours.value = kept.join(', ')),
);
const { refusal, attempt } = useAttempt({ isForm: false });
const setHours = (): Promise<boolean> => attempt(() => change({ ownHours: readDoseHours(hours.value) }));
</script>

<template>
  <div class="schools">
    <PickList :model-value="practice.school" label="when" :options="schoolOptions" @update:model-value="change({ school: $event })" />
    <label v-if="practice.school === 'own'" class="hours">
      <span class="small quiet">hours after the pitch</span>
      <input v-model="hours" class="line-input" placeholder="24, 48, 72" :aria-invalid="refusal !== ''" @change="setHours" />
    </label>
    <p v-if="practice.school === 'own' && refusal !== ''" class="refusal small whole" role="alert">{{ refusal }}</p>
    <PickList
      :model-value="keyOf(practice.organic)"
      label="organic"
      :options="optionsFor(false, practice.organic)"
      @update:model-value="change({ organic: productOf($event) })"
    />
    <PickList
      :model-value="keyOf(practice.ammonium)"
      label="ammonium"
      :options="optionsFor(true, practice.ammonium)"
      @update:model-value="change({ ammonium: productOf($event) })"
    />
    <QuantityField
      :model-value="100 * practice.dapShare"
      kind="percent"
      label="ammonium covers"
      @update:model-value="$event !== null && change({ dapShare: $event / 100 })"
    />
    <PickList
      :model-value="practice.organicCredit"
      label="organic counts"
      :options="CREDITS"
      @update:model-value="change({ organicCredit: $event })"
    />
    <p class="small quiet whole">{{ SCHOOLS[practice.school].says }}</p>
    <p class="small quiet whole">
      Nutrients of yeast hold nothing of animals; blends may, read the packet if a guest avoids them. Honey itself is of bees.
    </p>
    <p v-if="productCaution(practice.ammonium) !== null && practice.dapShare > 0" class="caution whole">
      {{ productCaution(practice.ammonium) }}
    </p>
  </div>
</template>

<style scoped>
.schools {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(150px, 100%), 1fr));
  gap: 8px 18px;
}

.whole {
  grid-column: 1 / -1;
}

.hours {
  display: grid;
  align-content: start;
  gap: 2px;
}
</style>
