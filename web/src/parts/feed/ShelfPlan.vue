<script setup lang="ts">
import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Practice } from '@hollow-bell/contract';
import { productName } from '@hollow-bell/core/nitrogen';
import { toFeedOf, workOutFeeding } from '@hollow-bell/core/feed';
import type { Bound, FeedingWish } from '@hollow-bell/core/feed';
import { mixedOf } from '@hollow-bell/core/record';
import type { Ledger } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAnswer } from '../../composables/useAnswer.ts';
import { useNutrients } from '../../composables/useNutrients.ts';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WorkingSheet from '../figures/WorkingSheet.vue';

const props = defineProps<{ ledger: Ledger; practice: Practice; busy: boolean }>();
const emit = defineEmits<{ follow: [over: Partial<Practice>] }>();

const { show, money } = useReader();
const { stocked } = useNutrients();
const aim = ref<FeedingWish['aim']>('cheapest');
const mostAtOnce = ref<number | null>(40);
const AIMS = [
  { value: 'cheapest' as const, label: 'cheapest' },
  { value: 'doses' as const, label: 'fewest doses' },
];
const HELD_BACK: Record<Bound, string> = {
  stock: 'there is too little on the shelf',
  'ammonium cap': 'ammonium is at its legal cap',
  'ammonium share': 'ammonium may not cover more of it by your own setting',
  'packet cap': 'a packet allows no more',
  'at once': 'no more may go in with one dose',
};

const found = useAnswer(() => {
  const toFeed = toFeedOf(props.ledger);
  if (toFeed === null || mostAtOnce.value === null) return null;
  return workOutFeeding(toFeed, feedingPracticeOf({ practice: props.practice }), stocked.value, {
    aim: aim.value,
    mostAtOnce: mostAtOnce.value / 100,
    volumeL: mixedOf(props.ledger)?.volumeL ?? 0,
  });
});
const volumeL = computed(() => mixedOf(props.ledger)?.volumeL ?? 0);
const hasBegun = computed(() => props.ledger.history.doses.length > 0);
const whenTold = ({ clockH, share }: { clockH: number; share: number | null }): string =>
  share === null ? `after ${show('hours', clockH)}` : `at ${Math.round(100 * share)} % of the sugar`;
</script>

<template>
  <div class="plan">
    <div class="given">
      <PickList v-model="aim" label="of what is on the shelf, the" :options="AIMS" />
      <QuantityField v-model="mostAtOnce" kind="percent" label="most in one dose" />
    </div>
    <p v-if="found.refusal !== ''" class="refusal">{{ found.refusal }}</p>
    <template v-if="found.answer !== null">
      <ul class="rule-top" data-test="worked-out">
        <li v-for="(dose, i) in found.answer.doses" :key="i">
          <span class="quiet">{{ whenTold(dose) }}</span>
          <span>
            <template v-for="(part, p) in dose.parts" :key="p"
              >{{ p === 0 ? '' : ' and ' }}<b>{{ show('massG', part.gPerL * volumeL) }}</b> {{ productName(part.product) }}</template
            >
          </span>
        </li>
      </ul>
      <p>
        {{ found.answer.doseCount }} {{ found.answer.doseCount === 1 ? 'dose' : 'doses' }}, {{ money(found.answer.cost)
        }}<span v-if="found.answer.unpriced.length > 0" class="quiet">
          without {{ found.answer.unpriced.map(productName).join(' and ') }}, which has no price and was taken last</span
        >; covers {{ show('mgPerL', found.answer.coveredMgPerL) }} of {{ show('mgPerL', found.answer.toGiveMgPerL) }}.
        <el-popover trigger="click" :width="420" placement="bottom-start">
          <template #reference><button type="button" class="link">Show working</button></template>
          <WorkingSheet title="The plan from the shelf" :working="found.answer.working" />
        </el-popover>
      </p>
      <p v-if="found.answer.missingMgPerL > 0" class="caution" data-test="missing">
        {{ show('mgPerL', found.answer.missingMgPerL) }} stay uncovered:
        {{ found.answer.heldBackBy.map((bound) => HELD_BACK[bound]).join('; ') || 'nothing on the shelf fits the hours of this school' }}.
        About {{ show('massG', found.answer.lackingG) }} of {{ productName(practice.organic) }} would cover it.
      </p>
      <p v-if="hasBegun" class="small quiet">Feeding has begun: what was given counts, and the doses left follow the new plan.</p>
      <p class="deeds no-print">
        <el-button
          :loading="busy"
          :disabled="found.answer.doses.length === 0"
          @click="emit('follow', { school: 'set', setDoses: found.answer.doses })"
          >Feed by this</el-button
        >
      </p>
    </template>
  </div>
</template>

<style scoped>
.plan {
  display: grid;
  gap: 8px;
}

.given {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 220px));
  gap: 8px 18px;
}

li {
  display: grid;
  grid-template-columns: 158px 1fr;
  gap: 8px;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
