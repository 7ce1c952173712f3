<script setup lang="ts">
import type { Practice } from '@hollow-bell/contract';
import { SCHOOLS, SCHOOL_IDS, nitrogenMgPerG, productCaution, productName } from '@hollow-bell/core/feed';
import type { Product } from '@hollow-bell/core/feed';
import { NUTRIENTS } from '@hollow-bell/core/ledger';
import type { NutrientId } from '@hollow-bell/core/ledger';
import { computed, onMounted } from 'vue';
import { useShelf } from '../stores/shelf.ts';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';

const practice = defineModel<Practice>({ required: true });
const shelf = useShelf();
onMounted(() => shelf.load());
const change = (over: Partial<Practice>): void => {
  practice.value = { ...practice.value, ...over };
};

const KINDS: NutrientId[] = ['organic', 'noAmmonium', 'rehydration', 'dap', 'complex', 'cutDap'];
/** The kinds of nutrient, and behind them the packets on the shelf with their own figures. */
const products = computed<Product[]>(() => [
  ...KINDS.map((source) => ({ source })),
  ...shelf.standing.flatMap(({ item }) =>
    item.detail.kind === 'nutrient'
      ? [
          {
            source: 'own' as const,
            lotId: item.id,
            own: { name: item.name, ammoniumN: item.detail.ammoniumN, aminoN: item.detail.aminoN },
            gPerTeaspoon: item.detail.gPerTeaspoon,
            ...(item.pricePerKg === null ? {} : { pricePerKg: item.pricePerKg }),
          },
        ]
      : [],
  ),
]);
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
const SCHOOL_OPTIONS = SCHOOL_IDS.map((id) => ({ value: id, label: SCHOOLS[id].name }));
const CREDITS = [1, 2, 3, 4].map((value) => ({ value, label: value === 1 ? 'at face value' : `${value} times` }));
const hours = computed(() => practice.value.ownHours.join(', '));
function setHours(event: Event): void {
  const typed = (event.target as HTMLInputElement).value.split(/[\s,;]+/).map(Number);
  const ownHours = typed.filter((h) => Number.isFinite(h) && h >= 0 && h <= 720).slice(0, 10);
  change({ ownHours });
}
</script>

<template>
  <div class="schools">
    <PickList :model-value="practice.school" label="when" :options="SCHOOL_OPTIONS" @update:model-value="change({ school: $event })" />
    <label v-if="practice.school === 'own'" class="hours">
      <span class="small quiet">hours after the pitch</span>
      <input :value="hours" inputmode="numeric" placeholder="24, 48, 72" @change="setHours" />
    </label>
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
    <p v-if="productCaution(practice.ammonium) !== null && practice.dapShare > 0" class="caution whole">
      {{ productCaution(practice.ammonium) }}
    </p>
  </div>
</template>

<style scoped>
.schools {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
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

.hours input {
  height: 40px;
  border: 0;
  border-bottom: 1px solid var(--soot-3);
  background: none;
  color: inherit;
  font: 15px var(--mono);
}
</style>
