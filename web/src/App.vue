<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import DoubtDialog from './parts/page/DoubtDialog.vue';
import KeysSheet from './parts/page/KeysSheet.vue';
import MissingView from './parts/page/MissingView.vue';
import NoticeBar from './parts/page/NoticeBar.vue';
import TopBar from './parts/page/TopBar.vue';
import { useCellarLight } from './composables/useCellarLight.ts';
import { useFocusKept } from './composables/useFocusKept.ts';
import { usePageTitle } from './composables/usePageTitle.ts';
import { useDoor } from './stores/door.ts';
import { useKept } from './stores/kept.ts';
import { useOutbox } from './stores/outbox.ts';
import { seenSince } from './api/lastSeen.ts';
import { cellarBase, isDemo } from './cellar.ts';
import { REMINDS } from './ringing/outside.ts';
import { usePad } from './stores/pad.ts';
import { usePractice } from './stores/practice.ts';
import { useRounds } from './stores/rounds.ts';
import { useTimers } from './stores/timers.ts';
import { useTimeoutFn, whenever } from '@vueuse/core';

/** Most days it is not the first. */
const FirstStart = defineAsyncComponent(() => import('./places/FirstStart.vue'));

const DemoStrip = defineAsyncComponent(() => import('./parts/page/DemoStrip.vue'));

const ClockNotice = defineAsyncComponent(() => import('./parts/page/ClockNotice.vue'));
/** Loaded with the first reading that is pressed. */
const ReadingPad = defineAsyncComponent(() => import('./parts/pad/ReadingPad.vue'));
const TimerBar = defineAsyncComponent(() => import('./parts/page/TimerBar.vue'));
const WordsHere = defineAsyncComponent(() => import('./parts/help/WordsHere.vue'));
const EnterPlace = defineAsyncComponent(() => import('./places/EnterPlace.vue'));

const KEEPS_AHEAD_MS = 4000;
const house = usePractice();
const door = useDoor();
const outbox = useOutbox();
const kept = useKept();
const pad = usePad();
const timers = useTimers();
const route = useRoute();
const router = useRouter();
const batchHere = computed(() => (route.name === 'batch' || route.name === 'station' ? String(route.params['id']) : null));
useCellarLight();
const title = usePageTitle();
const root = useTemplateRef<HTMLElement>('root');
const place = useTemplateRef<HTMLElement>('place');
/** What the first view does not need is fetched once it stands. */
const isCalm = ref(false);
useTimeoutFn(() => (isCalm.value = true), KEEPS_AHEAD_MS);
useFocusKept(root);

async function open(): Promise<void> {
  await house.load();
  if (door.isOut) return;
  await Promise.all([outbox.flush(), kept.flush(), door.askClock()]);
}
onMounted(open);
const rounds = useRounds();
if (router.resolve(location.pathname.slice(cellarBase.length)).name === 'rounds') rounds.loadAhead();

/** The log lies below the bench on a phone. */
function toLog(): void {
  const heading = document.querySelector<HTMLElement>('#log h2');
  heading?.scrollIntoView();
  heading?.focus({ preventScroll: true });
}

/** Once Rounds stand, what a cellar without a network needs is kept on the device, in no hurry. */
const sight = async () => (await import('./stores/sight.ts')).useSight();
const keepAhead = async (): Promise<void> => (await sight()).keepAhead();
/** Wherever the page was opened: once something old is shown, somebody is asked until they answer. */
whenever(
  () => seenSince.value !== null,
  () => void sight(),
  { immediate: true },
);
/** Who wished to be reminded is, whatever view stands open. */
whenever(
  () => house.loaded && !door.isOut && localStorage.getItem(REMINDS) === 'true',
  async () => (await import('./stores/reminders.ts')).useReminders(),
  { once: true, immediate: true },
);
whenever(
  () => rounds.loaded && !door.isOut,
  () => useTimeoutFn(() => void keepAhead(), KEEPS_AHEAD_MS),
  { once: true },
);
</script>

<template>
  <div ref="root">
    <p class="visually-hidden" role="status" data-test="view">{{ title }}</p>
    <a class="skip visually-hidden" href="#place">Skip to the work</a>
    <EnterPlace v-if="door.isOut" @come="open" />
    <main v-else-if="!house.loaded" class="waiting">
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
      <p v-if="door.isGuest" class="guest small no-print">You look around as a guest; nothing can be written.</p>
      <ClockNotice v-if="door.clockMovedMs !== 0" :moved-ms="door.clockMovedMs" />
      <div class="thumb no-print">
        <p v-if="batchHere !== null" class="reads">
          <el-button @click="pad.open(batchHere)">Read</el-button>
          <el-button class="to-log" @click="toLog">Log</el-button>
        </p>
        <NoticeBar />
        <TimerBar v-if="timers.timers.length > 0" />
      </div>
      <MissingView />
      <main id="place" ref="place"><RouterView /><WordsHere v-if="isCalm && place !== null && route.name !== 'help'" :view="place" /></main>
      <KeysSheet />
      <DoubtDialog />
      <ReadingPad v-if="pad.batchId !== null" />
    </template>
  </div>
</template>

<style scoped>
.guest {
  padding: 4px 16px;
  background: var(--bronze-soft);
  text-align: center;
}

main {
  max-width: 1280px;
  margin: 0 auto;
  padding: 0 32px 32px;
}

/* What was done, and the next reading, lie under the thumb on a phone, and stay in sight on a desk. */
.thumb {
  position: sticky;
  z-index: 15;
  top: 0;
}

.reads {
  display: none;
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
    padding: 0 16px 150px;
  }

  .thumb {
    position: fixed;
    inset: auto 0 0;
    display: grid;
    padding-bottom: env(safe-area-inset-bottom);
  }

  .reads {
    display: grid;
    grid-template-columns: 1fr auto;
    gap: 8px;
    padding: 6px 12px 8px;
    border-top: 1px solid var(--rule);
    background: var(--limewash);
  }

  .reads .el-button {
    min-height: 52px;
    margin: 0;
    border-color: var(--soot);
    background: var(--paper);
    font-size: 17px;
  }
}
</style>
