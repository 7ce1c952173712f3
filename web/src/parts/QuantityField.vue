<script setup lang="ts">
import {
  GravityRefusal,
  Refusal,
  SHOWN_UNITS,
  UNIT_SYMBOL,
  celsiusToF,
  massFromG,
  readMassG,
  readNumber,
  readSampleTempC,
  readSg,
  readVolumeL,
  requireWithin,
  volumeFromL,
} from '@hollow-bell/core/quantities';
import { computed, ref, useId, watch } from 'vue';
import { usePractice } from '../stores/practice.ts';

export type FieldKind =
  | 'mass'
  | 'smallMass'
  | 'volume'
  | 'temp'
  | 'sg'
  | 'ph'
  | 'abv'
  | 'gPerL'
  | 'gramsPerL'
  | 'percent'
  | 'count'
  | 'money'
  | 'brix'
  | 'buffer'
  | 'mgPerL'
  | 'mm'
  | 'gPerKg'
  | 'resolution';

const props = defineProps<{ modelValue: number | null; kind: FieldKind; label: string; hideLabel?: boolean; disabled?: boolean }>();
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>();

const PLAIN: Partial<Record<FieldKind, [low: number, high: number, digits: number, unit: string]>> = {
  ph: [2.5, 5, 2, ''],
  abv: [0, 25, 1, '% vol'],
  gPerL: [0, 500, 0, 'g/L'],
  gramsPerL: [0, 20, 2, 'g/L'],
  percent: [0, 100, 1, '%'],
  count: [0, 5000, 0, ''],
  money: [0, 100_000, 2, ''],
  brix: [0, 75, 1, '°Bx'],
  buffer: [0, 14, 2, ''],
  mgPerL: [0, 300, 0, 'mg/L'],
  mm: [0, 500, 0, 'mm'],
  gPerKg: [0, 1200, 0, 'g/kg'],
  resolution: [0, 100, 3, ''],
};

const house = usePractice();
const id = useId();
const units = computed(() => house.practice.units);
const shownUnits = computed(() => SHOWN_UNITS[units.value]);
const refusal = ref('');
const offered = ref<number | undefined>();
const typed = ref('');
const editing = ref(false);

const unit = computed(() => {
  if (props.kind === 'mass') return UNIT_SYMBOL[shownUnits.value.mass];
  if (props.kind === 'smallMass') return 'g';
  if (props.kind === 'volume') return UNIT_SYMBOL[shownUnits.value.volume];
  if (props.kind === 'temp') return UNIT_SYMBOL[shownUnits.value.temp];
  if (props.kind === 'money') return house.practice.currency;
  return PLAIN[props.kind]?.[3] ?? '';
});

function written(value: number | null): string {
  if (value === null) return '';
  const { mass, volume, temp } = shownUnits.value;
  const decimals = (n: number, digits: number): string =>
    n.toLocaleString(undefined, { minimumFractionDigits: digits, maximumFractionDigits: digits, useGrouping: false });
  if (props.kind === 'mass') return decimals(massFromG(value, mass), 2);
  if (props.kind === 'smallMass') return decimals(value, value < 10 ? 2 : 1);
  if (props.kind === 'volume') return decimals(volumeFromL(value, volume), 2);
  if (props.kind === 'temp') return decimals(temp === 'f' ? celsiusToF(value) : value, 1);
  if (props.kind === 'sg') return decimals(value, 3);
  return decimals(value, PLAIN[props.kind]?.[2] ?? 0);
}

function read(text: string): number {
  const { mass, volume, temp } = shownUnits.value;
  if (props.kind === 'mass') return readMassG(text, mass, units.value);
  if (props.kind === 'smallMass') return readMassG(text, 'g', units.value);
  if (props.kind === 'volume') return readVolumeL(text, volume, units.value);
  if (props.kind === 'temp') return readSampleTempC(text, temp, units.value);
  if (props.kind === 'sg') return readSg(text);
  const [low, high] = PLAIN[props.kind] ?? [0, 1e6];
  return requireWithin(props.label, readNumber(text).value, low, high, unit.value);
}

watch(
  [() => props.modelValue, units],
  ([value]) => {
    if (!editing.value) typed.value = written(value);
  },
  { immediate: true },
);

function take(text: string): void {
  typed.value = text;
  refusal.value = '';
  offered.value = undefined;
  if (text.trim() === '') {
    emit('update:modelValue', null);
    return;
  }
  try {
    emit('update:modelValue', read(text));
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    refusal.value = error.message;
    if (error instanceof GravityRefusal) offered.value = error.offered;
  }
}

function leave(): void {
  editing.value = false;
  if (refusal.value === '') typed.value = written(props.modelValue);
}

function accept(value: number): void {
  take(written(value));
}
</script>

<template>
  <div class="field" :class="{ 'is-refused': refusal !== '' }">
    <label :for="id" :class="{ 'visually-hidden': hideLabel }">{{ label }}</label>
    <el-input
      :id="id"
      :model-value="typed"
      :disabled="disabled === true"
      inputmode="decimal"
      autocomplete="off"
      :aria-invalid="refusal !== ''"
      :aria-describedby="refusal === '' ? undefined : `${id}-refusal`"
      @update:model-value="take(String($event))"
      @focus="editing = true"
      @blur="leave"
    >
      <template v-if="unit !== ''" #suffix
        ><span class="unit">{{ unit }}</span></template
      >
    </el-input>
    <p v-if="refusal !== ''" :id="`${id}-refusal`" class="refusal" role="alert">
      {{ refusal }}
      <button v-if="offered !== undefined" type="button" class="link" @click="accept(offered)">Take {{ offered.toFixed(3) }}</button>
    </p>
  </div>
</template>

<style scoped>
.field {
  display: grid;
  gap: 2px;
  min-width: 0;
}

label {
  font-size: 13px;
  line-height: 1.45;
  color: var(--soot-2);
}

.unit {
  color: var(--soot-2);
}
</style>
