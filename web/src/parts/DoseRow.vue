<script setup lang="ts">
import type { DoseNow } from '@hollow-bell/core/feed';
import { NUTRIENTS } from '@hollow-bell/core/ledger';
import type { Bell } from '@hollow-bell/core/rounds';
import { computed, ref } from 'vue';
import BellMark from './BellMark.vue';
import QuantityField from './QuantityField.vue';
import { useReader } from '../composables/useReader.ts';

const props = defineProps<{ dose: DoseNow; of: number; busy: boolean }>();
const emit = defineEmits<{ give: [organicG: number, dapG: number] }>();

const { show } = useReader();
const BELL: Record<DoseNow['state'], Bell> = { given: 'still', due: 'swinging', ahead: 'muffled', 'too late': 'muffled' };
const otherwise = ref(false);
const organicG = ref<number | null>(null);
const dapG = ref<number | null>(null);
const teaspoons = (grams: number, source: 'organic' | 'dap'): string =>
  `about ${(Math.round((grams / NUTRIENTS[source].gPerTeaspoon) * 4) / 4).toLocaleString()} tsp`;
const parts = computed(() =>
  [
    { source: 'organic' as const, grams: props.dose.organicG },
    { source: 'dap' as const, grams: props.dose.dapG },
  ].filter((part) => part.grams >= 0.05),
);
const rounded = (grams: number): number => Math.round(grams * 10) / 10;

function begin(): void {
  organicG.value = rounded(props.dose.organicG);
  dapG.value = rounded(props.dose.dapG);
  otherwise.value = true;
}

function give(organic: number, dap: number): void {
  emit('give', rounded(organic), rounded(dap));
  otherwise.value = false;
}
</script>

<template>
  <li class="dose" :data-dose="dose.dose.number" :data-state="dose.state">
    <BellMark :bell="BELL[dose.state]" />
    <span class="quiet"
      >{{ dose.state === 'given' ? 'given' : dose.dose.atThirdBreak && dose.state === 'ahead' ? 'third break, at the latest' : '' }}
      {{ show('when', dose.dueAt) }}</span
    >
    <span class="what">
      <b>Dose {{ dose.dose.number }}</b>
      <template v-for="(part, i) in parts" :key="part.source"
        >{{ i === 0 ? ': ' : ' and ' }}<b>{{ show('massG', part.grams) }}</b> {{ NUTRIENTS[part.source].name }}
        <span v-if="dose.state !== 'given'" class="small quiet">({{ teaspoons(part.grams, part.source) }})</span></template
      >
      <span v-if="dose.state === 'too late'" class="quiet">: too late to be of use, half the sugar is gone</span>
      <span v-else-if="dose.dapDroppedG >= 0.05" class="quiet"
        >; {{ show('massG', dose.dapDroppedG) }} DAP left out: above 9 % vol or over its cap</span
      >
    </span>
    <span v-if="dose.state === 'due' || dose.state === 'ahead'" class="deeds">
      <el-button :type="dose.state === 'due' ? 'primary' : 'default'" :loading="busy" @click="give(dose.organicG, dose.dapG)"
        >Fed {{ show('massG', dose.organicG + dose.dapG) }}</el-button
      >
      <el-button @click="begin">Otherwise</el-button>
    </span>
    <form v-if="otherwise" class="other" @submit.prevent="give(organicG ?? 0, dapG ?? 0)">
      <QuantityField v-model="organicG" kind="smallMass" label="organic nutrient" />
      <QuantityField v-model="dapG" kind="smallMass" label="DAP" />
      <el-button type="primary" native-type="submit" :disabled="(organicG ?? 0) + (dapG ?? 0) <= 0">Given so</el-button>
      <el-button @click="otherwise = false">Not now</el-button>
    </form>
  </li>
</template>

<style scoped>
.dose {
  display: grid;
  grid-template-columns: 34px 118px 1fr auto;
  align-items: center;
  gap: 8px;
  min-height: 56px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

.other {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
}

@media (max-width: 720px) {
  .dose {
    grid-template-columns: 34px 1fr;
  }

  .what,
  .deeds {
    grid-column: 1 / -1;
  }
}
</style>
