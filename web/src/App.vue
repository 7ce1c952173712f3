<script setup lang="ts">
import { defineAsyncComponent, onMounted } from 'vue';
import DoubtDialog from './parts/page/DoubtDialog.vue';
import KeysSheet from './parts/page/KeysSheet.vue';
import MissingView from './parts/page/MissingView.vue';
import NoticeBar from './parts/page/NoticeBar.vue';
import TopBar from './parts/page/TopBar.vue';
import { useCellarLight } from './composables/useCellarLight.ts';
import { useKept } from './stores/kept.ts';
import { useOutbox } from './stores/outbox.ts';
import { isDemo } from './cellar.ts';
import { usePractice } from './stores/practice.ts';

/** Most days it is not the first. */
const FirstStart = defineAsyncComponent(() => import('./places/FirstStart.vue'));

const DemoStrip = defineAsyncComponent(() => import('./parts/page/DemoStrip.vue'));

const house = usePractice();
const outbox = useOutbox();
const kept = useKept();
useCellarLight();

onMounted(async () => {
  await house.load();
  await Promise.all([outbox.flush(), kept.flush()]);
});
</script>

<template>
  <a class="skip visually-hidden" href="#place">Skip to the work</a>
  <main v-if="!house.loaded" class="waiting">
    <p v-if="house.problem === ''" class="quiet">Opening the cellar…</p>
    <template v-else>
      <p>{{ house.problem }}</p>
      <el-button type="primary" @click="house.load()">Try again</el-button>
    </template>
  </main>
  <FirstStart v-else-if="house.saved === null" />
  <template v-else>
    <DemoStrip v-if="isDemo" />
    <TopBar />
    <NoticeBar />
    <MissingView />
    <main id="place"><RouterView /></main>
    <KeysSheet />
    <DoubtDialog />
  </template>
</template>

<style scoped>
main {
  max-width: 1280px;
  margin: 0 auto;
  padding: 0 32px 32px;
}

.waiting {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding-top: 80px;
}

.skip:focus {
  position: fixed;
  z-index: 50;
  inset: 8px auto auto 8px;
  width: auto;
  height: auto;
  clip-path: none;
  padding: 8px 12px;
  background: var(--paper);
}

@media (max-width: 720px) {
  main {
    padding: 0 16px 28px;
  }
}
</style>
