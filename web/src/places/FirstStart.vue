<script setup lang="ts">
import { DEFAULT_PRACTICE, houseOf, unitsOf } from '@hollow-bell/contract';
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../api/client.ts';
import { lookAround } from '../cellar.ts';
import PracticeFields from '../parts/fields/PracticeFields.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { usePractice } from '../stores/practice.ts';

const house = usePractice();
const router = useRouter();
const { refusal, busy, attempt, blocked } = useAttempt();
const practice = ref({ ...DEFAULT_PRACTICE, ...houseOf(unitsOf(navigator.language), navigator.language) });

async function begin(): Promise<void> {
  await attempt(async () => {
    await house.save(practice.value);
    await router.replace({ name: 'batches' });
  });
}
/** The made-up cellar reads as this maker's would. */
async function look(): Promise<void> {
  await attempt(async () => {
    await api.fillDemo(practice.value);
    lookAround();
  });
}
</script>

<template>
  <main class="first">
    <img src="/favicon.svg" alt="" width="44" height="44" />
    <h1>Three questions, then the cellar.</h1>
    <p class="quiet">Each has an answer already; all can be changed later, and a batch may differ.</p>
    <PracticeFields v-model="practice" />
    <div class="deeds">
      <el-button type="primary" :loading="busy" :disabled="blocked" @click="begin">Begin with an empty cellar</el-button>
      <el-button :loading="busy" :disabled="blocked" @click="look">Look around a made-up one</el-button>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <p class="small quiet">
      Hollow Bell computes and reminds; it does not know your cellar. Local rules on making alcohol come first, and when in doubt, do not
      drink it.
    </p>
  </main>
</template>

<style scoped>
.first {
  display: grid;
  gap: 16px;
  max-width: 720px;
  margin: 0 auto;
  padding: 56px 20px 40px;
}

.deeds {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}

.deeds :deep(.el-button + .el-button) {
  margin-left: 0;
}
</style>
