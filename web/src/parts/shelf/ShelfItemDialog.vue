<script setup lang="ts">
import type { Shelved, ShelfKind } from '@hollow-bell/contract';
import { INGREDIENTS } from '@hollow-bell/core/ingredients';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { isCounted, useShelfDraft } from '../../composables/useShelfDraft.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import MakerDialog from '../fields/MakerDialog.vue';
import BottleDetail from './details/BottleDetail.vue';
import ClosureDetail from './details/ClosureDetail.vue';
import ChemicalDetail from './details/ChemicalDetail.vue';
import IngredientDetail from './details/IngredientDetail.vue';
import InstrumentDetail from './details/InstrumentDetail.vue';
import NutrientDetail from './details/NutrientDetail.vue';
import VesselDetail from './details/VesselDetail.vue';
import YeastDetail from './details/YeastDetail.vue';

const props = defineProps<{ from: Shelved | ShelfKind }>();
const emit = defineEmits<{ close: [] }>();

const shelf = useShelf();
const { show, sold } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { item, isNew, takenG, leftG, version, beLike, checked } = useShelfDraft(props.from);
const detail = computed(() => item.value.detail);
const LIKE = INGREDIENTS.map(({ id, name }) => ({ value: id, label: name }));
const unitPrice = computed(() =>
  isCounted(detail.value.kind)
    ? null
    : detail.value.kind === 'ingredient'
      ? { label: `price of a ${sold.value.name}`, kg: sold.value.kg }
      : { label: 'price of a gram', kg: 0.001 },
);

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
      <IngredientDetail v-if="detail.kind === 'ingredient'" :model-value="detail" @update:model-value="item.detail = $event" />
      <YeastDetail v-else-if="detail.kind === 'yeast'" :model-value="detail" @update:model-value="item.detail = $event" />
      <NutrientDetail v-else-if="detail.kind === 'nutrient'" :model-value="detail" @update:model-value="item.detail = $event" />
      <ChemicalDetail v-else-if="detail.kind === 'chemical'" :model-value="detail" @update:model-value="item.detail = $event" />
      <VesselDetail v-else-if="detail.kind === 'vessel'" :model-value="detail" @update:model-value="item.detail = $event" />
      <InstrumentDetail v-else-if="detail.kind === 'instrument'" :model-value="detail" @update:model-value="item.detail = $event" />
      <BottleDetail v-else-if="detail.kind === 'bottle'" :model-value="detail" @update:model-value="item.detail = $event" />
      <ClosureDetail v-else-if="detail.kind === 'closure'" :model-value="detail" @update:model-value="item.detail = $event" />
      <label v-if="!isCounted(detail.kind)"
        ><span class="small quiet">use by</span
        ><input class="line-input" type="date" :value="item.expiresOn ?? ''" @change="item.expiresOn = setDate($event)"
      /></label>
      <label class="whole"><span class="small quiet">note</span><input v-model="item.note" class="line-input" maxlength="300" /></label>
      <p v-if="takenG > 0" class="small quiet whole">
        Batches have taken {{ isCounted(detail.kind) ? takenG : show('massG', takenG) }} of it.
      </p>
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
