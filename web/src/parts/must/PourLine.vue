<script setup lang="ts">
import { waterShare } from '@hollow-bell/core/ingredients';
import type { Stage } from '@hollow-bell/core/ingredients';
import type { FruitForm, PlannedIngredient } from '@hollow-bell/core/must';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { honeyName } from '@hollow-bell/core/ingredients';
import CompositionFields from './CompositionFields.vue';
import LockButton from './LockButton.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';

const props = defineProps<{ line: PlannedIngredient; leftG: number | null; last: boolean }>();
const emit = defineEmits<{ change: [over: Partial<PlannedIngredient>]; perLiter: []; remove: [] }>();

const { show, sold } = useReader();
const open = ref(false);
const STAGES: { value: Stage; label: string }[] = [
  { value: 'before', label: 'before the yeast' },
  { value: 'during', label: 'while it ferments' },
  { value: 'after', label: 'once it is stable' },
];
const FORMS: { value: FruitForm; label: string }[] = [
  { value: 'fresh', label: 'fresh' },
  { value: 'frozen', label: 'frozen' },
  { value: 'purée', label: 'purée' },
];
const LABELS = [
  { value: 'unread', label: 'not read yet' },
  { value: 'clean', label: 'nothing added' },
  { value: 'preserved', label: 'preserved' },
];
const isHoney = computed(() => props.line.family === 'honey');
const isSmall = computed(() => ['spice', 'tea', 'tannin', 'zest', 'acid'].includes(props.line.family));
const hasLabel = computed(() => ['juice', 'dried', 'syrup'].includes(props.line.family));
const sugarPct = computed(() => 100 * props.line.composition.sugar);
const label = computed(() => (props.line.preserved === undefined ? 'unread' : props.line.preserved ? 'preserved' : 'clean'));
const about = computed(() => {
  const { line } = props;
  const make = isHoney.value ? `${show('percent', 100 * waterShare(line.composition))} water` : `${show('percent', sugarPct.value)} sugar`;
  const when = line.stage === 'before' ? '' : (STAGES.find(({ value }) => value === line.stage)?.label ?? '');
  const rate = line.lock === 'perLiter' ? `${show('gPerL', line.gPerL ?? 0)} of must` : '';
  const bag = line.bagDays === undefined ? '' : `bag, ${line.bagDays} d`;
  const lack = props.leftG !== null && props.leftG < line.massG - 0.5 ? `shelf has ${show('massG', Math.max(0, props.leftG))}` : '';
  return [line.form ?? '', make, rate, bag, when, lack].filter(Boolean).join(', ');
});

function rename(event: Event): void {
  emit('change', { name: (event.target as HTMLInputElement).value.trim() || props.line.name });
}

const toggleLock = (): void => emit('change', { lock: props.line.lock === 'free' ? 'mass' : 'free' });
</script>

<template>
  <li class="pour" :data-line="line.id">
    <div class="row">
      <i class="swatch" :style="{ background: liquidColor([line.name]) }" aria-hidden="true" />
      <button type="button" class="what" :aria-expanded="open" @click="open = !open">
        <b>{{ isHoney ? honeyName(line.name) : line.name }}</b><span class="small quiet" :class="{ lack: about.includes('shelf has') }">{{
          about
        }}</span>
      </button>
      <QuantityField
        :model-value="line.massG"
        :kind="isSmall ? 'smallMass' : 'mass'"
        :label="`${line.name}, mass`"
        hide-label
        @update:model-value="$event !== null && emit('change', { massG: $event })"
      />
      <LockButton
        :locked="line.lock !== 'free'"
        :label="line.lock === 'free' ? `Lock ${line.name} at this amount` : `Let ${line.name} move`"
        @press="toggleLock"
      />
    </div>
    <div v-if="open" class="more">
      <label class="whole"
        ><span class="small quiet">called</span><input class="line-input" :value="line.name" maxlength="60" @change="rename"
      /></label>
      <PickList :model-value="line.stage" label="goes in" :options="STAGES" @update:model-value="emit('change', { stage: $event })" />
      <CompositionFields
        :model-value="line.composition"
        :family="line.family"
        @update:model-value="emit('change', { composition: $event })"
      />
      <PickList
        v-if="line.family === 'fruit'"
        :model-value="line.form ?? 'fresh'"
        label="form"
        :options="FORMS"
        @update:model-value="emit('change', { form: $event })"
      />
      <PickList
        v-if="hasLabel"
        :model-value="label"
        label="its label"
        :options="LABELS"
        @update:model-value="emit('change', { preserved: $event === 'unread' ? undefined : $event === 'preserved' })"
      />
      <QuantityField
        v-if="!isHoney && line.stage !== 'after'"
        :model-value="line.bagDays ?? null"
        kind="count"
        label="bag out after, days"
        @update:model-value="emit('change', { bagDays: $event === null || $event < 1 ? undefined : Math.round($event) })"
      />
      <QuantityField
        :model-value="line.pricePerKg === undefined ? null : line.pricePerKg * sold.kg"
        kind="money"
        :label="`price of a ${sold.name}`"
        @update:model-value="emit('change', { pricePerKg: $event === null ? undefined : $event / sold.kg })"
      />
      <p class="whole deeds-row">
        <button v-if="line.lock !== 'perLiter'" type="button" class="link" @click="emit('perLiter')">Hold per liter of must</button>
        <button v-if="!last" type="button" class="link" @click="emit('remove')">Leave it out</button>
      </p>
    </div>
  </li>
</template>

<style scoped>
.pour {
  border-bottom: 1px solid var(--rule);
}

.row {
  display: grid;
  grid-template-columns: 15px minmax(0, 1fr) 104px 30px;
  align-items: center;
  gap: 0 9px;
  min-height: 50px;
}

.swatch {
  width: 14px;
  height: 30px;
  border: 1px solid var(--soot-3);
}

.what {
  display: grid;
  padding: 4px 0;
  border: 0;
  background: none;
  color: inherit;
  font-size: 15px;
  line-height: 1.25;
  text-align: left;
  cursor: pointer;
}

.lack {
  color: var(--wax);
}

.more {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 6px 16px;
  padding: 2px 0 10px 24px;
}

.whole {
  grid-column: 1 / -1;
}

.deeds-row {
  display: flex;
  justify-content: space-between;
}

@media (max-width: 720px) {
  .row {
    grid-template-columns: 15px minmax(0, 1fr) 104px 44px;
  }
}

@media (max-width: 260px) {
  .row {
    grid-template-columns: 8px minmax(0, 1fr) 74px 32px;
    gap: 0 4px;
  }
}
</style>
