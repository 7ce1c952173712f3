<script setup lang="ts">
import FoldedPart from '../parts/page/FoldedPart.vue';
import { RACKING_OXYGEN_MG_PER_L, RACK_SCHOOLS, rackAdvice, rackSchoolTold, rackingsAhead, restMonths } from '@hollow-bell/core/clear';
import type { RackSchool } from '@hollow-bell/core/clear';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import FiningsPanel from '../parts/clear/FiningsPanel.vue';
import GasRow from '../parts/clear/GasRow.vue';
import LookRow from '../parts/clear/LookRow.vue';
import RackInto from '../parts/clear/RackInto.vue';
import SentenceText from '../parts/figures/SentenceText.vue';
import PickList from '../parts/fields/PickList.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import BellMark from '../parts/rounds/BellMark.vue';
import GateRow from '../parts/stabilize/GateRow.vue';
import GateWord from '../parts/stabilize/GateWord.vue';
import RackForm from '../parts/vessel/RackForm.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show, showFigure, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const gates = computed(() => store.gates.slice(0, 3));
const school = computed<RackSchool>({
  get: () => store.batch?.plan.practice.racking ?? 'at dryness',
  set: (racking) => void attempt(() => store.practise({ racking })),
});
const SCHOOLS = computed(() => RACK_SCHOOLS.map((value) => ({ value, label: `first racking ${tell(rackSchoolTold(value))}` })));
const advice = computed(() => rackAdvice(store.ledger, store.now, school.value));
/** Those that are to come beside the one that is due. */
const ahead = computed(() => rackingsAhead(store.ledger, store.now, school.value).slice(advice.value?.asks === 'now' ? 1 : 0));
const BELLS = { now: 'swinging', soon: 'muffled', none: 'still' } as const;
const rest = computed(() => restMonths(store.ledger));
/** How high they stood, the last few times. */
const lees = computed(() =>
  store.ledger.history.lees
    .slice(-4)
    .map(({ mm, at }) => `${show('mm', mm)} ${show('when', at)}`)
    .join(', '),
);
const leesMm = ref<number | null>(null);
async function writeLees(): Promise<void> {
  if (leesMm.value === null) return;
  const event: EventContent = { kind: 'reading', payload: { leesMm: leesMm.value } };
  if (await attempt(() => store.write([event], tell(eventSentence(event))))) leesMm.value = null;
}
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <GateRow :gates="gates" class="three" />
    <GateWord :gates="gates" />
    <p v-if="advice !== null" class="advice" data-test="rack-advice">
      <BellMark :bell="BELLS[advice.asks]" />
      <span
        ><b v-if="advice.asks === 'now'">Rack now. </b><SentenceText :sentence="advice.sentence" />
        <span class="quiet">
          {{
            advice.count === 0
              ? 'It would be the first racking'
              : `${advice.count} so far, ${showFigure('mgPerL', advice.oxygenMgPerL)} of oxygen in all`
          }}; each costs about {{ showFigure('mgPerL', RACKING_OXYGEN_MG_PER_L) }}, our estimate.</span
        ></span
      >
    </p>
    <ol v-if="ahead.length > 0" class="ahead small" aria-label="Rackings ahead" data-test="rackings-ahead">
      <li v-for="each in ahead" :key="each.from">
        <b>{{ each.from === each.to ? show('when', each.to) : `${show('when', each.from)} to ${show('when', each.to)}` }}</b>
        <span class="quiet"><SentenceText :sentence="each.why" /></span>
      </li>
      <li class="quiet">Rounds asks in time; there each can be put off.</li>
    </ol>
    <div class="columns">
      <div class="stack">
        <template v-if="store.view !== null">
          <RackInto />
          <FoldedPart summary="In another way: other vessels, measured amounts, another time">
            <RackForm />
          </FoldedPart>
          <div class="lees">
            <form @submit.prevent="writeLees">
              <QuantityField v-model="leesMm" kind="mm" label="lees stand" />
              <el-button native-type="submit" :loading="busy" :disabled="blocked || leesMm === null">Write it</el-button>
            </form>
            <PickList v-model="school" label="by which school" :options="SCHOOLS" />
          </div>
          <p v-if="lees !== ''" class="small">Lees: {{ lees }}.</p>
        </template>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
        <LookRow />
        <GasRow />
        <FiningsPanel v-if="store.view !== null" />
        <div v-if="rest !== null">
          <h2>Rest</h2>
          <p class="small">
            Meads of this strength and kind mostly come round {{ rest.low }} to {{ rest.high }} months after the pitch, by our estimate;
            your own tastings say more. Oak and spice go on giving: Rounds asks to taste them. Cold clears a little; it does not stabilize.
          </p>
        </div>
        <p class="caution">
          A full carboy is heavy and slippery: set it down before you need a hand. Topping up with water thins the mead; top up with its
          like. Fuzz, or blue, green or black growth: discard it, bleach everything.
        </p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.advice {
  display: grid;
  grid-template-columns: 34px 1fr;
  padding: 10px 0;
}

.advice .quiet {
  margin-left: 0.3em;
}

.ahead li {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 3px 0;
}

.lees,
.lees form {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 18px;
}

.lees > label {
  width: 240px;
}

.lees form > :first-child {
  max-width: 120px;
}
</style>
