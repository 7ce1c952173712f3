<script setup lang="ts">
import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Practice } from '@hollow-bell/contract';
import { AMMONIUM_CUTOFF_ABV, THIRD_BREAK } from '@hollow-bell/core/yeast';
import { SCHOOLS, SCHOOL_IDS, compareSchools, courseOf, feedingPlanOf, toFeedOf } from '@hollow-bell/core/feed';
import { whenGone } from '@hollow-bell/core/course';
import { HOUR_MS } from '@hollow-bell/core/quantities';
import { productName } from '@hollow-bell/core/nitrogen';
import type { SchoolId } from '@hollow-bell/core/feed';
import type { Ledger } from '@hollow-bell/core/record';
import { predictMust } from '@hollow-bell/core/must';
import type { MustPlan } from '@hollow-bell/core/must';
import { computed, ref } from 'vue';
import { useNutrients } from '../../composables/useNutrients.ts';
import { useReader } from '../../composables/useReader.ts';
import PickList from '../fields/PickList.vue';

const props = defineProps<{ ledger: Ledger; practice: Practice; must: MustPlan }>();
const { show, money } = useReader();
const { priced } = useNutrients();
const OPTIONS = SCHOOL_IDS.filter((id) => id !== 'set' || props.practice.setDoses.length > 0).map((id) => ({
  value: id,
  label: SCHOOLS[id].name,
}));
const others = SCHOOL_IDS.filter((id) => id !== props.practice.school && !['none', 'own', 'set'].includes(id));
const chosen = ref<SchoolId[]>([props.practice.school, others[0] ?? 'clock', others[1] ?? 'organic']);

const course = computed(() => {
  const plan = feedingPlanOf(props.ledger, feedingPracticeOf(props));
  return plan === null ? null : courseOf(plan, props.ledger);
});
const hourAt = (share: number): number =>
  course.value === null ? Number.POSITIVE_INFINITY : (whenGone(course.value, share).value - course.value.pitchedAt) / HOUR_MS;
const thirdH = computed(() => hourAt(THIRD_BREAK));
const outcomes = computed(() => {
  const toFeed = toFeedOf(props.ledger);
  if (toFeed === null) return [];
  const practice = feedingPracticeOf(props);
  const [organic, ammonium] = [priced(practice.organic), priced(practice.ammonium)];
  return compareSchools(toFeed, { ...practice, organic, ammonium }, chosen.value, {
    hourAt,
    abvDry: predictMust(props.must).abvDry.value,
  });
});
const volumeL = computed(() => props.ledger.history.pitch?.volumeL ?? 0);
const needMgPerL = computed(() => outcomes.value[0]?.steps.at(-1)?.mgPerL ?? 0);
const LAST_H = 180;
const HEIGHT = 70;
/** Nitrogen given, rising dose by dose over the first week. */
function stair(steps: { hour: number; mgPerL: number }[]): string {
  const top = Math.max(1, needMgPerL.value, ...outcomes.value.flatMap((outcome) => outcome.steps.map(({ mgPerL }) => mgPerL)));
  const y = (mg: number): string => (HEIGHT - (HEIGHT * mg) / top / 1.05).toFixed(1);
  const x = (hour: number): string => ((200 * Math.min(hour, LAST_H)) / LAST_H).toFixed(1);
  let path = `M0 ${HEIGHT}`;
  let level = 0;
  for (const { hour, mgPerL } of steps) {
    path += `L${x(hour)} ${y(level)}L${x(hour)} ${y(mgPerL)}`;
    level = mgPerL;
  }
  return `${path}L200 ${y(level)}V${HEIGHT}Z`;
}
</script>

<template>
  <div class="compare">
    <article v-for="(outcome, i) in outcomes" :key="i" :data-school="outcome.school">
      <PickList v-model="chosen[i]!" :label="`school ${i + 1}`" hide-label :options="OPTIONS" />
      <svg
        :viewBox="`0 0 200 ${HEIGHT}`"
        class="stair"
        role="img"
        :aria-label="`${SCHOOLS[outcome.school].name}: nitrogen given over a week`"
      >
        <path :d="stair(outcome.steps)" />
      </svg>
      <div class="pairs small">
        <p v-for="total in outcome.totals" :key="productName(total.product)">
          <span>{{ productName(total.product) }}</span><b>{{ show('massG', total.gPerL * volumeL) }}</b>
        </p>
        <p>
          <span>doses</span><b>{{ outcome.doseCount }}</b>
        </p>
        <p v-if="outcome.unpriced.length < outcome.totals.length">
          <span>cost</span><b>{{ money(outcome.costPerL * volumeL) }}</b>
        </p>
        <p>
          <span>too late, stays over</span><b>{{ show('mgPerL', outcome.lateMgPerL) }}</b>
        </p>
        <p>
          <span>left uncovered</span><b>{{ show('mgPerL', outcome.missingMgPerL) }}</b>
        </p>
      </div>
    </article>
  </div>
  <p class="small quiet">
    <template v-if="Number.isFinite(thirdH)">
      As this must is expected to go: a third of the sugar gone {{ show('hours', thirdH) }} after the pitch.
    </template>
    Too late means ammonium above {{ show('abv', AMMONIUM_CUTOFF_ABV) }}, or anything after half of the sugar.
  </p>
</template>

<style scoped>
.compare {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(170px, 100%), 1fr));
  gap: 12px 26px;
}

article {
  display: grid;
  align-content: start;
  gap: 6px;
}

.stair {
  width: 100%;
  border-bottom: 1.5px solid var(--soot);
}

.stair path {
  fill: var(--verdigris-mid);
}

.pairs b {
  font-size: 15px;
}

.pairs > * {
  padding: 4px 0;
}
</style>
