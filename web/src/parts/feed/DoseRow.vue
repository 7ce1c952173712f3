<script setup lang="ts">
import { weighedG } from '@hollow-bell/core/quantities';
import { LEAST_DOSE_G, gPerTeaspoonOf, productName, teaspoonsOf } from '@hollow-bell/core/nitrogen';
import { isComing, weighedParts } from '@hollow-bell/core/feed';
import type { DoseNow, PartNow } from '@hollow-bell/core/feed';
import type { Bell } from '@hollow-bell/core/rounds';
import { computed, ref } from 'vue';
import BellMark from '../rounds/BellMark.vue';
import DegasFirst from './DegasFirst.vue';
import QuantityField from '../fields/QuantityField.vue';
import { useFormGuard } from '../../composables/useFormGuard.ts';
import { useReader } from '../../composables/useReader.ts';

const props = defineProps<{ dose: DoseNow; pitchedAt: number; busy: boolean; isPreview?: boolean }>();
const emit = defineEmits<{ give: [parts: PartNow[]] }>();

const { show } = useReader();
const BELL: Record<DoseNow['state'], Bell> = {
  given: 'still',
  due: 'swinging',
  ahead: 'muffled',
  dropped: 'muffled',
  missed: 'muffled',
  'too late': 'muffled',
};
const WHY: Partial<Record<DoseNow['state'], string>> = {
  dropped: ': dropped, the sugar went faster than the clock',
  missed: ': missed',
  'too late': ': too late to be of use',
};
const { standing } = useFormGuard();
const otherwise = ref(false);
const amounts = ref<(number | null)[]>([]);
/** Yeast counts real hours; where the clocks change in between, the hour of the day is another. */
const clocksChange = computed(() => {
  const offset = (at: number): number => new Date(at).getTimezoneOffset();
  const shift = offset(props.pitchedAt) - offset(props.dose.expectedAt);
  return props.dose.state === 'given' || shift === 0
    ? ''
    : `the clocks go ${shift > 0 ? 'forward' : 'back'} in between, the hours are real ones`;
});
const isBySugar = computed(() => props.dose.dose.share !== null && props.dose.state === 'ahead');
const isOpen = computed(() => isComing(props.dose));
const parts = computed(() => weighedParts(props.dose));
const leftOutG = computed(() => props.dose.parts.reduce((sum, part) => sum + part.leftOutG, 0));
const totalG = computed(() => parts.value.reduce((sum, { massG }) => sum + massG, 0));
function begin(): void {
  amounts.value = props.dose.parts.map(({ massG }) => weighedG(massG, props.dose.scaleG));
  otherwise.value = true;
}

function give(grams: readonly (number | null)[]): void {
  emit(
    'give',
    props.dose.parts.map((part, i) => ({ ...part, massG: grams[i] ?? 0 })),
  );
  otherwise.value = false;
}
</script>

<template>
  <li class="dose" :data-dose="dose.dose.number" :data-state="dose.state">
    <BellMark :bell="BELL[dose.state]" />
    <span class="quiet"
      >{{ dose.state === 'given' ? 'given' : isBySugar ? 'about' : '' }} {{ show('when', dose.expectedAt) }}
      <small v-if="isBySugar && dose.dueAt - dose.expectedAt > 36e5"
        >by the sugar, {{ show('when', dose.dueAt) }} at the latest</small
      ></span
    >
    <span class="what">
      <b>Dose {{ dose.dose.number }}</b>
      <template v-if="dose.state !== 'dropped' && dose.state !== 'missed'">
        <template v-for="(part, i) in parts" :key="i"
          >{{ i === 0 ? ': ' : ' and ' }}<b>{{ show('massG', part.massG) }}</b> {{ productName(part.product) }}
          <span v-if="isOpen" class="small quiet">(about {{ show('teaspoons', teaspoonsOf(part.product, part.massG)) }})</span></template
        >
      </template>
      <small v-if="clocksChange !== ''" class="quiet">, {{ clocksChange }}</small>
      <span v-if="WHY[dose.state] !== undefined" class="quiet">{{ WHY[dose.state] }}</span>
      <span v-else-if="isOpen && parts.length === 0 && leftOutG < LEAST_DOSE_G" class="quiet">: nothing, what it needs is in</span>
      <span v-else-if="isOpen && leftOutG >= LEAST_DOSE_G" class="quiet"
        >; {{ show('massG', leftOutG) }} ammonium left out: late, or over its cap</span
      >
    </span>
    <span v-if="isOpen && isPreview !== true" class="deeds">
      <el-button
        v-if="totalG >= LEAST_DOSE_G"
        :type="dose.state === 'due' ? 'primary' : 'default'"
        :loading="busy"
        @click="give(dose.parts.map(({ massG }) => weighedG(massG, dose.scaleG)))"
        >Fed {{ show('massG', totalG) }}</el-button
      >
      <el-button @click="begin">Another amount</el-button>
    </span>
    <DegasFirst v-if="dose.state === 'due' && totalG >= LEAST_DOSE_G" />
    <form v-if="otherwise" class="other" @submit.prevent="give(amounts)">
      <QuantityField
        v-for="(part, i) in dose.parts"
        :key="i"
        :model-value="amounts[i] ?? null"
        kind="smallMass"
        :label="productName(part.product)"
        :g-per-tsp="gPerTeaspoonOf(part.product)"
        @update:model-value="amounts[i] = $event"
      />
      <el-button type="primary" native-type="submit" :disabled="standing !== '' || amounts.every((grams) => (grams ?? 0) <= 0)"
        >Given so</el-button
      >
      <el-button @click="otherwise = false">Not now</el-button>
    </form>
  </li>
</template>

<style scoped>
.dose {
  display: grid;
  grid-template-columns: 34px 124px 1fr auto;
  align-items: center;
  gap: 8px;
  min-height: 56px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}

.other {
  grid-column: 1 / -1;
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
}

@media (max-width: 720px) {
  .dose {
    grid-template-columns: 34px 1fr;
  }

  .what,
  .deeds {
    grid-column: 1 / -1;
  }
}
</style>
