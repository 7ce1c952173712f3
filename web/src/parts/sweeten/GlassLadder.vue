<script setup lang="ts">
import type { Masses } from '@hollow-bell/core/masses';
import { honeysPoured } from '@hollow-bell/core/record';
import type { Ranged } from '@hollow-bell/core/quantities';
import { scaleFromGlassG, sugarRange, sweeten } from '@hollow-bell/core/sweeten';
import type { SweeteningHoney } from '@hollow-bell/core/sweeten';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';

const props = defineProps<{ mead: Masses; honey: SweeteningHoney; batchL: number; sugar: Ranged; chosenG: number | null }>();
const emit = defineEmits<{ choose: [honeyG: number | null] }>();

const { show, showFigure } = useReader();
const store = useBatch();
const GLASS_ML = 100;
const STEPS = [0.5, 1, 2];
const stepG = ref(1);
const color = computed(() => liquidColor(honeysPoured(store.ledger).map(({ name }) => name)));
const glasses = computed(() =>
  Array.from({ length: 5 }, (_, i) => {
    const grams = i * stepG.value;
    const batchG = scaleFromGlassG(grams, GLASS_ML, props.batchL);
    return { grams, batchG, result: sweeten(props.mead, batchG, props.honey) };
  }),
);
const isChosen = (batchG: number): boolean => props.chosenG !== null && Math.abs(props.chosenG - batchG) < 1e-6;
</script>

<template>
  <div class="ladder">
    <header>
      <h2>Glass ladder, {{ GLASS_ML }} ml each</h2>
      <span class="small quiet"
        >step
        <button v-for="step in STEPS" :key="step" type="button" class="link" :aria-pressed="stepG === step" @click="stepG = step">
          {{ show('massG', step) }}
        </button></span
      >
    </header>
    <ol>
      <li v-for="glass in glasses" :key="glass.grams">
        <button
          type="button"
          :class="{ chosen: isChosen(glass.batchG) }"
          :aria-pressed="isChosen(glass.batchG)"
          @click="emit('choose', isChosen(glass.batchG) || glass.grams === 0 ? null : glass.batchG)"
        >
          <svg viewBox="0 0 80 130" aria-hidden="true">
            <path d="M13 45H67L61 126H19Z" :fill="color" />
            <path d="M8 4L18 127H62L72 4" class="glass" />
          </svg>
          <span class="under"
            ><b>{{ show('massG', glass.grams) }}</b
            ><span class="small">{{ show('sg', glass.result.sg) }} · {{ showFigure('gPerL', sugarRange(glass.result, sugar)) }}</span></span
          >
        </button>
      </li>
    </ol>
  </div>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}

header .link {
  margin-left: 8px;
}

.link[aria-pressed='true'] {
  color: var(--soot);
  font-weight: 700;
  text-decoration: none;
}

ol {
  display: grid;
  grid-template-columns: repeat(5, 1fr);
}

button:not(.link) {
  display: grid;
  width: 100%;
  padding: 14px 0 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}

svg {
  width: 100%;
  height: 118px;
  border-bottom: 2px solid var(--soot);
}

.glass {
  fill: none;
  stroke: var(--soot);
  stroke-width: 2;
}

.chosen .glass {
  stroke: var(--bronze);
  stroke-width: 4;
}

.under {
  display: grid;
  padding: 8px 2px;
  border-bottom: 3px solid transparent;
}

.under b {
  font-size: 18px;
}

.chosen .under {
  border-color: var(--bronze);
  background: var(--bronze-soft);
}

@media (max-width: 720px) {
  ol {
    overflow-x: auto;
    grid-template-columns: repeat(5, 92px);
  }
}
</style>
