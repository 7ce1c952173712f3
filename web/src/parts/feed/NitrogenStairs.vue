<script setup lang="ts">
import { nitrogenStaircase } from '@hollow-bell/core/feed';
import type { FeedingNow, FeedingPlan } from '@hollow-bell/core/feed';
import { sgAtShare } from '@hollow-bell/core/record';
import type { Ledger } from '@hollow-bell/core/record';
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import ChartTable from '../figures/ChartTable.vue';
import NitrogenDrawing from './nitrogen/NitrogenDrawing.vue';
import type { NitrogenAxis } from './nitrogen/drawing.ts';
import { doseMarks } from './nitrogen/marks.ts';
import type { DoseMark, Scale } from './nitrogen/marks.ts';

const props = defineProps<{ feeding: FeedingPlan; progress: FeedingNow; ledger: Ledger; now: number }>();

const { show } = useReader();
const axis = ref<NitrogenAxis>('clock');
const inGrams = ref(false);
const box = ref<HTMLElement | null>(null);
const measured = useElementSize(box);
/** What is drawn before the page has been measured, and where nothing measures. */
const USUAL_WIDTH = 640;

const stairs = computed(() => nitrogenStaircase(props.feeding, props.progress, props.ledger, props.now));
/** Nitrogen as it is counted here: in a liter, or in all of the vessel. */
const amount = (mgPerL: number): string =>
  inGrams.value ? `${show('massG', (mgPerL * (stairs.value?.volumeL ?? 0)) / 1000)} N` : show('mgPerL', mgPerL);
const gravityAt = (share: number): string => show('sg', sgAtShare(props.ledger, share));
const doses = (scale: Scale): DoseMark[] =>
  stairs.value === null
    ? []
    : doseMarks(stairs.value, scale, ({ label, grams, mgPerL }) => `${label} ${show('massG', grams)}, ${amount(mgPerL)}`);
/** Far enough apart that no two share a mark. */
const APART: Scale = { width: 1e6, x: ({ hour }) => hour * 1e3, y: () => 0 };
const told = computed(() =>
  [
    `honey ${amount(stairs.value?.honeyMgPerL ?? 0)}`,
    ...(stairs.value !== null && stairs.value.fruitMgPerL > 0 ? [`fruit ${amount(stairs.value.fruitMgPerL)}`] : []),
    ...doses(APART).map((dose) => dose.told),
  ].join(', '),
);
const rows = computed(() => {
  const { value } = stairs;
  if (value === null) return [];
  return [
    { cells: ['honey', '', amount(value.honeyMgPerL), ''] },
    ...(value.fruitMgPerL > 0 ? [{ cells: ['fruit', '', amount(value.fruitMgPerL), ''] }] : []),
    ...[...value.stairs, ...value.wasted]
      .toSorted((a, b) => a.hour - b.hour)
      .map(({ label, state, grams, mgPerL, share }) => ({
        cells: [`${label}, ${state === 'ahead' ? 'still to come' : state}`, show('massG', grams), amount(mgPerL), gravityAt(share)],
        isQuiet: state !== 'given',
      })),
  ];
});
</script>

<template>
  <figure
    v-if="stairs !== null"
    class="nitrogen"
    role="group"
    :aria-label="`Nitrogen against a need of ${amount(stairs.needMgPerL)}: ${told}`"
  >
    <div class="switches small no-print">
      <button type="button" :aria-pressed="axis === 'clock'" @click="axis = 'clock'">by the clock</button>
      <button type="button" :aria-pressed="axis === 'gravity'" @click="axis = 'gravity'">by the gravity</button>
      <button type="button" class="apart" :aria-pressed="!inGrams" @click="inGrams = false">in a liter</button>
      <button type="button" :aria-pressed="inGrams" @click="inGrams = true">in the vessel</button>
    </div>
    <div ref="box">
      <NitrogenDrawing
        :stairs="stairs"
        :axis="axis"
        :box-width="measured.width.value || USUAL_WIDTH"
        :amount="amount"
        :gravity-at="gravityAt"
        :dose-marks="doses"
      />
    </div>
    <figcaption class="small quiet">
      <span><i class="honey" />honey</span><span v-if="stairs.fruitMgPerL > 0"><i class="fruit" />fruit</span
      ><span><i class="amino" />amino</span><span><i class="ammonium" />ammonium</span><span><i class="amino ahead" />still to come</span
      ><span v-if="stairs.wasted.length > 0"><i class="hatched" />not any more</span>
    </figcaption>
    <ChartTable
      :sentence="`Needed ${amount(stairs.needMgPerL)}: ${told}.`"
      caption="Nitrogen, as it was given and is still to come"
      :heads="['from', 'amount', 'nitrogen', 'at']"
      :rows="rows"
    />
  </figure>
</template>

<style scoped>
.nitrogen {
  margin: 0;
  padding: 6px 0 4px;
}

.apart {
  margin-left: auto;
}

.honey {
  background: #d9a03c;
}

.fruit {
  background: #8f2f45;
}

.amino {
  background: var(--verdigris);
}

.ammonium {
  background: var(--bronze);
}

.ahead {
  opacity: 0.42;
}

.hatched {
  background: repeating-linear-gradient(45deg, var(--soot-3) 0 2px, transparent 2px 6px);
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}

figcaption span {
  display: flex;
  align-items: center;
  gap: 6px;
}

i {
  width: 14px;
  height: 10px;
}

@media (max-width: 720px) {
  .apart {
    margin-left: 0;
  }
}
</style>
