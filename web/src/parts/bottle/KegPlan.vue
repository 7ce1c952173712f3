<script setup lang="ts">
import { FORCE_WAYS, GAS_STYLES, forceTable, gasStyleOf, kegPressureBar, psiOf } from '@hollow-bell/core/carbonate';
import { eventSentence, viewOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';

const emit = defineEmits<{ bottles: [] }>();
const store = useBatch();
const shelf = useShelf();
const { show, tell, number } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const volumes = ref<number | null>(GAS_STYLES.find(({ id }) => id === 'lively')?.usual ?? 2.4);
const atC = ref<number | null>(5);
const intoL = ref<number | null>(store.view?.volumeL ?? null);
const abv = computed(() => Math.min(22, viewOf(store.ledger)?.abv ?? 0));
const setting = useAnswer(() =>
  volumes.value === null || atC.value === null ? null : Math.max(0, kegPressureBar(volumes.value, atC.value, abv.value)),
);
const table = computed(() => (volumes.value === null ? [] : forceTable(Math.min(6, volumes.value), abv.value)));
const keg = computed(() => shelf.standing.find(({ item: { detail } }) => detail.kind === 'bottle' && detail.is === 'keg')?.item.id);
const { at, when } = useWhen();
function record(): Promise<boolean> {
  const event: EventContent = {
    kind: 'bottling',
    payload: {
      bottles: [
        {
          sizeMl: Math.round(1000 * (intoL.value ?? 0)),
          count: 1,
          kind: 'keg',
          closure: 'lid',
          ...(keg.value === undefined ? {} : { lotId: keg.value }),
        },
      ],
    },
  };
  return attempt(() => store.write([event], tell(eventSentence(event)), when.value));
}
</script>

<template>
  <div class="keg stack" data-test="keg-plan">
    <div class="switches">
      <button type="button" :aria-pressed="false" @click="emit('bottles')">Bottles</button>
      <button type="button" :aria-pressed="true">In a keg</button>
    </div>
    <p>
      Gas from the bottle of gas carbonates any mead: sweet, stabilized, heated, strong. A keg has a valve that lets go before the steel
      does.
    </p>
    <div class="fields">
      <QuantityField v-model="intoL" kind="volume" label="into the keg" needed />
      <QuantityField v-model="volumes" kind="gas" label="gas wanted" :limits="{ low: 0.5, high: 6 }" />
      <QuantityField v-model="atC" kind="temp" label="the keg stands at" :limits="{ low: 0, high: 30 }" />
    </div>
    <p v-if="setting.refusal !== ''" class="refusal">{{ setting.refusal }}</p>
    <p v-if="setting.answer !== null" class="set" data-test="keg-pressure">
      Set <b class="big">{{ show('bar', setting.answer) }}</b>
      <span class="quiet">({{ number(psiOf(setting.answer), 0) }} psi), for {{ gasStyleOf(volumes ?? 0).name }}</span>
    </p>
    <table class="small">
      <caption class="quiet">
        The same gas, by the keg’s temperature
      </caption>
      <tbody>
        <tr>
          <th v-for="row in table" :key="row.tempC" scope="col">{{ show('tempC', row.tempC) }}</th>
        </tr>
        <tr>
          <td v-for="row in table" :key="row.tempC">{{ show('bar', row.bar) }}</td>
        </tr>
      </tbody>
    </table>
    <ul>
      <li v-for="way in FORCE_WAYS" :key="way.id">
        <b>{{ way.name }}</b>, {{ show('hours', 24 * way.days.low) }} to {{ show('hours', 24 * way.days.high) }}: {{ way.says }}.
      </li>
    </ul>
    <p class="caution">
      Never above what the keg is marked for. Gas of a leaking bottle gathers in a cellar and takes the breath: air the room.
    </p>
    <WhenField v-model="at" />
    <div class="deeds">
      <el-button type="primary" :loading="busy" :disabled="blocked || (intoL ?? 0) <= 0" @click="record"
        >Into the keg, {{ show('volumeL', intoL ?? 0) }}</el-button
      >
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.keg {
  max-width: 720px;
  padding-top: 10px;
}

.fields {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(150px, 100%), 1fr));
  gap: 8px 22px;
}

table {
  border-collapse: collapse;
}

caption {
  text-align: left;
}

th,
td {
  padding: 4px 14px 4px 0;
  border-bottom: 1px solid var(--rule);
  text-align: left;
  font-weight: 400;
}
</style>
