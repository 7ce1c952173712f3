<script setup lang="ts">
import { litersByWeight } from '@hollow-bell/core/liquid';
import { Refusal } from '@hollow-bell/core/quantities';
import { ref, watch } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import QuantityField from '../fields/QuantityField.vue';

/** How much is in a vessel, by what it weighs with it and empty. */
const props = defineProps<{ tareG: number | null; sg: number }>();
const emit = defineEmits<{ liters: [volumeL: number] }>();

const { tell } = useReader();
const fullG = ref<number | null>(null);
const emptyG = ref(props.tareG);
const refusal = ref('');
watch(
  () => props.tareG,
  (tareG) => {
    emptyG.value = tareG;
  },
);
watch([fullG, emptyG], ([full, empty]) => {
  refusal.value = '';
  if (full === null || empty === null) return;
  try {
    emit('liters', litersByWeight(full, empty, props.sg));
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    refusal.value = tell(error.said);
  }
});
</script>

<template>
  <div class="weights">
    <QuantityField v-model="fullG" kind="mass" label="weighs with it" />
    <QuantityField v-model="emptyG" kind="mass" label="weighs empty" />
    <p v-if="refusal !== ''" class="refusal small" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.weights {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: 150px 150px;
  gap: 6px 18px;
}

.refusal {
  grid-column: 1 / -1;
}
</style>
