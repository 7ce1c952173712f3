<script setup lang="ts">
import { POT_C, HOLDS_MIN, HOLD_FROM_C, lastHeating, lethalRate } from '@hollow-bell/core/heat';
import { Refusal } from '@hollow-bell/core/quantities';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { CORE_BEHIND_C, MOST_BATH_C, heatingNow, lagSeen, planHeating, whyNotHeat } from '@hollow-bell/core/stabilize';
import { computed, ref } from 'vue';
import HeatChart from './HeatChart.vue';
import HeatLeft from './HeatLeft.vue';
import HeatPot from './HeatPot.vue';
import ProbePanel from './ProbePanel.vue';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import WhenField from '../fields/WhenField.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useStayAwake } from '../../composables/useStayAwake.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';

const store = useBatch();
const { show, tell, number } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();

const refused = computed(() => whyNotHeat(store.ledger));
const holdMin = ref<number>(HOLDS_MIN[1]);
const ownMin = ref<number | null>(null);
const hold = computed(() => ownMin.value ?? holdMin.value);
const by = ref<'typed' | 'probe'>(store.probe.length > 0 ? 'probe' : 'typed');
const coreC = ref<number | null>(null);
const bathC = ref<number | null>(null);
const startC = ref<number | null>(20);
const wantedBathC = ref<number | null>(64);
const isStirred = ref(false);

const readings = computed(() => lastHeating(store.ledger.history.cores));
const heating = computed(() => heatingNow(store.ledger, hold.value));
const last = computed(() => heating.value?.held.last ?? null);
useStayAwake(() => heating.value !== null && !heating.value.isSure);
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
async function read(): Promise<void> {
  if (coreC.value === null) return;
  const event: EventContent = { kind: 'core', payload: { coreC: coreC.value, ...(bathC.value === null ? {} : { bathC: bathC.value }) } };
  if (!(await attempt(() => store.write([event], tell(eventSentence(event)), when.value)))) return;
  coreC.value = null;
  bathC.value = null;
  at.value = null;
}
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
          The middle of the mead counts, not the bath: it runs {{ show('degrees', CORE_BEHIND_C.low) }} to
          {{ show('degrees', CORE_BEHIND_C.high) }} behind. Water to the mead’s level, a folded cloth under the glass, nothing touching the
          pot, the airlock on. A gallon fits a stockpot; five gallons go part by part. In bottles only where they are still and stand open.
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
        <p v-else class="quiet">
          A bath of that temperature never brings the core there, or cooks it: above {{ show('tempC', HOLD_FROM_C) }}, up to
          {{ show('tempC', MOST_BATH_C) }} is what does.
        </p>
      </div>
      <p class="small quiet">
        1 unit is a minute at {{ show('tempC', HOLD_FROM_C) }}; at T it is 1.393<sup>T−60 °C</sup
        ><template v-if="last !== null"
          >: now <b>{{ number(lethalRate(last.coreC), 2) }}</b> a minute</template
        >. Del Vecchio and others, 1951.
      </p>
    </div>
    <div class="side">
      <HeatLeft v-if="heating !== null" :heating="heating" :hold="hold" :plan="plan" :first-at="readings[0]?.at ?? null" />
      <div class="line">
        <button type="button" class="link" :aria-pressed="by === 'typed'" @click="by = 'typed'">typed</button>
        <button type="button" class="link" :aria-pressed="by === 'probe'" @click="by = 'probe'">from a probe</button>
      </div>
      <form v-if="by === 'typed'" class="typed" @submit.prevent="read">
        <QuantityField v-model="coreC" kind="temp" label="core" :limits="POT_C" />
        <QuantityField v-model="bathC" kind="temp" label="bath" :limits="POT_C" />
        <WhenField v-model="at" />
        <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || coreC === null">
          {{ coreC === null ? 'Core read' : `Core ${show('tempC', coreC)}${bathC === null ? '' : `, bath ${show('tempC', bathC)}`}` }}
        </el-button>
      </form>
      <ProbePanel
        v-else
        :start-c="startC ?? 20"
        :bath-c="wantedBathC ?? 64"
        :lag-min="plan?.lagMin.value ?? 18"
        :is-over="heating?.isSure === true"
      />
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

.typed {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px 18px;
}

.typed > :nth-child(n + 3) {
  grid-column: 1 / -1;
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
