<script setup lang="ts">
import type { Standing } from '@hollow-bell/contract';
import type { EventContent } from '@hollow-bell/core/record';
import { byUrgency } from '@hollow-bell/core/rounds';
import type { Ask } from '@hollow-bell/core/rounds';
import { useIntervalFn } from '@vueuse/core';
import { computed, defineAsyncComponent, onMounted, ref, useTemplateRef } from 'vue';
import { useRouter } from 'vue-router';
import AskRow from '../parts/rounds/AskRow.vue';
import VesselFloor from '../parts/rounds/VesselFloor.vue';
import { useManyVessels } from '../parts/rounds/manyVessels.ts';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useSingleKeys } from '../composables/useSingleKeys.ts';
import { putOffEvent } from '../parts/rounds/putOffEvent.ts';
import { usePractice } from '../stores/practice.ts';
import { useRounds } from '../stores/rounds.ts';

/** Few cellars are so large. */
const FirstPath = defineAsyncComponent(() => import('../parts/rounds/FirstPath.vue'));
const VesselFold = defineAsyncComponent(() => import('../parts/rounds/VesselFold.vue'));
const rounds = useRounds();
const house = usePractice();
const router = useRouter();
const { tell, show, date, reader } = useReader();
const { refusal, attempt } = useAttempt();
const working = ref<string | null>(null);

const REFRESH_MS = 60_000;
onMounted(() => rounds.loadNow());
useIntervalFn(() => void rounds.load(), REFRESH_MS);

const rows = computed(() =>
  rounds.standing
    .flatMap((vessel) => vessel.asks.filter((ask) => ask.bell !== 'still').map((ask) => ({ vessel, ask })))
    .toSorted((a, b) => byUrgency(a.ask, b.ask)),
);
const { isMany, sought, onFloor, folded } = useManyVessels(computed(() => rounds.standing.filter(({ inBottles }) => !inBottles)));
/** In a large cellar the list begins with what asks now; the rest is one press away. */
const SHOWN_AT_FIRST = 25;
const showsAll = ref(false);
const shownRows = computed(() => {
  if (!isMany.value || showsAll.value) return rows.value;
  const pressing = rows.value.filter(({ ask }) => ask.bell !== 'muffled');
  return (pressing.length > 0 ? pressing : rows.value).slice(0, SHOWN_AT_FIRST);
});
const asking = computed(() => new Set(rows.value.filter(({ ask }) => ask.bell !== 'muffled').map(({ vessel }) => vessel.id)).size);
const NUMBERS = ['None', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
const title = computed(() => {
  if (!rounds.loaded) return rounds.problem === '' ? 'Rounds' : 'Rounds cannot be read just now.';
  if (asking.value === 0) return 'All quiet.';
  return `${NUMBERS[asking.value] ?? asking.value} ${asking.value === 1 ? 'asks' : 'ask'} for you.`;
});
const today = computed(() => date(reader.value.now, { weekday: 'long', day: 'numeric', month: 'long' }));

async function write(vessel: Standing, events: EventContent[], told: string): Promise<void> {
  working.value = vessel.id;
  await attempt(async () => {
    /** What judges an entry is loaded with the first that is written here. */
    const { useWriting } = await import('../stores/writing.ts');
    await useWriting().write(vessel.id, events, told);
  });
  working.value = null;
}
const done = async (vessel: Standing, { done: deed }: Ask): Promise<void> => {
  if (deed !== null) await write(vessel, deed.events, `${vessel.name}: ${tell(deed.label)}`);
};
const putOff = (vessel: Standing, ask: Ask, choice: { until: number } | { reason: string }): Promise<void> =>
  write(vessel, [putOffEvent(ask, choice, tell)], `${vessel.name}: ${'until' in choice ? 'put off' : 'left for good'}`);
const goTo = (vessel: Standing, ask: Ask): Promise<unknown> =>
  router.push({ name: 'station', params: { id: vessel.id, station: ask.station } });

/** The row under the keys: j and k or the arrows move, Enter does as planned, o otherwise, l later or not at all. */
const current = ref(-1);
interface Line {
  $el: HTMLElement;
  openPutOff: () => void;
}
const lines = useTemplateRef<Line[]>('lines');
const lineAt = (index: number): Line | undefined => lines.value?.[index];
function step(by: number): void {
  current.value = Math.min(shownRows.value.length - 1, Math.max(0, current.value + by));
  lineAt(current.value)?.$el.focus();
}
const DEEDS = {
  next: () => step(1),
  before: () => step(-1),
  asPlanned: () => {
    const row = shownRows.value[current.value];
    if (row !== undefined) void (row.ask.done === null ? goTo(row.vessel, row.ask) : done(row.vessel, row.ask));
  },
  otherwise: () => {
    const row = shownRows.value[current.value];
    if (row !== undefined) void goTo(row.vessel, row.ask);
  },
  later: () => lineAt(current.value)?.openPutOff(),
};
useSingleKeys(Object.keys(DEEDS) as (keyof typeof DEEDS)[], (name, event) => {
  if (event.target instanceof HTMLElement && event.target.closest('button, a') !== null) return false;
  DEEDS[name]();
  return true;
});
</script>

<template>
  <section>
    <header class="head">
      <h1 data-test="rounds-title">{{ title }}</h1>
      <span class="date quiet">{{ today }}</span>
      <span class="room quiet"
        >Room set to <b>{{ show('tempC', house.practice.roomTempC) }}</b></span
      >
    </header>
    <p v-if="rounds.problem !== ''" class="refusal" role="alert">
      {{ rounds.problem }} <button type="button" class="link" @click="rounds.load()">Try again</button>
    </p>
    <p v-else-if="!rounds.loaded" class="quiet">Looking at the vessels…</p>
    <div v-else-if="rounds.standing.length === 0" class="empty">
      <p>No vessel is filled yet.</p>
      <RouterLink v-slot="{ navigate }" :to="{ name: 'new' }" custom
        ><el-button type="primary" @click="navigate">Formulate a mead</el-button></RouterLink
      >
      <FirstPath />
    </div>
    <template v-else>
      <input
        v-if="isMany"
        v-model="sought"
        type="search"
        class="line-input find no-print"
        maxlength="80"
        placeholder="find a vessel by its name"
        aria-label="Find a vessel"
      />
      <p v-if="isMany && onFloor.length + folded.length === 0" class="quiet" role="status">
        No vessel has “{{ sought.trim() }}” in its name.
      </p>
      <VesselFloor v-if="onFloor.length > 0" :standing="onFloor" class="no-print" />
      <VesselFold v-if="isMany" :standing="folded" />
      <ul class="asks" aria-label="What the vessels ask for">
        <AskRow
          v-for="{ vessel, ask } in shownRows"
          :key="`${vessel.id} ${ask.key}`"
          ref="lines"
          :ask="ask"
          :batch-id="vessel.id"
          :name="vessel.name"
          :busy="working === vessel.id"
          @done="done(vessel, $event)"
          @put-off="(each, choice) => putOff(vessel, each, choice)"
        />
      </ul>
      <button v-if="shownRows.length < rows.length" type="button" class="link no-print" @click="showsAll = true">
        Show {{ rows.length - shownRows.length }} more
      </button>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="rows.length === 0" class="quiet calm">Nothing is due. Sniff the airlocks and leave them be.</p>
    </template>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 16px;
  padding: 12px 0 8px;
}

.date {
  flex: 1;
  font-size: 17px;
}

.asks {
  margin-top: 12px;
  border-top: 1px solid var(--rule);
}

.find {
  max-width: 340px;
}

.empty {
  display: grid;
  justify-items: start;
  gap: 14px;
  padding: 60px 0;
}

.calm {
  padding: 16px 0;
}

@media (max-width: 720px) {
  .room {
    display: none;
  }
}
</style>
