<script setup lang="ts">
import { holdableValue, planAgain } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { computed, onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

/** A plan made again, as a new one to change, in the same proportions for another vessel or volume. */
const props = defineProps<{ must: MustPlan; from: { batchId?: string; recipeId?: string } }>();
const router = useRouter();
const shelf = useShelf();
const { show } = useReader();
const { refusal, attempt, blocked } = useAttempt();
onMounted(() => shelf.loadOnce());

const vesselName = ref(props.must.vessel.name);
const volumeL = ref<number | null>(null);
const wasL = computed(() => holdableValue(props.must, 'volumeL'));
const vessels = computed(() => {
  const all = shelf.vessels.some(({ name }) => name === props.must.vessel.name) ? shelf.vessels : [props.must.vessel, ...shelf.vessels];
  return all.map(({ name, capacityL }) => ({ value: name, label: `${name}, ${show('volumeL', capacityL)}` }));
});

const begin = (): Promise<boolean> =>
  attempt(async () => {
    const vessel = shelf.vessels.find(({ name }) => name === vesselName.value) ?? props.must.vessel;
    const plan = planAgain(props.must, { vessel, volumeL: volumeL.value });
    await router.push({ name: 'new', query: { plan: JSON.stringify(plan), ...props.from } });
  });
</script>

<template>
  <form class="again" @submit.prevent="begin">
    <PickList v-model="vesselName" label="in" :options="vessels" />
    <QuantityField v-model="volumeL" kind="volume" :label="`how much; it was ${show('volumeL', wasL)}`" />
    <el-button type="primary" native-type="submit" :disabled="blocked">To the plan</el-button>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </form>
</template>

<style scoped>
.again {
  display: grid;
  gap: 10px;
  justify-items: start;
}
</style>
