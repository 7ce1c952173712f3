<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue';
import { seenSince } from '../../api/lastSeen.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useSingleKeys } from '../../composables/useSingleKeys.ts';
import { useReader } from '../../composables/useReader.ts';
import { useKept } from '../../stores/kept.ts';
import { isWaiting, useOutbox } from '../../stores/outbox.ts';
import { useWrote } from '../../stores/wrote.ts';
import { newerShell } from '../../stores/newerShell.ts';

/** Seldom needed, and not by the first view. */
const QueueList = defineAsyncComponent(() => import('./QueueList.vue'));
const ConflictNotice = defineAsyncComponent(() => import('./ConflictNotice.vue'));

const wrote = useWrote();
const outbox = useOutbox();
const kept = useKept();
const { tell, show } = useReader();
const showsQueue = ref(false);
const tryAgain = async (): Promise<void> => (await import('../../stores/sight.ts')).useSight().again();
const { refusal, attempt } = useAttempt();
const held = computed(() => outbox.held);
const waiting = computed(() => outbox.parcels.filter(isWaiting).length);
useSingleKeys(['undo'], () => {
  if (wrote.last === null) return false;
  void attempt(undo);
  return true;
});
const undo = async (): Promise<void> => (await import('../../stores/writing.ts')).useWriting().undo();
</script>

<template>
  <div class="notices no-print" aria-live="polite">
    <p v-if="seenSince !== null" class="notice away" role="status">
      Nobody answers: this is how it stood {{ show('when', seenSince) }}. What you write is kept here and will be sent.
      <button type="button" class="link" @click="tryAgain">Try now</button>
    </p>
    <p v-if="outbox.away !== '' && waiting > 0" class="notice away" role="status">
      <template v-if="seenSince === null">{{ outbox.away }}</template> <b>{{ waiting }} waiting.</b>
      <button type="button" class="link" @click="outbox.flush()">Send now</button>
      <button type="button" class="link" :aria-expanded="showsQueue" @click="showsQueue = !showsQueue">
        {{ showsQueue ? 'Hide what waits' : 'See what waits' }}
      </button>
      <QueueList v-if="showsQueue" />
    </p>
    <p v-if="newerShell !== null" class="notice" role="status">
      Hollow Bell was changed since this page was opened.
      <button type="button" class="link" @click="newerShell()">Open the new one</button>
    </p>
    <p v-if="kept.waiting.length > 0" class="notice away" role="status">
      Kept here and on its way: {{ kept.waiting.join(', ') }}. <button type="button" class="link" @click="kept.flush()">Try now</button>
    </p>
    <p v-if="kept.lost !== null" class="notice stop" role="alert">
      Not written: {{ kept.lost.what }}. {{ kept.lost.sentence }}
      <button type="button" class="link" @click="kept.lost = null">Understood</button>
    </p>
    <p v-if="held !== null" class="notice stop" role="alert">
      {{ held.held?.why }} “{{ held.typed }}” is kept here.
      <button type="button" class="link" @click="outbox.sendHeld(held)">Send it again</button>
      <button type="button" class="link" @click="outbox.drop(held)">Leave it out</button>
    </p>
    <ConflictNotice v-if="outbox.conflict !== null" />
    <p v-else-if="outbox.refused !== null" class="notice stop" role="alert">
      {{ tell(outbox.refused.sentence) }} Not written: “{{ outbox.refused.typed }}”.
      <button type="button" class="link" @click="outbox.refused = null">Understood</button>
    </p>
    <p v-else-if="wrote.told !== null && waiting === 0" class="notice" role="status">
      {{ wrote.told }}.
      <button v-if="wrote.last !== null" type="button" class="link" @click="attempt(() => undo())">
        {{ wrote.told.startsWith('Written') ? 'Undo' : `Undo also: ${wrote.last.told}` }}
      </button>
      <button type="button" class="link" aria-label="Dismiss" @click="wrote.hush()">Dismiss</button>
      <span v-if="refusal !== ''" class="refusal">{{ refusal }}</span>
    </p>
  </div>
</template>

<style scoped>
.notices {
  max-width: 1280px;
  margin: 0 auto;
  padding: 0 32px;
}

.notice {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  padding: 6px 12px;
  border-left: 4px solid var(--verdigris);
  background: var(--verdigris-soft);
}

.away {
  border-color: var(--wax-fill);
  background: var(--wax-soft);
}

.stop {
  border-color: var(--madder);
  background: var(--madder-soft);
}

@media (max-width: 720px) {
  .notices {
    padding: 0 16px;
  }
}
</style>
