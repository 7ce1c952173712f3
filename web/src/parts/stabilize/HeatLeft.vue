<script setup lang="ts">
import { HOLD_FROM_C, HOLD_STOP_C, LOG_STALLS_MIN, THERMOMETER_PLUS_MINUS_C } from '@hollow-bell/core/heat';
import { settleProbe } from '@hollow-bell/core/float';
import { MINUTE_MS } from '@hollow-bell/core/quantities';
import type { HeatPlan, HeatingNow } from '@hollow-bell/core/stabilize';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import TimeIt from '../figures/TimeIt.vue';
import BellMark from '../rounds/BellMark.vue';

/** What is left of the hold, with the thermometer’s doubt, and what wants looking at. */
const props = defineProps<{ heating: HeatingNow; hold: number; plan: HeatPlan | null; firstAt: number | null }>();
/** Twice before the log would stall. */
const READ_EVERY_MIN = LOG_STALLS_MIN / 2;
const store = useBatch();
const { show, number } = useReader();
const last = computed(() => props.heating.held.last);
const faults = computed(() => settleProbe(store.probe).faults);
/** The log has stalled: nobody knows what the core does. */
const stalledMin = computed(() => {
  const { value: core } = last;
  if (core === null || props.heating.isMet) return 0;
  const minutes = (store.now - core.at) / MINUTE_MS;
  return minutes > LOG_STALLS_MIN && minutes < 24 * 60 ? minutes : 0;
});
</script>

<template>
  <div class="left">
    <h2>{{ heating.isMet ? 'Held' : 'Left to hold' }}</h2>
    <p v-if="!heating.isMet && heating.sureAt !== null" data-test="left">
      <span class="huge">{{ Math.ceil(heating.leftMin.value) }}</span> <span class="unit">min</span>
    </p>
    <p v-else-if="!heating.isMet" data-test="left">
      The core is below {{ show('tempC', HOLD_FROM_C)
      }}<template v-if="plan !== null"
        >; about <b>{{ Math.max(1, Math.round(plan.untilHoldMin.value - ((last?.at ?? 0) - (firstAt ?? 0)) / MINUTE_MS)) }} min</b> to
        go</template
      >.
    </p>
    <p v-if="!heating.isMet && heating.sureAt !== null" class="small">
      <b>{{ Math.ceil(heating.leftMin.low) }} to {{ Math.ceil(heating.leftMin.high) }}</b
      >: the thermometer may be {{ show('degrees', THERMOMETER_PLUS_MINUS_C) }} off. Sure at <b>{{ show('when', heating.sureAt) }}</b>.
    </p>
    <TimeIt
      v-if="!heating.isMet"
      :id="`core ${store.batch?.id ?? ''}`"
      class="small"
      :label="`Read the core of ${store.batch?.name ?? ''}`"
      :minutes="READ_EVERY_MIN"
    />
    <div class="pairs">
      <p>
        <span>So far</span><b data-test="units">{{ number(heating.held.units.value, 1) }} of {{ hold }} PU</b>
      </p>
      <p>
        <span>by the thermometer’s doubt</span><b>{{ number(heating.held.units.low, 0) }} to {{ number(heating.held.units.high, 0) }}</b>
      </p>
      <p>
        <span>Minutes at {{ show('tempC', HOLD_FROM_C) }} or more</span><b>{{ number(heating.held.minutes, 0) }} of {{ hold }}</b>
      </p>
      <p>
        <span>On the way up, not counted</span><b>{{ number(heating.held.unitsOnTheWay, 1) }} PU</b>
      </p>
    </div>
    <p v-if="last !== null && last.coreC > HOLD_STOP_C" class="bell" role="alert">
      <BellMark bell="cracked" /><span>Above {{ show('tempC', HOLD_STOP_C) }} the honey cooks: off the heat.</span>
    </p>
    <p v-else-if="stalledMin > 0" class="bell" role="alert" data-test="stalled">
      <BellMark bell="cracked" /><span
        >The log stopped {{ Math.round(stalledMin) }} min ago: read the core, and look at the pot. What was not read is not counted.</span
      >
    </p>
    <p v-else-if="heating.isMet" class="bell">
      <BellMark :bell="heating.isSure ? 'still' : 'swinging'" /><span
        >{{ heating.isSure ? 'Held, and surely.' : 'Held, if the thermometer reads true; a few minutes more make it sure.' }} Out with dry
        cloths, onto wood: no cold stone, no draft. Then 10 to 12 h of rest.</span
      >
    </p>
    <p v-for="fault in faults" :key="`${fault.kind} ${fault.at}`" class="caution">
      {{
        fault.kind === 'jump'
          ? `The probe jumped ${show('when', fault.at)}; that reading is left out. Out of its place, or another scale?`
          : `The probe sent nothing for some minutes from ${show('when', fault.at)}.`
      }}
    </p>
  </div>
</template>

<style scoped>
.left {
  display: grid;
  gap: 8px;
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
</style>
