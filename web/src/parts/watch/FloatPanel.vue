<script setup lang="ts">
import { HOUR_MS } from '@hollow-bell/core/quantities';
import type { FloatDevice } from '@hollow-bell/contract';
import { settleFloat } from '@hollow-bell/core/float';
import type { FloatFault } from '@hollow-bell/core/float';
import { foldUntil } from '@hollow-bell/core/record';
import { seeded } from '@hollow-bell/core/numerics';
import { FLOAT_STORIES, USUAL_WRONGS, floatReadings } from '@hollow-bell/core/simulate';
import type { FloatStory } from '@hollow-bell/core/simulate';
import { useClipboard } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import PickList from '../fields/PickList.vue';
import { api } from '../../api/client.ts';
import { cellarBase } from '../../cellar.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const { copy, copied } = useClipboard();
const floats = ref<FloatDevice[]>([]);
const made = ref<{ id: string; token: string } | null>(null);
const name = ref('Float');
const story = ref<FloatStory>('falls');
const swim = ref<'swims' | 'hangs'>('swims');
const posted = ref('');

const here = computed(() => floats.value.filter(({ batchId }) => batchId === store.batch?.id));
const elsewhere = computed(() => floats.value.filter(({ batchId }) => batchId !== store.batch?.id));
const address = `${location.origin}${cellarBase}/api/float`;
const settled = computed(() => settleFloat(store.float));
const FAULTS: Record<FloatFault['kind'], string> = {
  stuck: 'hung on one number, which is left out',
  jumps: 'was thrown off by foam or a knock; those readings are left out',
  silent: 'sent nothing',
};
const told = ({ kind, from, to }: FloatFault): string =>
  to - from < HOUR_MS ? `${FAULTS[kind]}, ${show('when', from)}` : `${FAULTS[kind]}, ${show('when', from)} to ${show('when', to)}`;
const STORIES = FLOAT_STORIES.map(({ id, told: label }) => ({ value: id, label }));

const FLOATS = [
  { value: 'swims', label: 'swims' },
  { value: 'hangs', label: 'hangs stuck from half-way on' },
] as const;

async function load(): Promise<void> {
  await attempt(async () => {
    floats.value = (await api.floats()).floats;
  });
}
onMounted(load);

const make = (): Promise<boolean> =>
  attempt(async () => {
    const { batch } = store;
    if (batch === null) return;
    const { float, token } = await api.makeFloat(crypto.randomUUID(), name.value, batch.id);
    made.value = { id: float.id, token };
    await load();
  });
const hang = (id: string, batchId: string | null): Promise<boolean> =>
  attempt(async () => {
    await api.hangFloat(id, batchId);
    await load();
  });
const remove = (id: string): Promise<boolean> =>
  attempt(async () => {
    await api.removeFloat(id);
    if (made.value?.id === id) made.value = null;
    await load();
  });

const EVERY_MIN = 30;
const AT_ONCE = 400;
/** The stand-in that ships with Hollow Bell: it posts to the very address that a real float would. */
const playSimulated = (): Promise<boolean> =>
  attempt(async () => {
    const { ledger, batch } = store;
    if (made.value === null || batch === null || ledger.history.pitch === null) return;
    const atPitch = foldUntil(store.events, ledger.history.pitch.at + 1);
    const toH = (Date.now() - ledger.history.pitch.at) / HOUR_MS;
    const play = {
      story: story.value,
      fromH: 6,
      toH,
      everyMin: EVERY_MIN,
      warmedAtH: null,
      wrongs: { ...USUAL_WRONGS, stuckFromH: swim.value === 'hangs' ? toH / 2 : null },
    };
    const readings = (floatReadings(atPitch, play, seeded(ledger.history.pitch.at % 1e9)) ?? []).map(({ at, sg, tempC }) => ({
      at,
      sg,
      tempC: tempC ?? undefined,
    }));
    let kept = 0;
    for (let i = 0; i < readings.length; i += AT_ONCE)
      kept += (await api.postFloat(made.value.token, { readings: readings.slice(i, i + AT_ONCE) })).kept;
    posted.value = `${kept} readings posted.`;
    await store.reload(batch.id);
    await load();
  });
</script>

<template>
  <details class="side" data-test="float">
    <summary>A float hydrometer in it</summary>
    <ul v-if="here.length > 0" class="floats">
      <li v-for="float in here" :key="float.id">
        <b>{{ float.name }}</b>
        <span class="quiet">{{ float.lastSeenAt === null ? 'has sent nothing yet' : `last sent ${show('when', float.lastSeenAt)}` }}</span>
        <span v-if="float.keptBack > 0" class="quiet">{{ float.keptBack }} came faster than one in five minutes and were not kept</span>
        <span class="no-print">
          <el-button size="small" :loading="busy" @click="hang(float.id, null)">Take it out</el-button>
          <el-button size="small" :loading="busy" @click="remove(float.id)">Forget it</el-button>
        </span>
      </li>
    </ul>
    <p v-if="store.float.length > 0" class="small quiet">
      {{ store.float.length }} readings on record as they came. Drawn and followed in the middle of six hours, ± 0.004; a hydrometer read
      beside it sets it.
    </p>
    <p v-for="fault in settled.faults" :key="`${fault.kind} ${fault.from}`" class="caution">It {{ told(fault) }}.</p>
    <template v-if="made !== null">
      <p>It posts its readings to this address, with this token. The token is shown now and never again.</p>
      <p class="mono address" data-test="float-address">
        POST {{ address }}<br />Authorization: Bearer <span data-test="float-token">{{ made.token }}</span><br />{"readings": [{"at":
        "2026-11-24T08:00:00Z", "sg": 1.048, "tempC": 19.5}]}
      </p>
      <p class="deeds">
        <el-button @click="copy(made.token)">{{ copied ? 'Copied' : 'Copy the token' }}</el-button>
      </p>
      <div v-if="store.ledger.history.pitch !== null" class="simulated">
        <PickList v-model="story" label="a simulated must that" :options="STORIES" />
        <PickList v-model="swim" label="a float that" :options="FLOATS" />
        <el-button :loading="busy" @click="playSimulated">Let a simulated float post up to now</el-button>
        <span v-if="posted !== ''" role="status">{{ posted }}</span>
      </div>
    </template>
    <form v-else class="new no-print" @submit.prevent="make">
      <label><span class="small quiet">its name</span><input v-model="name" class="line-input" maxlength="60" /></label>
      <el-button native-type="submit" :loading="busy">Hang a float in</el-button>
      <template v-for="float in elsewhere" :key="float.id">
        <el-button :loading="busy" @click="hang(float.id, store.batch?.id ?? null)">Hang “{{ float.name }}” in here</el-button>
      </template>
    </form>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </details>
</template>

<style scoped>
.floats li,
.new,
.simulated {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 4px 12px;
  padding: 4px 0;
}

.address {
  padding: 8px;
  border-left: 2px solid var(--rule);
  overflow-wrap: anywhere;
}

.simulated > label {
  flex: 0 1 220px;
}

.new label {
  display: grid;
}
</style>
