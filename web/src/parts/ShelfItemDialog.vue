<script setup lang="ts">
import type { Shelved, ShelfKind } from '@hollow-bell/contract';
import { INGREDIENTS } from '@hollow-bell/core/ingredients';
import { YEAST_TYPES } from '@hollow-bell/core/yeast';
import type { NitrogenDemand } from '@hollow-bell/core/yeast';
import { computed, ref } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { isCounted, useShelfDraft } from '../composables/useShelfDraft.ts';
import { useShelf } from '../stores/shelf.ts';
import CompositionFields from './CompositionFields.vue';
import PickList from './PickList.vue';
import QuantityField from './QuantityField.vue';
import MakerDialog from './MakerDialog.vue';

const props = defineProps<{ from: Shelved | ShelfKind }>();
const emit = defineEmits<{ close: [] }>();

const shelf = useShelf();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { item, isNew, takenG, leftG, version, beLike, checked } = useShelfDraft(props.from);
const detail = computed(() => item.value.detail);
const options = <V extends string>(values: readonly V[]) => values.map((value) => ({ value, label: value }));
const LIKE = INGREDIENTS.map(({ id, name }) => ({ value: id, label: name }));
const TYPES = YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name }));
const DEMANDS = [
  { value: 'type' as const, label: 'as its type' },
  ...options(['low', 'medium', 'high'] as const),
  { value: 'unknown' as const, label: 'nobody says' },
];
const SHAPES = options(['jug', 'carboy', 'bucket', 'keg'] as const);
const MATERIALS = options(['glass', 'plastic', 'steel', 'stoneware'] as const);
const READS = options(['gravity', 'brix', 'temperature', 'pH', 'mass', 'volume'] as const);
const unitPrice = computed(() =>
  isCounted(detail.value.kind)
    ? null
    : detail.value.kind === 'ingredient'
      ? { label: 'price of a kilogram', kg: 1 }
      : { label: 'price of a gram', kg: 0.001 },
);

function setTolerance(part: 'value' | 'low' | 'high', abv: number | null): void {
  if (detail.value.kind !== 'yeast' || abv === null) return;
  const type = YEAST_TYPES.find(({ id }) => detail.value.kind === 'yeast' && id === detail.value.typeId);
  const before = detail.value.own.toleranceAbv ?? type?.toleranceAbv ?? { value: 14, low: 13, high: 15 };
  const next = { ...before, [part]: abv };
  detail.value.own = {
    ...detail.value.own,
    toleranceAbv: { value: next.value, low: Math.min(next.low, next.value), high: Math.max(next.high, next.value) },
  };
}

function setDemand(demand: NitrogenDemand | 'type'): void {
  if (detail.value.kind !== 'yeast') return;
  detail.value.own = { ...detail.value.own, demand: demand === 'type' ? undefined : demand };
}

/** What the meter showed in its two buffers; kept once both are known. */
const BUFFERS = { low: 4, high: 7 } as const;
const seen = ref<Record<'low' | 'high', number | null>>({ low: null, high: null });
const shownIn = (which: 'low' | 'high'): number | null =>
  seen.value[which] ?? (detail.value.kind === 'instrument' ? (detail.value.buffers?.[which].read ?? null) : null);
function setBuffer(which: 'low' | 'high', read: number | null): void {
  seen.value[which] = read;
  const [low, high] = [shownIn('low'), shownIn('high')];
  if (detail.value.kind !== 'instrument' || low === null || high === null) return;
  detail.value.buffers = { low: { buffer: BUFFERS.low, read: low }, high: { buffer: BUFFERS.high, read: high } };
}

async function save(): Promise<void> {
  if (await attempt(() => shelf.put(checked(), version))) emit('close');
}
async function throwOut(): Promise<void> {
  if (await attempt(() => shelf.remove(item.value.id))) emit('close');
}
async function putAway(): Promise<void> {
  item.value.putAway = !item.value.putAway;
  await save();
}
const setDate = (event: Event): string | null => (event.target as HTMLInputElement).value || null;
</script>

<template>
  <MakerDialog :title="isNew ? `New ${detail.kind}` : item.name" width="min(560px, 94vw)" @close="emit('close')">
    <form class="grid" @submit.prevent="save">
      <PickList
        v-if="isNew && detail.kind === 'ingredient'"
        :model-value="''"
        label="begin with the figures of"
        class="whole"
        :options="LIKE"
        @update:model-value="beLike"
      />
      <label class="whole"><span class="small quiet">name</span><input v-model="item.name" class="line-input" maxlength="80" /></label>
      <QuantityField
        :model-value="leftG"
        :kind="isCounted(detail.kind) ? 'count' : detail.kind === 'ingredient' ? 'mass' : 'smallMass'"
        :label="isCounted(detail.kind) ? 'how many' : 'left'"
        @update:model-value="$event !== null && (leftG = $event)"
      />
      <QuantityField
        v-if="unitPrice !== null"
        :model-value="item.pricePerKg === null ? null : item.pricePerKg * unitPrice.kg"
        kind="money"
        :label="unitPrice.label"
        @update:model-value="item.pricePerKg = $event === null || unitPrice === null ? null : $event / unitPrice.kg"
      />
      <template v-if="detail.kind === 'ingredient'">
        <CompositionFields v-model="detail.composition" :family="detail.family" />
        <template v-if="detail.family !== 'honey'">
          <QuantityField
            :model-value="detail.composition.aminoNMgPerKg"
            kind="count"
            label="amino nitrogen, mg/kg"
            @update:model-value="$event !== null && (detail.composition = { ...detail.composition, aminoNMgPerKg: $event })"
          />
          <QuantityField
            :model-value="100 * detail.sugarSpread"
            kind="percent"
            label="sugar may differ by"
            @update:model-value="$event !== null && (detail.sugarSpread = $event / 100)"
          />
        </template>
      </template>
      <template v-else-if="detail.kind === 'yeast'">
        <PickList v-model="detail.typeId" label="type" :options="TYPES" />
        <QuantityField
          :model-value="detail.own.toleranceAbv?.value ?? null"
          kind="abv"
          label="packet says, alcohol"
          @update:model-value="setTolerance('value', $event)"
        />
        <QuantityField
          :model-value="detail.own.toleranceAbv?.low ?? null"
          kind="abv"
          label="at least"
          @update:model-value="setTolerance('low', $event)"
        />
        <QuantityField
          :model-value="detail.own.toleranceAbv?.high ?? null"
          kind="abv"
          label="at most"
          @update:model-value="setTolerance('high', $event)"
        />
        <PickList :model-value="detail.own.demand ?? 'type'" label="wants nitrogen" :options="DEMANDS" @update:model-value="setDemand" />
      </template>
      <template v-else-if="detail.kind === 'nutrient'">
        <QuantityField
          :model-value="100 * detail.ammoniumN"
          kind="percent"
          label="nitrogen as ammonium"
          @update:model-value="$event !== null && (detail.ammoniumN = $event / 100)"
        />
        <QuantityField
          :model-value="100 * detail.aminoN"
          kind="percent"
          label="nitrogen as amino acids"
          @update:model-value="$event !== null && (detail.aminoN = $event / 100)"
        />
        <QuantityField v-model="detail.gPerTeaspoon" kind="smallMass" label="a level teaspoon holds" />
        <QuantityField
          :model-value="detail.capGPerL ?? null"
          kind="gramsPerL"
          label="packet allows at most"
          @update:model-value="detail.capGPerL = $event ?? undefined"
        />
      </template>
      <label v-else-if="detail.kind === 'chemical'"
        ><span class="small quiet">used for</span><input v-model="detail.use" class="line-input" maxlength="120"
      /></label>
      <template v-else-if="detail.kind === 'vessel'">
        <PickList v-model="detail.shape" label="shape" :options="SHAPES" />
        <QuantityField v-model="detail.capacityL" kind="volume" label="to the brim" />
        <PickList v-model="detail.material" label="of" :options="MATERIALS" />
        <QuantityField v-model="detail.neckMm" kind="count" label="neck, mm" />
      </template>
      <template v-else-if="detail.kind === 'instrument'">
        <PickList v-model="detail.reads" label="reads" :options="READS" />
        <QuantityField v-model="detail.calibrationC" kind="temp" label="marked for" />
        <QuantityField
          :model-value="detail.resolution"
          kind="resolution"
          label="reads to"
          @update:model-value="$event !== null && (detail.resolution = $event)"
        />
        <label
          ><span class="small quiet">last calibrated</span
          ><input class="line-input" type="date" :value="detail.calibratedOn ?? ''" @change="detail.calibratedOn = setDate($event)"
        /></label>
        <template v-if="detail.reads === 'pH'">
          <QuantityField
            :model-value="shownIn('low')"
            kind="buffer"
            label="in buffer 4.00 it showed"
            @update:model-value="setBuffer('low', $event)"
          />
          <QuantityField
            :model-value="shownIn('high')"
            kind="buffer"
            label="in buffer 7.00 it showed"
            @update:model-value="setBuffer('high', $event)"
          />
        </template>
      </template>
      <label v-if="!isCounted(detail.kind)"
        ><span class="small quiet">use by</span
        ><input class="line-input" type="date" :value="item.expiresOn ?? ''" @change="item.expiresOn = setDate($event)"
      /></label>
      <label class="whole"><span class="small quiet">note</span><input v-model="item.note" class="line-input" maxlength="300" /></label>
      <p v-if="takenG > 0" class="small quiet whole">Batches have taken {{ show('massG', takenG) }} of it.</p>
      <p v-if="refusal !== ''" class="refusal whole" role="alert">{{ refusal }}</p>
      <div class="deeds whole">
        <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked">{{
          isNew ? 'Put it on the shelf' : 'Keep'
        }}</el-button>
        <el-button v-if="!isNew" @click="putAway">{{ item.putAway ? 'Back on the shelf' : 'Put away' }}</el-button>
        <el-button v-if="!isNew" @click="throwOut">Throw out</el-button>
      </div>
    </form>
  </MakerDialog>
</template>

<style scoped>
.grid {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 10px 22px;
}

.whole {
  grid-column: 1 / -1;
}

label {
  display: grid;
  gap: 2px;
}
</style>
