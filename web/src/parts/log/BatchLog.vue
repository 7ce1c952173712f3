<script setup lang="ts">
import type { LogEntry } from '@hollow-bell/core/record';
import { computed, ref, watch } from 'vue';
import AmendDialog from './AmendDialog.vue';
import BatchDeeds from './BatchDeeds.vue';
import BatchLife from './BatchLife.vue';
import SentenceText from '../figures/SentenceText.vue';
import { useReader } from '../../composables/useReader.ts';
import { eventSentence, misdated } from '@hollow-bell/core/record';
import { useBatch } from '../../stores/batch.ts';
import { pictureAddress, usePictures } from '../../stores/pictures.ts';

/** Where the batch cannot be reckoned there is nothing to do but to mend its record. */
defineProps<{ onlyLog?: boolean }>();

const store = useBatch();
const { show, tell } = useReader();
const pictures = usePictures();
watch(
  () => store.batch?.id,
  (id) => (id === undefined ? undefined : pictures.open(id)),
  { immediate: true },
);
const correcting = ref<LogEntry | null>(null);
const doubted = computed(() => new Set(misdated(store.batch?.events ?? []).map(({ id }) => id)));
/** A short log is read faster than it is searched. */
const FINDS_FROM = 9;
const sought = ref('');
const found = computed(() => {
  const words = sought.value.trim().toLowerCase();
  return words === '' ? store.log : store.log.filter(({ standing }) => tell(eventSentence(standing)).toLowerCase().includes(words));
});
const isMisdated = (entry: LogEntry): boolean => doubted.value.has(entry.first.id);
const isUnexplained = (entry: LogEntry): boolean =>
  store.unreckoned === null &&
  store.ledger.history.readings.some((reading) => reading.eventId === entry.first.id && reading.verdict === 'unexplained');
</script>

<template>
  <aside id="log" class="log">
    <h2 tabindex="-1">Log</h2>
    <BatchDeeds v-if="onlyLog !== true" />
    <p v-if="store.log.length === 0" class="quiet">Nothing has happened yet.</p>
    <p v-else class="small quiet">Press an entry to correct it, to take it back, or to put a picture on it.</p>
    <input
      v-if="store.log.length >= FINDS_FROM"
      v-model="sought"
      type="search"
      class="line-input"
      maxlength="80"
      placeholder="find in the log"
      aria-label="Find in the log"
    />
    <p v-if="found.length === 0 && store.log.length > 0" class="quiet" role="status">No entry says “{{ sought.trim() }}”.</p>
    <ol>
      <li v-for="entry in found" :key="entry.first.id" :class="{ withdrawn: entry.withdrawn }">
        <span class="small quiet">{{ show('when', entry.standing.happenedAt) }}</span>
        <button type="button" class="entry" :aria-label="`Correct: ${tell(eventSentence(entry.standing))}`" @click="correcting = entry">
          <SentenceText :sentence="eventSentence(entry.standing)" />
        </button>
        <button
          v-if="pictures.on(entry.first.id).length > 0"
          type="button"
          class="glimpses"
          :aria-label="`Pictures of: ${tell(eventSentence(entry.standing))}`"
          @click="correcting = entry"
        >
          <img v-for="picture in pictures.on(entry.first.id)" :key="picture.id" :src="pictureAddress(picture)" alt="" loading="lazy" />
        </button>
        <span v-if="entry.withdrawn" class="small quiet">taken back</span>
        <span v-else-if="entry.standing !== entry.first" class="small quiet was"
          >was: <SentenceText :sentence="eventSentence(entry.first)"
        /></span>
        <span v-if="isMisdated(entry)" class="small refusal"
          >dated after what was written down later: the clock had jumped; correct its date</span
        >
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

.glimpses {
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding: 3px 0 0;
  border: 0;
  background: none;
  cursor: pointer;
}

.glimpses img {
  width: 60px;
  height: 44px;
  object-fit: cover;
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
