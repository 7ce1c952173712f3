<script setup lang="ts">
import { ref } from 'vue';
import CalendarAddress from '../parts/CalendarAddress.vue';
import BrewPracticeFields from '../parts/BrewPracticeFields.vue';
import PracticeFields from '../parts/PracticeFields.vue';
import SchoolFields from '../parts/SchoolFields.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { usePractice } from '../stores/practice.ts';

const house = usePractice();
const { refusal, busy, attempt } = useAttempt();
const practice = ref({ ...house.practice });
const saved = ref(false);

async function save(): Promise<void> {
  saved.value = await attempt(() => house.save(practice.value));
}
</script>

<template>
  <section class="house">
    <h1>House</h1>
    <p class="quiet">Your units and your schools. New batches begin with them; batches that are under way keep theirs.</p>
    <PracticeFields v-model="practice" @update:model-value="saved = false" />
    <section class="feeding">
      <h2>When and what you feed</h2>
      <SchoolFields v-model="practice" @update:model-value="saved = false" />
    </section>
    <BrewPracticeFields v-model="practice" @update:model-value="saved = false" />
    <div>
      <el-button type="primary" :loading="busy" @click="save">Keep these</el-button>
      <span v-if="saved" class="quiet" role="status"> Kept.</span>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <CalendarAddress />
  </section>
</template>

<style scoped>
.house {
  display: grid;
  gap: 16px;
  max-width: 720px;
  padding-top: 14px;
}

.feeding {
  display: grid;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--rule);
}
</style>
