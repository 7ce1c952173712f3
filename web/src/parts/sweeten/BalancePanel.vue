<script setup lang="ts">
import { taRiseGPerL } from '@hollow-bell/core/acid';
import { weighedG } from '@hollow-bell/core/quantities';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import GlassLadder from './GlassLadder.vue';
import { BALANCE, pouredEvent, sweetenersOf, toldAs } from './sweeteners.ts';

/** Acid and tannin, by the glass and by halves. */
const emit = defineEmits<{ write: [told: string] }>();
const store = useBatch();
const shelf = useShelf();
const { show, number } = useReader();
const { refusal, busy, attempt } = useAttempt();
const choices = computed(() =>
  sweetenersOf(
    shelf.standing.map(({ item }) => item),
    BALANCE,
  ),
);
const key = ref('table acid-tartaric');
const chosen = computed(() => choices.value.find((each) => each.key === key.value));
const options = computed(() => choices.value.map((each) => ({ value: each.key, label: toldAs(each) })));
const batchG = ref<number | null>(null);
const { history } = store.ledger;
const tells = (grams: number): string => {
  const { value: of } = chosen;
  const volumeL = store.view?.volumeL ?? 1;
  if (of?.family !== 'acid') return `${number(grams / volumeL, 2)} g/L`;
  return `+${number(taRiseGPerL((grams * of.composition.acidGPerKg) / 1000, volumeL, 'tartaric'), 2)} g/L acid`;
};
async function add(share: number): Promise<void> {
  const { value: of } = chosen;
  if (of === undefined || batchG.value === null) return;
  const massG = weighedG(share * batchG.value, store.batch?.plan.practice.scaleG);
  if (await attempt(() => store.write([pouredEvent(of, massG)], `${show('massG', massG)} ${toldAs(of)}`))) batchG.value = null;
}
</script>

<template>
  <details class="balance" data-test="balance">
    <summary>Acid and tannin, by the glass</summary>
    <p>
      {{
        history.ta === null
          ? 'Nobody measured its acid.'
          : `Acid ${show('gPerL', history.ta.value)} as tartaric, ${show('when', history.ta.at)}.`
      }}
      {{ history.ph === null ? '' : `pH ${show('ph', history.ph.value)}.` }}
      A gram a liter is plain to taste. Too much is taken out only by blending: add half of what you think, taste tomorrow.
    </p>
    <PickList v-model="key" label="in the glasses" :options="options" class="pick" />
    <GlassLadder
      v-if="chosen !== undefined && store.view !== null"
      :key="key"
      :of="toldAs(chosen)"
      :batch-l="store.view.volumeL"
      :usual-step-g="chosen.family === 'acid' ? 0.05 : 0.01"
      :tells="tells"
      :chosen-g="batchG"
      @choose="batchG = $event"
      @write="emit('write', $event)"
    />
    <div v-if="batchG !== null && chosen !== undefined" class="deeds">
      <span
        >The whole vessel: <b>{{ show('massG', batchG) }}</b></span
      >
      <el-button type="primary" :loading="busy" @click="add(0.5)">Add half, {{ show('massG', batchG / 2) }}</el-button>
      <el-button :loading="busy" @click="add(1)">All of it</el-button>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </details>
</template>

<style scoped>
.balance[open] {
  display: grid;
  gap: 8px;
}

.pick {
  max-width: 260px;
}
</style>
