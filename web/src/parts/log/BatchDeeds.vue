<script setup lang="ts">
import { isAllBottled } from '@hollow-bell/core/record';
import { pourOf } from '@hollow-bell/core/must';
import type { PlannedIngredient } from '@hollow-bell/core/must';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import BlendDialog from '../vessel/BlendDialog.vue';
import IngredientPicker from '../must/IngredientPicker.vue';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import SplitDialog from '../vessel/SplitDialog.vue';
import MakerDialog from '../fields/MakerDialog.vue';
import WhenField from '../fields/WhenField.vue';
import ActDialog from './ActDialog.vue';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const open = ref<'blend' | 'split' | 'act' | null>(null);
const at = ref<number | null>(null);
const picking = ref(false);
const added = ref<PlannedIngredient | null>(null);

const grams = ref<number | null>(null);
/** One way in, one judgement: what Sweeten and the dip line would say of it. */
const doubts = computed(() =>
  added.value === null || grams.value === null ? [] : store.doubtsOf([pourOf(added.value, grams.value)], store.now),
);
function choose(line: PlannedIngredient): void {
  added.value = line;
  grams.value = line.massG;
}

async function pour(): Promise<void> {
  const [line, massG] = [added.value, grams.value];
  if (line === null || massG === null) return;
  const told = `poured ${show('massG', massG)} ${line.name}`;
  const when = at.value === null ? {} : { at: at.value };
  if (await attempt(() => store.write([pourOf(line, massG)], told, { ...when, isSure: true }))) added.value = null;
}
</script>

<template>
  <p v-if="store.view !== null || store.ledger.history.bottled !== null" class="deeds-line small no-print">
    <template v-if="!isAllBottled(store.ledger)">
      <button type="button" class="link" @click="picking = true">Add something</button>
      <button type="button" class="link" @click="open = 'blend'">Pour in another</button>
      <button type="button" class="link" @click="open = 'split'">Split</button>
    </template>
    <button type="button" class="link" @click="open = 'act'">Write down what happened</button>
  </p>
  <IngredientPicker v-model="picking" @pick="choose" />
  <MakerDialog v-if="added !== null" :title="`Add ${added.name}`" width="min(420px, 94vw)" @close="added = null">
    <form class="form" @submit.prevent="pour">
      <QuantityField v-model="grams" :kind="added.massG < 100 ? 'smallMass' : 'mass'" label="how much" needed />
      <WhenField v-model="at" />
      <p v-for="(doubt, i) in doubts" :key="i" class="caution"><SentenceText :sentence="doubt" /></p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || (grams ?? 0) <= 0"
        >{{ doubts.length > 0 ? 'It is so: poured' : 'Poured' }} {{ show('massG', grams ?? 0) }}</el-button
      >
    </form>
  </MakerDialog>
  <BlendDialog v-if="open === 'blend'" @close="open = null" />
  <SplitDialog v-if="open === 'split'" @close="open = null" />
  <ActDialog v-if="open === 'act'" @close="open = null" />
</template>

<style scoped>
.deeds-line {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.form {
  display: grid;
  gap: 12px;
}
</style>
