<script setup lang="ts">
import { api } from '../api/client.ts';
import { isDemo, lookAround } from '../cellar.ts';
import type { Practice } from '@hollow-bell/contract';
import { nextTick, ref, watch } from 'vue';
import BrowserReminders from '../parts/rounds/BrowserReminders.vue';
import CalendarAddress from '../parts/rounds/CalendarAddress.vue';
import BackupsPart from '../parts/house/BackupsPart.vue';
import FilesPart from '../parts/house/FilesPart.vue';
import DoorsPart from '../parts/house/DoorsPart.vue';
import BrewPracticeFields from '../parts/must/BrewPracticeFields.vue';
import FinishPracticeFields from '../parts/stabilize/FinishPracticeFields.vue';
import PracticeFields from '../parts/fields/PracticeFields.vue';
import SchoolFields from '../parts/feed/SchoolFields.vue';
import { singleKeysOn } from '../composables/useSingleKeys.ts';
import { useDraft } from '../composables/useDraft.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useDoor } from '../stores/door.ts';
import { usePractice } from '../stores/practice.ts';

const house = usePractice();
const door = useDoor();
const { refusal, busy, attempt, blocked } = useAttempt();
const left = useDraft<Practice>('house', JSON.stringify(house.practice));
const practice = ref({ ...(left.draft.value ?? house.practice) });
const takenUp = ref(left.draft.value !== null);
watch(practice, (changed) => left.keep(changed), { deep: true });
function asKept(): void {
  practice.value = { ...house.practice };
  takenUp.value = false;
  void nextTick(() => left.forget());
}
/** It reads in the house's units. */
async function look(): Promise<void> {
  await attempt(async () => {
    await api.fillDemo(house.practice);
    lookAround();
  });
}
const saved = ref(false);

async function save(): Promise<void> {
  saved.value = await attempt(() => house.save(practice.value));
  if (!saved.value) return;
  takenUp.value = false;
  left.forget();
}
</script>

<template>
  <section class="house">
    <h1>House</h1>
    <p class="quiet">Your units and your schools. New batches begin with them; batches that are under way keep theirs.</p>
    <p v-if="takenUp" class="quiet small" role="status">
      As you left it, not yet kept. <button type="button" class="link" @click="asKept">Back to what is kept</button>
    </p>
    <PracticeFields v-model="practice" @update:model-value="saved = false" />
    <section class="feeding">
      <h2>When and what you feed</h2>
      <SchoolFields v-model="practice" @update:model-value="saved = false" />
    </section>
    <BrewPracticeFields v-model="practice" @update:model-value="saved = false" />
    <section class="feeding">
      <h2>How you finish</h2>
      <FinishPracticeFields v-model="practice" @update:model-value="saved = false" />
    </section>
    <div>
      <el-button type="primary" :loading="busy" :disabled="blocked" @click="save">Keep these</el-button>
      <span v-if="saved" class="quiet" role="status"> Kept.</span>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <section class="feeding">
      <h2>On this device</h2>
      <label class="choice"
        ><input v-model="singleKeysOn" type="checkbox" /><span
          >single keys go to places and asks (<kbd>?</kbd> lists them); off, only fields take keys</span
        ></label
      >
    </section>
    <CalendarAddress />
    <BrowserReminders />
    <DoorsPart v-if="door.visitor !== null && !door.isGuest" :visitor="door.visitor" />
    <FilesPart v-if="!door.isGuest" />
    <BackupsPart v-if="!isDemo && !door.isGuest" />
    <section v-if="!isDemo" class="feeding">
      <h2>A made-up cellar</h2>
      <p class="quiet">Ten batches in every state, to try things on. It has its own addresses; your cellar stays as it is.</p>
      <div><el-button @click="look">Look around</el-button></div>
    </section>
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
