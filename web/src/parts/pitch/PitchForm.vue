<script setup lang="ts">
import { sulfiteWaitEnds } from '@hollow-bell/core/rounds';
import { weighedG } from '@hollow-bell/core/quantities';
import { YEAST_TYPES, yeastOf, yeastToPitchG } from '@hollow-bell/core/yeast';
import { computed, onMounted, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';

const store = useBatch();
const shelf = useShelf();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();

const must = store.batch?.plan.must;
const chosen = ref(must?.yeastLotId ?? must?.yeastId ?? 'allround');
const options = computed(() => [
  ...shelf.yeasts.map(({ item }) => ({ value: item.id, label: `${item.name}, ${show('massG', shelf.leftG.get(item.id) ?? 0)} left` })),
  ...YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name })),
]);
onMounted(async () => {
  await shelf.load();
  if (!options.value.some(({ value }) => value === chosen.value)) chosen.value = must?.yeastId ?? 'allround';
});
const packet = computed(() => shelf.yeasts.find(({ item }) => item.id === chosen.value));
const isExpired = computed(() => {
  const expires = packet.value?.item.expiresOn;
  return expires !== null && expires !== undefined && Date.parse(expires) < store.now;
});
const sulfiteUntil = computed(() => {
  const free = sulfiteWaitEnds(store.ledger);
  return free !== null && store.now < free ? free : null;
});
const suggestedG = computed(() =>
  store.view === null ? 0 : weighedG(yeastToPitchG(store.view.volumeL, store.view.sg), store.batch?.plan.practice.scaleG),
);
const { at, when } = useWhen();
/** Nothing was typed yet; null where it cannot be read. */
const grams = ref<number | null | undefined>();
const massG = computed(() => (grams.value === undefined ? suggestedG.value : (grams.value ?? 0)));

function pitch(): Promise<boolean> {
  const lot = packet.value;
  const own = lot === undefined ? undefined : { ...lot.detail.own, name: lot.item.name };
  const yeastId = lot?.detail.typeId ?? (YEAST_TYPES.some(({ id }) => id === chosen.value) ? chosen.value : (must?.yeastId ?? 'allround'));
  const yeast = yeastOf({ yeastId, own });
  const origin = lot === undefined ? {} : { lotId: lot.item.id };
  return attempt(() =>
    store.write(
      [{ kind: 'yeast', payload: { yeastId, name: yeast.name, massG: massG.value, ...(own === undefined ? {} : { own }), ...origin } }],
      `pitched ${show('massG', massG.value)} ${yeast.name}`,
      when.value,
    ),
  );
}
</script>

<template>
  <div class="pitch">
    <PickList v-model="chosen" label="yeast" :options="options" />
    <QuantityField
      :model-value="grams === undefined ? suggestedG : grams"
      kind="smallMass"
      label="dry yeast"
      needed
      @update:model-value="grams = $event"
    />
    <WhenField v-model="at" />
    <el-button type="primary" :loading="busy" :disabled="blocked" @click="pitch">Pitched {{ show('massG', massG) }}</el-button>
    <p v-if="sulfiteUntil !== null" class="caution whole">
      The must was sulfited less than a day ago; the yeast waits until {{ show('when', sulfiteUntil) }}.
    </p>
    <p v-if="isExpired" class="caution whole">This packet is past its date: some of it is dead. Take half as much again, or another.</p>
    <p v-if="refusal !== ''" class="refusal whole" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.pitch {
  display: grid;
  grid-template-columns: minmax(0, 240px) 110px 130px auto;
  gap: 8px 18px;
  align-items: end;
}

.whole {
  grid-column: 1 / -1;
}

@media (max-width: 720px) {
  .pitch {
    grid-template-columns: minmax(0, 1fr) 110px;
  }

  .pitch .el-button {
    grid-column: 1 / -1;
  }
}
</style>
