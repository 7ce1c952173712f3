<script setup lang="ts">
import type { Batch, Fate } from '@hollow-bell/contract';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBatch } from '../../stores/batch.ts';
import { recipeOf, useRecipes } from '../../stores/cellar.ts';
import { useKept } from '../../stores/kept.ts';
import MakerDialog from '../fields/MakerDialog.vue';
import AgainForm from '../cellar/AgainForm.vue';

const store = useBatch();
const kept = useKept();
const recipes = useRecipes();
const router = useRouter();
const { refusal, busy, attempt } = useAttempt();
const open = ref<'name' | 'again' | 'delete' | null>(null);
const name = ref('');

function ask(what: 'name' | 'again' | 'delete'): void {
  name.value = store.batch?.name ?? '';
  open.value = what;
}
async function rename(): Promise<void> {
  const { batch } = store;
  if (batch === null) return;
  const done = await attempt(async () => {
    store.batch = await kept.write<Batch>({ what: 'name', id: batch.id, name: name.value.trim() });
  });
  if (done) open.value = null;
}
async function decide(fate: Fate): Promise<void> {
  const { batch } = store;
  if (batch === null) return;
  if (await attempt(() => kept.write({ what: 'fate', id: batch.id, name: batch.name, fate })))
    await router.push({ name: 'batches', query: { shows: fate } });
}
/** Its plan, kept without a batch, with what was noted for the next time. */
async function keepRecipe(): Promise<void> {
  const { batch } = store;
  if (batch === null) return;
  if (await attempt(() => recipes.put(recipeOf(batch.id, batch.name, batch.plan.must, store.ledger.history.nextTime), 0)))
    await router.push({ name: 'recipes' });
}
</script>

<template>
  <p class="life small no-print">
    <button type="button" class="link" @click="ask('name')">Rename</button>
    <button type="button" class="link" @click="ask('again')">Make it again</button>
    <button type="button" class="link" @click="keepRecipe">Keep as a recipe</button>
    <button type="button" class="link" @click="decide('archived')">Put away</button>
    <button type="button" class="link" @click="ask('delete')">Delete</button>
    <span v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</span>
  </p>
  <MakerDialog v-if="open === 'name'" title="Rename" width="min(420px, 94vw)" @close="open = null">
    <form class="form" @submit.prevent="rename">
      <label><span class="small quiet">called</span><el-input v-model="name" maxlength="80" /></label>
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="name.trim() === ''">Keep the name</el-button>
    </form>
  </MakerDialog>
  <MakerDialog v-if="open === 'again'" title="Make it again" width="min(420px, 94vw)" @close="open = null">
    <div class="form">
      <p class="quiet">Its plan, as a new one to change; in the same proportions for the vessel it is made in.</p>
      <AgainForm v-if="store.batch !== null" :must="store.batch.plan.must" :from="{ batchId: store.batch.id }" />
    </div>
  </MakerDialog>
  <MakerDialog v-if="open === 'delete'" title="Delete this batch?" width="min(420px, 94vw)" @close="open = null">
    <div class="form">
      <p>
        It leaves Rounds at once. For a day it can be brought back from Batches; then its record is gone, and what it took is on the shelf
        again. To only have it out of sight, put it away.
      </p>
      <el-button type="danger" :loading="busy" @click="decide('deleted')">Delete it</el-button>
    </div>
  </MakerDialog>
</template>

<style scoped>
.life {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}

.form {
  display: grid;
  gap: 12px;
  justify-items: start;
}

label {
  display: grid;
  gap: 2px;
  width: 100%;
}
</style>
