<script setup lang="ts">
import type { FloatDevice } from '@hollow-bell/contract';
import {
  HOLDS_MIN,
  HOLD_FROM_C,
  HOLD_STOP_C,
  LOG_STALLS_MIN,
  THERMOMETER_PLUS_MINUS_C,
  lastHeating,
  lethalRate,
} from '@hollow-bell/core/heat';
import { settleProbe } from '@hollow-bell/core/float';
import { seeded } from '@hollow-bell/core/numerics';
import { MINUTE_MS, Refusal } from '@hollow-bell/core/quantities';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { probeReadings } from '@hollow-bell/core/simulate';
import { heatingNow, lagSeen, planHeating, whyNotHeat } from '@hollow-bell/core/stabilize';
import { useIntervalFn } from '@vueuse/core';
import { computed, onMounted, ref } from 'vue';
import BellMark from '../rounds/BellMark.vue';
import HeatChart from './HeatChart.vue';
import HeatPot from './HeatPot.vue';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import WhenField from '../fields/WhenField.vue';
import { api } from '../../api/client.ts';
import { cellarBase } from '../../cellar.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';

const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();

const refused = computed(() => whyNotHeat(store.ledger));
const holdMin = ref<(typeof HOLDS_MIN)[number] | number>(HOLDS_MIN[1]);
const ownMin = ref<number | null>(null);
const hold = computed(() => ownMin.value ?? holdMin.value);
const by = ref<'typed' | 'probe'>('typed');
const coreC = ref<number | null>(null);
const bathC = ref<number | null>(null);
const startC = ref<number | null>(20);
const wantedBathC = ref<number | null>(64);
const isStirred = ref(false);

const readings = computed(() => lastHeating(store.ledger.history.cores));
const heating = computed(() => heatingNow(store.ledger, hold.value));
const last = computed(() => heating.value?.held.last ?? null);
const vessel = computed(() => store.stands.find(({ isCompanion }) => !isCompanion)?.vessel ?? store.batch?.plan.must.vessel);
const plan = computed(() => {
  const { view } = store;
  if (view === null || vessel.value === undefined || startC.value === null || wantedBathC.value === null) return null;
  try {
    return planHeating(
      { volumeL: view.volumeL, sg: view.sg, abv: view.abv, startC: readings.value[0]?.coreC ?? startC.value },
      {
        vessel: vessel.value,
        bathC: wantedBathC.value,
        holdMin: hold.value,
        isStirred: isStirred.value,
        lagSeenMin: lagSeen(readings.value),
      },
    );
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return null;
  }
});
/** The log has stalled: nobody knows what the core does. */
const stalledMin = computed(() => {
  const { value: core } = last;
  if (core === null || heating.value?.isMet === true) return 0;
  const minutes = (store.now - core.at) / MINUTE_MS;
  return minutes > LOG_STALLS_MIN && minutes < 24 * 60 ? minutes : 0;
});

async function read(): Promise<void> {
  if (coreC.value === null) return;
  const event: EventContent = { kind: 'core', payload: { coreC: coreC.value, ...(bathC.value === null ? {} : { bathC: bathC.value }) } };
  if (!(await attempt(() => store.write([event], tell(eventSentence(event)), when.value)))) return;
  coreC.value = null;
  bathC.value = null;
  at.value = null;
}

/* A probe posts to the same open address as a float. */
const probe = ref<FloatDevice | null>(null);
const token = ref('');
const posted = ref('');
const address = `${location.origin}${cellarBase}/api/float`;
const faults = computed(() => settleProbe(store.probe).faults);
onMounted(() =>
  attempt(async () => {
    probe.value = (await api.floats()).floats.find(({ batchId, name }) => batchId === store.batch?.id && name === PROBE_NAME) ?? null;
    if (probe.value !== null) by.value = 'probe';
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
        startC: startC.value ?? 20,
        bathC: wantedBathC.value ?? 64,
        lagMin: Math.min(25, plan.value?.lagMin.value ?? 18),
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
  if (by.value === 'probe' && probe.value !== null && store.batch !== null && heating.value?.isSure !== true)
    void store.reload(store.batch.id);
}, REFRESH_MS);
</script>

<template>
  <StopNote v-if="refused !== null" data-test="no-heat"><SentenceText :sentence="refused" /></StopNote>
  <div v-else-if="store.view !== null && vessel !== undefined" class="heat" data-test="school-heat">
    <HeatPot
      :vessel="vessel"
      :volume-l="store.view.volumeL"
      :core-c="last?.coreC ?? null"
      :bath-c="last?.bathC ?? null"
      :swells-ml="plan?.swellsMl ?? null"
    />
    <div class="middle">
      <div class="line">
        <span class="small quiet">hold at {{ show('tempC', HOLD_FROM_C) }}</span>
        <button
          v-for="minutes in HOLDS_MIN"
          :key="minutes"
          type="button"
          class="link"
          :aria-pressed="hold === minutes"
          @click="
            holdMin = minutes;
            ownMin = null;
          "
        >
          {{ minutes }} min
        </button>
        <QuantityField v-model="ownMin" kind="count" label="or own minutes" :limits="{ low: 5, high: 120 }" class="own" />
      </div>
      <HeatChart v-if="readings.length > 0" :readings="readings" :hold-min="hold" />
      <div v-else class="before">
        <p>
          The middle of the mead counts, not the bath: it runs 3 to 5 °C behind. Water to the mead’s level, a folded cloth under the glass,
          nothing touching the pot, the airlock on. A gallon fits a stockpot; five gallons go part by part. In bottles only where they are
          still and stand open.
        </p>
        <div class="inputs">
          <QuantityField v-model="startC" kind="temp" label="mead now" />
          <QuantityField v-model="wantedBathC" kind="temp" label="bath held at" />
          <label class="choice"><input v-model="isStirred" type="checkbox" /> <span>the bath is stirred or circulated</span></label>
        </div>
        <p v-if="plan !== null" data-test="heat-plan">
          The core would read {{ show('tempC', HOLD_FROM_C) }} after about <b>{{ Math.round(plan.untilHoldMin.value) }} min</b> ({{
            Math.round(plan.untilHoldMin.low)
          }}
          to {{ Math.round(plan.untilHoldMin.high) }}), and be held after <b>{{ Math.round(plan.doneMin.value) }}</b> ({{
            Math.round(plan.doneMin.low)
          }}
          to {{ Math.round(plan.doneMin.high) }}); by the size of this vessel, our estimate. Readings put it right.
        </p>
        <p v-else class="quiet">A bath of that temperature never brings the core there, or cooks it: 61 to 75 °C is what does.</p>
      </div>
      <p class="small quiet">
        1 unit is a minute at {{ show('tempC', HOLD_FROM_C) }}; at T it is 1.393<sup>T−60 °C</sup
        ><template v-if="last !== null"
          >: now <b>{{ lethalRate(last.coreC).toFixed(2) }}</b> a minute</template
        >. Del Vecchio and others, 1951.
      </p>
    </div>
    <div class="side">
      <template v-if="heating !== null">
        <h2>{{ heating.isMet ? 'Held' : 'Left to hold' }}</h2>
        <p v-if="!heating.isMet && heating.sureAt !== null" data-test="left">
          <span class="huge">{{ Math.ceil(heating.leftMin.value) }}</span> <span class="unit">min</span>
        </p>
        <p v-else-if="!heating.isMet" data-test="left">
          The core is below {{ show('tempC', HOLD_FROM_C)
          }}<template v-if="plan !== null"
            >; about
            <b>{{ Math.max(1, Math.round(plan.untilHoldMin.value - ((last?.at ?? 0) - (readings[0]?.at ?? 0)) / 60000)) }} min</b> to
            go</template
          >.
        </p>
        <p v-if="!heating.isMet && heating.sureAt !== null" class="small">
          <b>{{ Math.ceil(heating.leftMin.low) }} to {{ Math.ceil(heating.leftMin.high) }}</b
          >: the thermometer may be {{ show('degrees', THERMOMETER_PLUS_MINUS_C) }} off. Sure at <b>{{ show('when', heating.sureAt) }}</b>.
        </p>
        <div class="pairs">
          <p>
            <span>So far</span><b data-test="units">{{ heating.held.units.value.toFixed(1) }} of {{ hold }} PU</b>
          </p>
          <p>
            <span>by the thermometer’s doubt</span
            ><b>{{ heating.held.units.low.toFixed(0) }} to {{ heating.held.units.high.toFixed(0) }}</b>
          </p>
          <p>
            <span>Minutes at {{ show('tempC', HOLD_FROM_C) }} or more</span><b>{{ heating.held.minutes.toFixed(0) }} of {{ hold }}</b>
          </p>
          <p>
            <span>On the way up, not counted</span><b>{{ heating.held.unitsOnTheWay.toFixed(1) }} PU</b>
          </p>
        </div>
        <p v-if="last !== null && last.coreC > HOLD_STOP_C" class="bell" role="alert">
          <BellMark bell="cracked" /><span>Above {{ show('tempC', HOLD_STOP_C) }} the honey cooks: off the heat.</span>
        </p>
        <p v-else-if="stalledMin > 0" class="bell" role="alert" data-test="stalled">
          <BellMark bell="cracked" /><span
            >The log stopped {{ Math.round(stalledMin) }} min ago: read the core, and look at the pot. What was not read is not
            counted.</span
          >
        </p>
        <p v-else-if="heating.isMet" class="bell">
          <BellMark :bell="heating.isSure ? 'still' : 'swinging'" /><span
            >{{ heating.isSure ? 'Held, and surely.' : 'Held, if the thermometer reads true; a few minutes more make it sure.' }} Out with
            dry cloths, onto wood: no cold stone, no draft. Then 10 to 12 h of rest.</span
          >
        </p>
        <p v-for="fault in faults" :key="`${fault.kind} ${fault.at}`" class="caution">
          {{
            fault.kind === 'jump'
              ? `The probe jumped ${show('when', fault.at)}; that reading is left out. Out of its place, or another scale?`
              : `The probe sent nothing for some minutes from ${show('when', fault.at)}.`
          }}
        </p>
      </template>
      <div class="line">
        <button type="button" class="link" :aria-pressed="by === 'typed'" @click="by = 'typed'">typed</button>
        <button type="button" class="link" :aria-pressed="by === 'probe'" @click="by = 'probe'">from a probe</button>
      </div>
      <form v-if="by === 'typed'" class="typed" @submit.prevent="read">
        <QuantityField v-model="coreC" kind="temp" label="core" :limits="{ low: 0, high: 100 }" />
        <QuantityField v-model="bathC" kind="temp" label="bath" :limits="{ low: 0, high: 100 }" />
        <WhenField v-model="at" />
        <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || coreC === null">
          {{ coreC === null ? 'Core read' : `Core ${show('tempC', coreC)}${bathC === null ? '' : `, bath ${show('tempC', bathC)}`}` }}
        </el-button>
      </form>
      <template v-else>
        <template v-if="token === ''">
          <p class="small quiet">A probe posts its readings a minute at a time to the same open address as a float.</p>
          <el-button :loading="busy" @click="make">{{ probe === null ? 'Put a probe in' : 'Give the probe a new token' }}</el-button>
        </template>
        <template v-else>
          <p class="mono address" data-test="probe-address">
            POST {{ address }}<br />Authorization: Bearer <span data-test="probe-token">{{ token }}</span><br />{"readings": [{"coreC":
            61.1, "bathC": 62.4}]}
          </p>
          <el-button :loading="busy" @click="playSimulated">Let a simulated probe post the last {{ SIMULATED_MIN }} minutes</el-button>
        </template>
        <p v-if="posted !== ''" class="small" role="status">{{ posted }}</p>
      </template>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="plan !== null && readings.length > 0" class="small quiet">
        This core lags its bath by about {{ Math.round(plan.lagMin.value) }} min ({{ Math.round(plan.lagMin.low) }} to
        {{ Math.round(plan.lagMin.high) }}), {{ plan.isLagSeen ? 'as its readings show' : 'by our estimate' }}.
      </p>
    </div>
  </div>
</template>

<style scoped>
.heat {
  display: grid;
  grid-template-columns: minmax(0, 1.1fr) minmax(0, 1.2fr) minmax(220px, 0.7fr);
  gap: 28px;
  padding: 12px 0 18px;
  border-bottom: 1px solid var(--rule);
}

.line {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 4px 18px;
}

.link[aria-pressed='true'] {
  color: var(--soot);
  font-weight: 700;
  text-decoration: none;
  border-bottom: 2px solid var(--bronze);
}

.own {
  max-width: 130px;
}

.middle,
.side,
.before {
  display: grid;
  gap: 10px;
  align-content: start;
}

.inputs {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 18px;
}

.inputs > :deep(.field) {
  max-width: 120px;
}

.huge {
  font-size: 64px;
  line-height: 1;
  font-weight: 720;
}

.unit {
  font-size: 26px;
  font-weight: 650;
}

.bell {
  display: grid;
  grid-template-columns: 30px 1fr;
}

.typed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 18px;
}

.typed > :nth-child(n + 3) {
  grid-column: 1 / -1;
}

.address {
  padding-left: 8px;
  border-left: 2px solid var(--rule);
  font-size: 12px;
  overflow-wrap: anywhere;
}

@media (max-width: 900px) {
  .heat {
    grid-template-columns: minmax(0, 1fr);
  }

  .side {
    order: -1;
  }
}
</style>
