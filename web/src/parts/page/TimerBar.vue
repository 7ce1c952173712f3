<script setup lang="ts">
import { clockTold } from '../../composables/useTimer.ts';
import { useStayAwake } from '../../composables/useStayAwake.ts';
import { askForOutside, outsideAllowed } from '../../ringing/outside.ts';
import { useTimers } from '../../stores/timers.ts';

/** Timers that run, on every view: what they are for, what is left, and the way to end them. */
const store = useTimers();
useStayAwake(() => store.isRunning);
</script>

<template>
  <div class="timers no-print">
    <p
      v-for="timer in store.timers"
      :key="timer.id"
      :class="{ over: store.leftS(timer) === 0 }"
      :role="store.leftS(timer) === 0 ? 'alert' : undefined"
    >
      <span>{{ timer.label }}</span>
      <b v-if="store.leftS(timer) === 0">time is up</b>
      <b v-else class="number" role="timer">{{ clockTold(store.leftS(timer)) }}</b>
      <button type="button" class="link" @click="store.stop(timer.id)">{{ store.leftS(timer) === 0 ? 'Good' : 'Stop' }}</button>
      <button v-if="outsideAllowed === 'default'" type="button" class="link" @click="askForOutside()">Tell me outside this page too</button>
    </p>
  </div>
</template>

<style scoped>
.timers {
  max-width: 1280px;
  margin: 0 auto;
  padding: 0 32px;
}

p {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  min-height: 44px;
  padding: 4px 12px;
  border-left: 4px solid var(--bronze);
  background: var(--bronze-soft);
}

.over {
  border-color: var(--madder);
  background: var(--madder-soft);
}

@media (max-width: 720px) {
  .timers {
    padding: 0 16px;
  }
}
</style>
