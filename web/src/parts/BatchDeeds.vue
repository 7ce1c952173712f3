<script setup lang="ts">
import { pourOf } from '@hollow-bell/core/must';
import type { PlannedIngredient } from '@hollow-bell/core/must';
import { ref } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import BlendDialog from './BlendDialog.vue';
import IngredientPicker from './IngredientPicker.vue';
import QuantityField from './QuantityField.vue';
import SplitDialog from './SplitDialog.vue';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const open = ref<'blend' | 'split' | null>(null);
const picking = ref(false);
const added = ref<PlannedIngredient | null>(null);

async function pour(): Promise<void> {
  const line = added.value;
  if (line === null) return;
  if (await attempt(() => store.write([pourOf(line, line.massG)], `poured ${show('massG', line.massG)} ${line.name}`))) added.value = null;
}
</script>

<template>
  <p v-if="store.view !== null && store.ledger.bottled === null" class="deeds-line small no-print">
    <button type="button" class="link" @click="picking = true">Add something</button>
    <button type="button" class="link" @click="open = 'blend'">Pour in another</button>
    <button type="button" class="link" @click="open = 'split'">Split</button>
  </p>
  <IngredientPicker v-model="picking" @pick="added = $event" />
  <el-dialog v-if="added !== null" :model-value="true" :title="`Add ${added.name}`" width="min(420px, 94vw)" @close="added = null">
    <form class="form" @submit.prevent="pour">
      <QuantityField
        :model-value="added.massG"
        :kind="added.massG < 100 ? 'smallMass' : 'mass'"
        label="how much"
        @update:model-value="$event !== null && added !== null && (added = { ...added, massG: $event })"
      />
      <p v-if="store.ledger.pitch !== null && added.composition.acidGPerKg > 5" class="caution">
        Acid fruit in a fermenting must drops the pH at once and can stop the yeast: give it in parts, two days apart.
      </p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" native-type="submit" :loading="busy">Poured {{ show('massG', added.massG) }}</el-button>
    </form>
  </el-dialog>
  <BlendDialog v-if="open === 'blend'" @close="open = null" />
  <SplitDialog v-if="open === 'split'" @close="open = null" />
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
