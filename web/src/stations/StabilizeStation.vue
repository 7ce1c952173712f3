<script setup lang="ts">
import FoldedPart from '../parts/page/FoldedPart.vue';
import { bearsHoney, protectionOf } from '@hollow-bell/core/stabilize';
import type { StabilizeSchool } from '@hollow-bell/core/stabilize';
import { computed } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import ChemicalSchool from '../parts/stabilize/ChemicalSchool.vue';
import GateRow from '../parts/stabilize/GateRow.vue';
import GateWord from '../parts/stabilize/GateWord.vue';
import GuardNow from '../parts/stabilize/GuardNow.vue';
import HeatSchool from '../parts/stabilize/HeatSchool.vue';
import PlainSchool from '../parts/stabilize/PlainSchool.vue';
import SchoolRow from '../parts/stabilize/SchoolRow.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { tell, show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const protection = computed(() => protectionOf(store.ledger, store.now));
const isGuarded = computed(() => store.ledger.history.guarded !== null);
/** What each asks of the maker, in a few words. */
const COSTS = computed((): Record<StabilizeSchool, string> => ({
  chemical: 'two powders, then 24 h',
  heat: `core at ${show('tempC', 60)}, then 10 to 12 h`,
  dry: 'nothing to add, no honey after',
  filter: 'home pads are not sterile',
  sweetener: 'erythritol; xylitol kills dogs',
}));
/** It is on the label, or a guest cannot drink it. */
const forbid = (): Promise<boolean> => attempt(() => store.practise({ noSulfites: store.batch?.plan.practice.noSulfites !== true }));
const choose = (stabilizing: StabilizeSchool): Promise<boolean> => attempt(() => store.practise({ stabilizing }));
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <GateRow :gates="store.gates" />
    <GateWord :gates="store.gates" />
    <SchoolRow :school="store.school" :costs="COSTS" :busy="busy" @choose="choose" />
    <label class="choice no-print">
      <input type="checkbox" :checked="store.batch?.plan.practice.noSulfites === true" @change="forbid" />
      <span>No sulfites go into this batch</span>
    </label>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <HeatSchool v-if="store.school === 'heat'" />
    <div class="columns">
      <div class="stack">
        <GuardNow v-if="isGuarded" :protection="protection" />
        <template v-if="store.school !== 'heat'">
          <PlainSchool v-if="store.school !== 'chemical'" :school="store.school" />
          <ChemicalSchool v-if="bearsHoney(store.school) && !isGuarded" :protection="protection" />
          <FoldedPart v-else-if="store.school === 'chemical'" summary="Top up what has faded">
            <ChemicalSchool :protection="protection" />
          </FoldedPart>
        </template>
      </div>
      <BatchLog />
    </div>
  </section>
</template>
