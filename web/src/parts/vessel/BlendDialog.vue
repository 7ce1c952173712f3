<script setup lang="ts">
import { sentOf } from '@hollow-bell/contract';
import type { Batch, BatchRecord } from '@hollow-bell/contract';
import { withSent } from '@hollow-bell/core/float';
import { liquidOf } from '@hollow-bell/core/masses';
import { fold, parcelOf } from '@hollow-bell/core/record';
import { mix, pourTogether } from '@hollow-bell/core/liquid';
import { computed, onMounted, ref, shallowRef, watch } from 'vue';
import { api } from '../../api/client.ts';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useKept } from '../../stores/kept.ts';
import { useRounds } from '../../stores/rounds.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import MakerDialog from '../fields/MakerDialog.vue';

const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const rounds = useRounds();
const kept = useKept();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const transferId = crypto.randomUUID();
const fromId = ref('');
const volumeL = ref<number | null>(0.5);
onMounted(() => rounds.load());

const options = computed(() =>
  rounds.standing
    .filter(({ id }) => id !== store.batch?.id)
    .map(({ id, name, volumeL: filled }) => ({ value: id, label: `${name}, ${show('volumeL', filled)}` })),
);
const source = shallowRef<BatchRecord | null>(null);
watch(fromId, (id) =>
  attempt(async () => {
    source.value = null;
    const record = await api.batch(id);
    if (id === fromId.value) source.value = record;
  }),
);
const sourceLedger = computed(() => (source.value === null ? null : fold(withSent(source.value.events, sentOf(source.value)))));
const outcome = useAnswer(() => {
  if (sourceLedger.value === null || volumeL.value === null) return null;
  return mix(pourTogether(liquidOf(store.ledger.liquid), liquidOf(parcelOf(sourceLedger.value, volumeL.value).liquid)));
});

async function pour(): Promise<void> {
  const { batch } = store;
  if (batch === null || source.value === null || volumeL.value === null) return;
  const blend = { afterSeq: batch.lastSeq, happenedAt: Date.now(), fromId: source.value.id, volumeL: volumeL.value, transferId };
  if (
    await attempt(async () => {
      store.batch = await kept.write<Batch>({ what: 'blend', id: batch.id, blend });
    })
  )
    emit('close');
}
</script>

<template>
  <MakerDialog title="Pour in another batch" width="min(460px, 94vw)" @close="emit('close')">
    <form class="form" @submit.prevent="pour">
      <p v-if="rounds.problem !== ''" class="refusal" role="alert">
        {{ rounds.problem }} <button type="button" class="link" @click="rounds.load()">Try again</button>
      </p>
      <p v-else-if="rounds.loaded && options.length === 0" class="quiet">No other batch has anything in its vessel.</p>
      <PickList v-model="fromId" label="from" placeholder="choose a batch" :options="options" />
      <QuantityField v-model="volumeL" kind="volume" label="how much of it" />
      <p v-if="outcome.refusal !== ''" class="refusal">{{ outcome.refusal }}</p>
      <p v-if="outcome.answer !== null">
        Together <b>{{ show('volumeL', outcome.answer.volumeL) }}</b> at <b>{{ show('sg', outcome.answer.sg) }}</b>,
        <b>{{ show('abv', outcome.answer.abv) }}</b>.
      </p>
      <p class="caution">Both records keep it. It can’t be taken back by one press: what is poured together stays together.</p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || outcome.answer === null">Poured in</el-button>
    </form>
  </MakerDialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}
</style>
