<script setup lang="ts">
import type { ShelvedBatch } from '@hollow-bell/contract';
import { YEAR_LIMIT_L, madeIn } from '@hollow-bell/core/cellar';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { usePractice } from '../../stores/practice.ts';

/** What this household made in the year, as a plain figure beside the limit of its place. */
const props = defineProps<{ shelves: readonly ShelvedBatch[]; now: number }>();
const house = usePractice();
const { show, money } = useReader();
const year = computed(() => new Date(props.now).getFullYear());
const made = computed(() => {
  const [from, to] = [new Date(year.value, 0, 1).getTime(), new Date(year.value + 1, 0, 1).getTime()];
  return madeIn(props.shelves, from, to);
});
</script>

<template>
  <p class="small quiet year">
    {{ year }}: {{ show('volumeL', made.liters) }} bottled for {{ money(made.cost) }}.
    <span v-if="house.practice.region === 'us'"
      >The federal limit without a permit is {{ show('volumeL', YEAR_LIMIT_L.one) }} for one adult,
      {{ show('volumeL', YEAR_LIMIT_L.household) }} for a household, never for sale; your state may say less.</span
    >
    <span v-else
      >How much a household may make, and whether it is to be told, differs from country to country: ask yours. Never for sale.</span
    >
  </p>
</template>
