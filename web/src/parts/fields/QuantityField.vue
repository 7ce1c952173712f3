<script setup lang="ts">
import { FIELD_KINDS, SHOWN_UNITS, TypedRefusal, UNIT_SYMBOL, readField } from '@hollow-bell/core/quantities';
import type { FieldKind, Limits, Offer, UnitSystem } from '@hollow-bell/core/quantities';
import { fieldText } from '@hollow-bell/tell';
import { computed, ref, useId, watch } from 'vue';
import { useGuardedField } from '../../composables/useFormGuard.ts';
import { useReader } from '../../composables/useReader.ts';
import { usePractice } from '../../stores/practice.ts';

const props = defineProps<{
  modelValue: number | null;
  kind: FieldKind;
  label: string;
  hideLabel?: boolean;
  disabled?: boolean;
  /** It must hold something before its form may be written. */
  needed?: boolean;
  limits?: Limits;
  /** Of a powder, g in a leveled teaspoon; null where nobody knows. */
  gPerTsp?: number | null;
  /** Where the house's units are only being chosen. */
  units?: UnitSystem;
}>();
const emit = defineEmits<{ 'update:modelValue': [value: number | null] }>();

const house = usePractice();
const { tell, typedBy } = useReader();
const id = useId();
const units = computed(() => props.units ?? house.practice.units);
const shownUnits = computed(() => SHOWN_UNITS[units.value]);
const typed = ref('');
const editing = ref(false);
/** Shown once the maker has left the field, or pressed Enter in it: a slip is no slip while it is being typed. */
const isJudged = ref(false);
const refused = ref<TypedRefusal | null>(null);
const refusal = computed(() => (isJudged.value && refused.value !== null ? tell(refused.value.said) : ''));
/** Something was typed since the field was entered. */
let isTyped = false;
/** What was read of the text, until the form has it. */
let read: number | null = props.modelValue;

const unit = computed(() => {
  if (props.kind === 'mass') return UNIT_SYMBOL[shownUnits.value.mass];
  if (props.kind === 'volume') return UNIT_SYMBOL[shownUnits.value.volume];
  if (props.kind === 'temp') return UNIT_SYMBOL[shownUnits.value.temp];
  return props.kind === 'money' ? house.practice.currency : FIELD_KINDS[props.kind].unit;
});

const written = (value: number | null): string =>
  value === null ? '' : fieldText(props.kind, value, { units: units.value, locale: typedBy.value.locale });

/** What stands there that the form did not take: it is kept, not put back. */
const isTaken = (): boolean =>
  read === props.modelValue || (read !== null && props.modelValue !== null && written(read) === written(props.modelValue));

watch(
  [() => props.modelValue, units],
  ([value]) => {
    if (editing.value || (value === null && refused.value !== null)) return;
    typed.value = written(value);
    read = value;
    refused.value = null;
  },
  { immediate: true },
);

function take(text: string): void {
  isTyped = true;
  typed.value = text;
  refused.value = null;
  read = null;
  if (text.trim() !== '') {
    try {
      const { kind, label: named, limits, gPerTsp } = props;
      read = readField(text, { kind, named, limits, gPerTsp, currency: house.practice.currency }, { ...typedBy.value, units: units.value });
    } catch (error) {
      if (!(error instanceof TypedRefusal)) throw error;
      refused.value = error;
    }
  }
  emit('update:modelValue', read);
}

function enter(): void {
  editing.value = true;
  isTyped = refused.value !== null;
}

function leave(): void {
  editing.value = false;
  isJudged.value = true;
  if (!isTyped || (refused.value === null && isTaken())) typed.value = written(props.modelValue);
}

function accept({ value }: Offer): void {
  refused.value = null;
  read = value;
  typed.value = written(value);
  emit('update:modelValue', value);
}

useGuardedField(
  id,
  computed(() => ({
    label: props.label,
    problem: refused.value !== null ? 'refused' : props.needed && typed.value.trim() === '' ? 'empty' : 'none',
    said: refused.value === null ? '' : tell(refused.value.said),
  })),
);
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
      @focus="enter"
      @blur="leave"
      @keydown.enter="isJudged = true"
    >
      <template v-if="unit !== ''" #suffix
        ><span class="unit">{{ unit }}</span></template
      >
    </el-input>
    <p v-if="refusal !== '' && refused !== null" :id="`${id}-refusal`" class="refusal" role="alert">
      {{ refusal }}
      <button v-for="offer in refused.offers" :key="offer.value" type="button" class="link" @click="accept(offer)">
        Take {{ tell(offer.said) }}
      </button>
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
