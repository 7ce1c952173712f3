<script setup lang="ts">
import type { FloatDevice } from '@hollow-bell/contract';
import { seeded } from '@hollow-bell/core/numerics';
import { MINUTE_MS } from '@hollow-bell/core/quantities';
import { probeReadings } from '@hollow-bell/core/simulate';
import { useIntervalFn } from '@vueuse/core';
import { onMounted, ref } from 'vue';
import { api } from '../../api/client.ts';
import { cellarBase } from '../../cellar.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBatch } from '../../stores/batch.ts';

/** What a simulated pot begins with, and whether there is anything left to wait for. */
const props = defineProps<{ startC: number; bathC: number; lagMin: number; isOver: boolean }>();
const store = useBatch();
const { refusal, busy, attempt } = useAttempt();

/* A probe posts to the same open address as a float. */
const probe = ref<FloatDevice | null>(null);
const token = ref('');
const posted = ref('');
const address = `${location.origin}${cellarBase}/api/float`;
onMounted(() =>
  attempt(async () => {
    probe.value = (await api.floats()).floats.find(({ batchId, name }) => batchId === store.batch?.id && name === PROBE_NAME) ?? null;
  }),
);
const PROBE_NAME = 'Probe';
const make = (): Promise<boolean> =>
  attempt(async () => {
    if (store.batch === null) return;
    const made = await api.makeFloat(probe.value?.id ?? crypto.randomUUID(), PROBE_NAME, store.batch.id);
    probe.value = made.float;
    token.value = made.token;
  });
const SIMULATED_MIN = 75;
/** The stand-in that ships with Hollow Bell: a pot of the last hour, posted to the very address that a real probe would. */
const playSimulated = (): Promise<boolean> =>
  attempt(async () => {
    const { batch } = store;
    if (batch === null || token.value === '') return;
    const sent = probeReadings(
      {
        startAt: store.now - SIMULATED_MIN * MINUTE_MS,
        startC: props.startC,
        bathC: props.bathC,
        lagMin: Math.min(25, props.lagMin),
        minutes: SIMULATED_MIN,
      },
      seeded(batch.createdAt % 1e9),
    );
    const { kept } = await api.postFloat(token.value, {
      readings: sent.map(({ at: readAt, coreC: core, bathC: bath }) => ({
        at: readAt,
        coreC: core,
        ...(bath === null ? {} : { bathC: bath }),
      })),
    });
    posted.value = `${kept} readings posted.`;
    await store.reload(batch.id);
  });
const REFRESH_MS = 30_000;
/** What a probe posts meanwhile is looked for. */
useIntervalFn(() => {
  if (probe.value !== null && store.batch !== null && !props.isOver) void store.reload(store.batch.id);
}, REFRESH_MS);
</script>

<template>
  <div class="probe">
    <template v-if="token === ''">
      <p class="small quiet">A probe posts its readings a minute at a time to the same open address as a float.</p>
      <el-button :loading="busy" @click="make">{{ probe === null ? 'Put a probe in' : 'Give the probe a new token' }}</el-button>
    </template>
    <template v-else>
      <p class="mono address" data-test="probe-address">
        POST {{ address }}<br />Authorization: Bearer <span data-test="probe-token">{{ token }}</span><br />{"readings": [{"coreC": 61.1,
        "bathC": 62.4}]}
      </p>
      <el-button :loading="busy" @click="playSimulated">Let a simulated probe post the last {{ SIMULATED_MIN }} minutes</el-button>
    </template>
    <p v-if="posted !== ''" class="small" role="status">{{ posted }}</p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.probe {
  display: grid;
  gap: 8px;
  justify-items: start;
}

.address {
  padding-left: 8px;
  border-left: 2px solid var(--rule);
  font-size: 12px;
  overflow-wrap: anywhere;
}
</style>
