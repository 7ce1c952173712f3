<script setup lang="ts">
import type { LogEntry } from '@hollow-bell/core/record';
import { ref } from 'vue';
import AmendDialog from './AmendDialog.vue';
import BatchDeeds from './BatchDeeds.vue';
import BatchLife from './BatchLife.vue';
import SentenceText from '../figures/SentenceText.vue';
import { useReader } from '../../composables/useReader.ts';
import { eventSentence } from '@hollow-bell/core/record';
import { useBatch } from '../../stores/batch.ts';

/** Where the batch cannot be reckoned there is nothing to do but to mend its record. */
defineProps<{ onlyLog?: boolean }>();

const store = useBatch();
const { show, tell } = useReader();
const correcting = ref<LogEntry | null>(null);
const isUnexplained = (entry: LogEntry): boolean =>
  store.unreckoned === null &&
  store.ledger.history.readings.some((reading) => reading.eventId === entry.first.id && reading.verdict === 'unexplained');
</script>

<template>
  <aside class="log">
    <h2>Log</h2>
    <BatchDeeds v-if="onlyLog !== true" />
    <p v-if="store.log.length === 0" class="quiet">Nothing has happened yet.</p>
    <ol>
      <li v-for="entry in store.log" :key="entry.first.id" :class="{ withdrawn: entry.withdrawn }">
        <span class="small quiet">{{ show('when', entry.standing.happenedAt) }}</span>
        <button type="button" class="entry" :aria-label="`Correct: ${tell(eventSentence(entry.standing))}`" @click="correcting = entry">
          <SentenceText :sentence="eventSentence(entry.standing)" />
        </button>
        <span v-if="entry.withdrawn" class="small quiet">taken back</span>
        <span v-else-if="entry.standing !== entry.first" class="small quiet was"
          >was: <SentenceText :sentence="eventSentence(entry.first)"
        /></span>
        <span v-if="isUnexplained(entry)" class="small refusal">cannot be right as it stands; the ledger does not follow it</span>
      </li>
    </ol>
    <BatchLife />
    <AmendDialog v-if="correcting !== null" :entry="correcting" @close="correcting = null" />
  </aside>
</template>

<style scoped>
ol {
  max-height: 560px;
  overflow-y: auto;
}

li {
  display: grid;
  padding: 6px 0 7px;
  border-bottom: 1px solid var(--rule);
}

.entry {
  padding: 0;
  border: 0;
  background: none;
  color: inherit;
  font-size: inherit;
  text-align: left;
  cursor: pointer;
}

.entry:hover {
  text-decoration: underline;
  text-decoration-color: var(--bronze);
  text-underline-offset: 3px;
}

.withdrawn .entry,
.was {
  text-decoration: line-through;
  color: var(--soot-3);
}

@media (max-width: 900px) {
  .entry {
    min-height: 44px;
  }

  ol {
    max-height: none;
  }
}
</style>
