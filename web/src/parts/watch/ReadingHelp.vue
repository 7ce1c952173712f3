<script setup lang="ts">
import { undilutedSg } from '@hollow-bell/core/liquid';
import { allowedReadings } from '@hollow-bell/core/must';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Ranged } from '@hollow-bell/core/quantities';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

const props = defineProps<{ predicted: Ranged }>();
const emit = defineEmits<{ take: [sg: number] }>();
const { show } = useReader();

const dilutedSg = ref<number | null>(null);
const by = ref<'volume' | 'mass'>('volume');
const WAYS = [
  { value: 'volume', label: 'half water by volume' },
  { value: 'mass', label: 'half water by weight' },
] as const;
const undiluted = computed((): { sg: number | null; refusal: string } => {
  if (dilutedSg.value === null) return { sg: null, refusal: '' };
  try {
    return { sg: undilutedSg(dilutedSg.value, 1, 1, by.value), refusal: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { sg: null, refusal: error.message };
  }
});

const one = ref<number | null>(null);
const other = ref<number | null>(null);
const judged = computed(() => {
  const candidates = [one.value, other.value].filter((sg) => sg !== null);
  return candidates.length < 2 ? [] : allowedReadings(props.predicted, candidates);
});
</script>

<template>
  <details class="help">
    <summary>Off the scale, or hard to read?</summary>
    <div class="grid">
      <p class="small quiet whole">Beyond the top mark: mix the sample with as much water, read, and it is counted back.</p>
      <QuantityField v-model="dilutedSg" kind="sg" label="thinned, it reads" />
      <PickList v-model="by" label="thinned" :options="WAYS" />
      <p v-if="undiluted.sg !== null" class="whole">
        Unthinned: <b>{{ show('sg', undiluted.sg) }}</b>
        <button type="button" class="link" @click="emit('take', undiluted.sg)">Take it</button>
      </p>
      <p v-if="undiluted.refusal !== ''" class="refusal whole">{{ undiluted.refusal }}</p>
      <p class="small quiet whole">A figure in the notes that may be one or the other: which does the recipe allow?</p>
      <QuantityField v-model="one" kind="sg" label="either" />
      <QuantityField v-model="other" kind="sg" label="or" />
      <p v-for="(reading, i) in judged" :key="reading.sg" class="whole">
        <b>{{ show('sg', reading.sg) }}</b>
        {{
          reading.isAllowed
            ? i === 0
              ? 'is what this recipe gives.'
              : 'would do too; the recipe cannot tell them apart.'
            : 'lies where this recipe cannot be.'
        }}
        <button v-if="i === 0 && reading.isAllowed" type="button" class="link" @click="emit('take', reading.sg)">Take it</button>
      </p>
    </div>
  </details>
</template>

<style scoped>
summary {
  color: var(--bronze);
  cursor: pointer;
}

.grid {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 190px));
  gap: 6px 18px;
  padding-top: 6px;
}

.whole {
  grid-column: 1 / -1;
}
</style>
