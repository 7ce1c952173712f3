<script setup lang="ts">
import { labelFacts } from '@hollow-bell/core/bottle';
import { eventSentence } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useBottlingHere } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';

/** What is over, and the one deed: worded as what will be written. */
const props = defineProps<{ isBlocked: boolean }>();
const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { isSparkling, where, otherCost, partEnd, prime, crate, refused, awaits, events } = useBottlingHere();
const ends = computed(() => [
  { value: 'drunk' as const, label: 'drunk today' },
  { value: 'small' as const, label: 'into a small one, not kept' },
  { value: 'topped' as const, label: 'topped up with another' },
  ...(isSparkling.value && where.value === 'bulk' ? [] : [{ value: 'stays' as const, label: 'stays in its vessel' }]),
]);
const total = computed(() => crate.value?.bottles ?? 0);
const deed = computed(() =>
  prime.value === null || prime.value.sugarG.value <= 0
    ? `Bottled ${total.value}`
    : `Bottled ${total.value}, primed with ${show('massG', prime.value.sugarG.value)}`,
);
const facts = computed(() =>
  store.figures === null || store.batch === null
    ? null
    : labelFacts({
        mead: store.ledger,
        bottled: store.ledger,
        planned: store.batch.plan.must.ingredients,
        abv: store.figures.abv,
        region: store.batch.plan.practice.region,
        atMs: store.now,
      }),
);

const { at, when } = useWhen();
function record(): Promise<boolean> {
  const all = events.value;
  const [first] = all;
  return attempt(() => (first === undefined ? false : store.write(all, tell(eventSentence(first)), when.value)));
}
</script>

<template>
  <div class="close">
    <div class="deed">
      <PickList v-if="(crate?.overMl ?? 0) >= 20" v-model="partEnd" label="what stays over is" :options="ends" />
      <QuantityField v-model="otherCost" kind="money" label="labels, gas and the rest cost" />
      <WhenField v-model="at" />
      <div class="deeds">
        <el-button
          type="primary"
          :loading="busy"
          :disabled="blocked || props.isBlocked || total === 0 || awaits || refused !== null || (crate?.shortL ?? 0) > 0"
          @click="record"
          >{{ deed }}</el-button
        >
      </div>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="awaits" class="small quiet">Measure what is in the vessel after the racking: sugar for gas is weighed for that.</p>
    </div>
    <p v-if="facts !== null && store.batch !== null" class="label-line">
      <b>{{ store.batch.name }}</b>, {{ facts.style }}, {{ show('abv', facts.abv.shown)
      }}<span v-if="facts.allergens.length > 0">, contains {{ facts.allergens.join(', ') }}</span
      >.
      <RouterLink :to="{ name: 'label', params: { id: store.batch.id } }">Labels</RouterLink>
    </p>
  </div>
</template>

<style scoped>
.close {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 12px 30px;
  align-items: end;
}

.deed {
  display: grid;
  gap: 8px;
  max-width: 420px;
}

@media (max-width: 720px) {
  .close {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
