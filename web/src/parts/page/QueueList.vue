<script setup lang="ts">
import { eventSentence } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { isWaiting, useOutbox } from '../../stores/outbox.ts';
import { useRounds } from '../../stores/rounds.ts';

/** What this device has written and nobody has yet, oldest first; an entry can be taken out before it is sent. */
const outbox = useOutbox();
const rounds = useRounds();
const { tell, show } = useReader();
const waiting = computed(() =>
  outbox.parcels.filter(isWaiting).map((parcel) => ({
    parcel,
    key: parcel.events[0]?.id ?? parcel.batchId,
    batch: rounds.standing.find(({ id }) => id === parcel.batchId)?.name ?? '',
    at: parcel.events[0]?.happenedAt ?? 0,
    told: parcel.events.map((event) => tell(eventSentence(event))).join('; '),
  })),
);
</script>

<template>
  <span class="queue" role="list" aria-label="What waits to be sent">
    <span v-for="each in waiting" :key="each.key" role="listitem" class="entry">
      <span
        ><b v-if="each.batch !== ''">{{ each.batch }}</b> {{ each.told }}, {{ show('when', each.at) }}</span
      >
      <button type="button" class="link" @click="outbox.takeOut(each.parcel)">Take it out</button>
    </span>
  </span>
</template>

<style scoped>
.queue {
  display: grid;
  flex-basis: 100%;
  max-height: 40vh;
  overflow-y: auto;
}

.entry {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 2px 14px;
  border-top: 1px solid var(--rule);
}
</style>
