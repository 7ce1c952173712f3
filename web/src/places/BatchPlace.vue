<script setup lang="ts">
import type { Station } from '@hollow-bell/core/rounds';
import { computed, defineAsyncComponent, onMounted, watch } from 'vue';
import type { Component } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import BatchRail from '../parts/log/BatchRail.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import StopNote from '../parts/figures/StopNote.vue';
import { useBatch } from '../stores/batch.ts';

const props = defineProps<{ id: string; station?: string }>();

const store = useBatch();
watch(
  () => props.id,
  (id) => void store.open(id),
  { immediate: true },
);

const STATIONS: Record<Station, () => Promise<{ default: Component }>> = {
  formulate: () => import('../stations/FormulateStation.vue'),
  pitch: () => import('../stations/PitchStation.vue'),
  feed: () => import('../stations/FeedStation.vue'),
  watch: () => import('../stations/WatchStation.vue'),
  clear: () => import('../stations/ClearStation.vue'),
  stabilize: () => import('../stations/StabilizeStation.vue'),
  sweeten: () => import('../stations/SweetenStation.vue'),
  bottle: () => import('../stations/BottleStation.vue'),
  taste: () => import('../stations/TasteStation.vue'),
};
const BENCHES = Object.fromEntries(
  Object.entries(STATIONS).map(([station, load]) => [station, defineAsyncComponent(load)]),
) as unknown as Record<Station, Component>;
/** What the next press may want is read while there is nothing else to do. */
onMounted(() => {
  const waiting = Object.values(STATIONS);
  const whenIdle = (deed: () => void): unknown => ('requestIdleCallback' in globalThis ? requestIdleCallback(deed) : setTimeout(deed, 200));
  const readNext = (): void =>
    void waiting
      .shift()?.()
      .then(
        () => whenIdle(readNext),
        () => undefined,
      );
  whenIdle(readNext);
});
const here = computed(() => (props.station as Station | undefined) ?? store.station);
</script>

<template>
  <p v-if="store.problem !== '' && store.batch === null" class="refusal" role="alert">
    {{ store.problem }} <button type="button" class="link" @click="store.open(id)">Try again</button>
  </p>
  <p v-else-if="store.batch === null || store.batch.id !== id" class="quiet">Opening the batch…</p>
  <section v-else-if="store.unreckoned !== null">
    <h1>{{ store.batch.name }}</h1>
    <StopNote>
      This batch cannot be reckoned as it stands. <SentenceText :sentence="store.unreckoned" /> Nothing is lost: press the entry in its log
      that does it, and correct it or take it back.
    </StopNote>
    <BatchLog only-log />
  </section>
  <div v-else class="with-rail">
    <BatchRail :batch-id="id" :states="store.knots" :here="here" />
    <component :is="BENCHES[here]" />
  </div>
</template>
