<script setup lang="ts">
import { SCHOOLS_TOLD } from '@hollow-bell/core/stabilize';
import type { StabilizeSchool } from '@hollow-bell/core/stabilize';
import { volumesFromPoints } from '@hollow-bell/core/carbonate';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Ranged } from '@hollow-bell/core/quantities';
import { finishOf, judge, whyShut } from '@hollow-bell/core/glass';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import FigureValue from '../figures/FigureValue.vue';
import SentenceText from '../figures/SentenceText.vue';
import StopNote from '../figures/StopNote.vue';
import WhenField from '../fields/WhenField.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';

/** Schools that add nothing: dry and still, a sweetener that does not ferment, a filter beside the powders. */
const props = defineProps<{ school: StabilizeSchool }>();
const store = useBatch();
const { tell, show } = useReader();
const { refusal, busy, attempt } = useAttempt();
const { at, when } = useWhen();
const judgement = computed(() => judge(store.ledger, store.now));
const why = computed(() => whyShut(store.ledger, store.now));
const last = computed(() => finishOf(store.ledger).last);
/** What could still fall to the lowest end that may be, and what gas that would make in closed glass. */
const mayFall = computed(() => {
  const { view, end } = store;
  const sg = last.value?.sg ?? view?.sg;
  if (view === null || end === null || sg === undefined) return null;
  const points = Math.max(0, 1000 * (sg - end.sg.low));
  const likely = Math.max(0, 1000 * (sg - end.sg.value));
  const volumes = (): Ranged | null => {
    try {
      const of = (fall: number): number => volumesFromPoints(fall, sg, Math.min(20, view.abv));
      return { value: of(likely), low: 0, high: of(points) };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return null;
    }
  };
  return { points: { value: likely, low: 0, high: points }, volumes: volumes() };
});
const through = ref('home pads');
function filtered(): Promise<boolean> {
  const event: EventContent = { kind: 'filter', payload: { through: through.value.trim() } };
  return attempt(() => store.write([event], tell(eventSentence(event)), when.value));
}
</script>

<template>
  <div class="stack" :data-test="`school-${props.school}`">
    <h2>{{ SCHOOLS_TOLD[school].name }}</h2>
    <template v-if="school === 'filter'">
      <p>
        Coarse pads take what floats, fine ones most yeast. None that a home has is sterile, and one cell is enough: the powders go with it.
      </p>
      <form class="line" @submit.prevent="filtered">
        <label><span class="small quiet">filtered through</span><input v-model="through" class="line-input" maxlength="80" /></label>
        <WhenField v-model="at" />
        <el-button native-type="submit" :loading="busy" :disabled="through.trim() === ''">Filtered</el-button>
      </form>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    </template>
    <template v-else>
      <p v-if="judgement.verdict === 'ask'" class="caution"><SentenceText :sentence="judgement.why" /> Bottle asks before it closes it.</p>
      <p v-else-if="why === null" data-test="may-bottle">
        <b>Nothing is needed.</b> It stands at <b>{{ show('sg', last?.sg ?? store.view?.sg ?? 1) }}</b> and is proven still: it may go into
        bottles as it is.
      </p>
      <StopNote v-else data-test="not-yet">Not yet. <SentenceText :sentence="why" /></StopNote>
      <div v-if="mayFall !== null" class="levels">
        <FigureValue label="Could still fall" kind="points" :figure="mayFall.points" note="at most, to the lowest end that is expected" />
        <p v-if="mayFall.volumes === null" class="quiet">How much gas that would make cannot be told from this gravity and alcohol.</p>
        <FigureValue v-else label="That would make" kind="volumes" :figure="mayFall.volumes" note="of gas in closed glass, at most" />
      </div>
      <p v-if="school === 'sweetener'">
        Erythritol is about two thirds as sweet as sugar, and raises the gravity a little. <b>Xylitol kills dogs</b>: do not use it where
        one lives. Lactose is milk, and says so on the label. Weigh it at the next station.
      </p>
      <p v-else class="quiet">Honey, juice or syrup after this would wake what sleeps in it: then choose another school first.</p>
    </template>
  </div>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 18px;
}

.line label {
  display: grid;
}

.levels {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 24px;
}

@media (max-width: 720px) {
  .levels {
    grid-template-columns: 1fr;
  }
}
</style>
