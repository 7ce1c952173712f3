<script setup lang="ts">
import { liquidOf, mixedOf, parcelOf, viewOf } from '@hollow-bell/core/ledger';
import { mix, pourTogether } from '@hollow-bell/core/liquid';
import { computed, onMounted, ref } from 'vue';
import { api } from '../api/client.ts';
import { useAnswer } from '../composables/useAnswer.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import { useCellar } from '../stores/cellar.ts';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';

const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const cellar = useCellar();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const transferId = crypto.randomUUID();
const fromId = ref('');
const volumeL = ref<number | null>(0.5);
onMounted(() => cellar.load());

const others = computed(() => cellar.batches.filter((batch) => batch.id !== store.batch?.id && viewOf(batch.ledger) !== null));
const options = computed(() =>
  others.value.map((batch) => ({ value: batch.id, label: `${batch.name}, ${show('volumeL', mixedOf(batch.ledger)?.volumeL ?? 0)}` })),
);
const source = computed(() => others.value.find(({ id }) => id === fromId.value) ?? null);
const outcome = useAnswer(() => {
  if (source.value === null || volumeL.value === null) return null;
  return mix(pourTogether(liquidOf(store.ledger), liquidOf(parcelOf(source.value.ledger, volumeL.value))));
});

async function pour(): Promise<void> {
  const { batch } = store;
  if (batch === null || source.value === null || volumeL.value === null) return;
  const blend = { afterSeq: batch.lastSeq, happenedAt: Date.now(), fromId: source.value.id, volumeL: volumeL.value, transferId };
  if (
    await attempt(async () => {
      store.batch = await api.blend(batch.id, blend);
    })
  )
    emit('close');
}
</script>

<template>
  <el-dialog :model-value="true" title="Pour in another batch" width="min(460px, 94vw)" @close="emit('close')">
    <form class="form" @submit.prevent="pour">
      <p v-if="cellar.loaded && options.length === 0" class="quiet">No other batch has anything in its vessel.</p>
      <PickList v-model="fromId" label="from" placeholder="choose a batch" :options="options" />
      <QuantityField v-model="volumeL" kind="volume" label="how much of it" />
      <p v-if="outcome.refusal !== ''" class="refusal">{{ outcome.refusal }}</p>
      <p v-if="outcome.answer !== null">
        Together <b>{{ show('volumeL', outcome.answer.volumeL) }}</b> at <b>{{ show('sg', outcome.answer.sg) }}</b>,
        <b>{{ show('abv', outcome.answer.abv) }}</b>.
      </p>
      <p class="caution">Both records keep it. It can’t be taken back by a click: what is poured together stays together.</p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="outcome.answer === null">Poured in</el-button>
    </form>
  </el-dialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}
</style>
