<script setup lang="ts">
import type { Cost } from '@hollow-bell/core/must';
import { LITERS_PER, SHOWN_UNITS } from '@hollow-bell/core/quantities';
import type { Working } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import QuantityField from '../fields/QuantityField.vue';
import WorkingSheet from '../figures/WorkingSheet.vue';

defineProps<{ cost: Cost; working: Working; otherCost: number }>();
const emit = defineEmits<{ otherCost: [amount: number] }>();
const { money, reader } = useReader();
const volume = computed(() => SHOWN_UNITS[reader.value.units].volume);
</script>

<template>
  <el-popover trigger="click" :width="360" placement="bottom-start">
    <template #reference>
      <button type="button" class="money" :aria-label="`Cost ${money(cost.total)}. Show working`" data-figure="Cost">
        <span>Cost</span><b class="number">{{ cost.total > 0 ? money(cost.total) : 'no price yet' }}</b>
        <span v-if="cost.total > 0" class="small quiet"
          >{{ money(cost.perLiter * LITERS_PER[volume]) }} a {{ volume === 'l' ? 'liter' : 'gallon' }}, {{ money(cost.perBottle) }} a
          bottle<template v-if="cost.unpriced.length > 0">; {{ cost.unpriced.length }} without a price</template></span
        >
      </button>
    </template>
    <WorkingSheet title="Cost" :working="working" />
    <QuantityField
      :model-value="otherCost"
      kind="money"
      label="yeast, nutrient and the rest"
      @update:model-value="$event !== null && emit('otherCost', $event)"
    />
  </el-popover>
</template>

<style scoped>
.money {
  display: grid;
  grid-template-columns: 1fr auto;
  align-items: baseline;
  width: 100%;
  padding: 8px 0;
  border: 0;
  background: none;
  color: inherit;
  font-size: inherit;
  text-align: left;
  cursor: pointer;
}

b {
  font-size: 18px;
}

.small {
  grid-column: 1 / -1;
}
</style>
