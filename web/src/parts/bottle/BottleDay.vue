<script setup lang="ts">
import { SOAK_MIN, bottleDay, sanitizerFor } from '@hollow-bell/core/bottle';
import type { CratePlan, PrimePlan } from '@hollow-bell/core/bottle';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBottleSheet } from '../../composables/useBottleSheet.ts';
import { useDraft } from '../../composables/useDraft.ts';
import type { PrimeChoice } from '../../composables/useBottling.ts';
import { useBatch } from '../../stores/batch.ts';
import { usePractice } from '../../stores/practice.ts';
import { useShelf } from '../../stores/shelf.ts';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import TimeIt from '../figures/TimeIt.vue';

const props = defineProps<{ crate: CratePlan; prime: PrimePlan | null; sugar: PrimeChoice; where: 'bulk' | 'each'; volumes: number }>();
const store = useBatch();
const house = usePractice();
const shelf = useShelf();
const { refusal, busy, attempt } = useAttempt({ isForm: false });
const { download } = useBottleSheet();

interface Kept {
  done: string[];
  doseMl: number | null;
  contactMin: number | null;
  soakMin: number | null;
}
const { draft, keep } = useDraft<Kept>(`bottle-day-${store.batch?.id ?? ''}`, store.batch?.id ?? '');
const kept = ref<Kept>(draft.value ?? { done: [], doseMl: null, contactMin: null, soakMin: null });
function change(over: Partial<Kept>): void {
  kept.value = { ...kept.value, ...over };
  keep(kept.value);
}
const soakByMaker = computed(
  () =>
    shelf.standing.flatMap(({ item: { detail } }) =>
      detail.kind === 'closure' && detail.is.includes('cork') ? (detail.soakMin ?? []) : [],
    )[0],
);
const soakMin = computed(() => kept.value.soakMin ?? soakByMaker.value ?? SOAK_MIN.usual);

const steps = computed(() =>
  bottleDay({
    crate: props.crate,
    prime:
      props.prime === null || props.prime.sugarG.value <= 0
        ? null
        : {
            name: props.sugar.name,
            sugarG: props.prime.sugarG.value,
            waterL: props.prime.syrupWaterL,
            where: props.where,
            volumes: props.volumes,
          },
    sanitizer:
      kept.value.doseMl === null || kept.value.doseMl <= 0
        ? null
        : { doseMl: kept.value.doseMl, perL: 1, minutes: kept.value.contactMin ?? 2 },
    soakMin: soakMin.value,
    restC: house.practice.roomTempC,
  }),
);
const mlPerTenL = computed(() => (kept.value.doseMl === null ? null : sanitizerFor(kept.value.doseMl, 1, 10).concentrateMl));
const toggle = (id: string): void =>
  change({ done: kept.value.done.includes(id) ? kept.value.done.filter((each) => each !== id) : [...kept.value.done, id] });

const sheet = (): Promise<boolean> =>
  attempt(async () => {
    if (store.batch !== null) await download({ name: store.batch.name, crate: props.crate, steps: steps.value });
  });
</script>

<template>
  <section class="day" aria-label="The day of bottling">
    <header>
      <h2>In this order</h2>
      <span class="small quiet"
        >{{ kept.done.filter((id) => steps.some((step) => step.id === id)).length }} of {{ steps.length }} done</span
      >
      <button type="button" class="link small no-print" :disabled="busy" @click="sheet">Day sheet as PDF</button>
      <span v-if="refusal !== ''" class="refusal">{{ refusal }}</span>
    </header>
    <div class="product">
      <QuantityField
        :model-value="kept.doseMl"
        kind="count"
        label="sanitizer, ml in a liter by its label"
        @update:model-value="change({ doseMl: $event })"
      />
      <QuantityField
        :model-value="kept.contactMin"
        kind="count"
        label="it has to stay, minutes"
        @update:model-value="change({ contactMin: $event })"
      />
      <QuantityField
        v-if="steps.some(({ id }) => id === 'soak')"
        :model-value="soakMin"
        kind="count"
        label="corks soak, minutes"
        :limits="{ low: 0, high: 240 }"
        @update:model-value="change({ soakMin: $event })"
      />
      <p v-if="mlPerTenL !== null" class="small quiet">{{ mlPerTenL }} ml in ten liters</p>
    </div>
    <ol>
      <li v-for="step in steps" :key="step.id" :class="{ done: kept.done.includes(step.id) }" :data-step="step.id">
        <button
          type="button"
          class="knot"
          role="checkbox"
          :aria-checked="kept.done.includes(step.id)"
          :aria-label="`${step.title}, done`"
          @click="toggle(step.id)"
        />
        <p>
          <b>{{ step.title }}</b> <SentenceText :sentence="step.sentence" />
          <TimeIt
            v-if="step.minutes !== null"
            :id="`${store.batch?.id ?? ''} ${step.id}`"
            class="small"
            :label="`${step.title}, ${store.batch?.name ?? ''}`"
            :minutes="step.minutes"
          />
          <span v-if="step.caution !== null" class="caution small"><SentenceText :sentence="step.caution" /></span>
        </p>
      </li>
    </ol>
  </section>
</template>

<style scoped>
.day {
  display: grid;
  gap: 6px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

header {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 16px;
}

.product {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(190px, 100%), 240px));
  gap: 4px 22px;
  align-items: end;
}

ol {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(260px, 100%), 1fr));
  gap: 2px 26px;
}

li {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
}

.knot {
  width: 18px;
  height: 18px;
  margin-top: 1px;
  border: 2px solid var(--bronze);
  border-radius: 50%;
  background: none;
  cursor: pointer;
}

.done .knot {
  background: var(--bronze);
}

.done p {
  color: var(--soot-2);
}

.caution {
  display: block;
}

@media (max-width: 720px) {
  .knot {
    width: 26px;
    height: 26px;
  }

  li {
    grid-template-columns: 44px minmax(0, 1fr);
    min-height: 44px;
  }
}
</style>
