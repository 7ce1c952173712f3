<script setup lang="ts">
import type { EventContent } from '@hollow-bell/core/ledger';
import { predictMust } from '@hollow-bell/core/must';
import { YEAST_TYPES, yeastToPitchG, yeastType } from '@hollow-bell/core/yeast';
import { computed, ref } from 'vue';
import BatchLog from '../parts/BatchLog.vue';
import BenchHead from '../parts/BenchHead.vue';
import PickList from '../parts/PickList.vue';
import QuantityField from '../parts/QuantityField.vue';
import ReadingForm from '../parts/ReadingForm.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { show, range } = useReader();
const { refusal, busy, attempt } = useAttempt();
const must = computed(() => store.batch?.plan.must ?? null);
const poured = ref<{ honeysG: (number | null)[]; waterL: number | null }>({
  honeysG: must.value?.honeys.map((honey) => honey.massG) ?? [],
  waterL: must.value?.waterL ?? 0,
});
const YEASTS = YEAST_TYPES.map(({ id, name }) => ({ value: id, label: name }));
const yeastId = ref(must.value?.yeastId ?? 'allround');
const predicted = computed(() => (must.value === null ? null : predictMust(must.value)));
const suggestedG = computed(() => (store.view === null ? 0 : yeastToPitchG(store.view.volumeL, store.view.sg)));
const yeastG = ref<number | null>(null);
const totalHoneyG = computed(() => poured.value.honeysG.reduce<number>((sum, massG) => sum + (massG ?? 0), 0));
const isPoured = computed(() => store.ledger.pouredG > 0);
const lastReading = computed(() => store.ledger.readings.at(-1) ?? null);

function pour(): Promise<boolean> {
  const plan = must.value;
  if (plan === null) return Promise.resolve(false);
  const honeys = plan.honeys.map((honey, i): EventContent => ({
    kind: 'honey',
    payload: { ...honey, massG: poured.value.honeysG[i] ?? 0 },
  }));
  const waterL = poured.value.waterL ?? 0;
  return attempt(() =>
    store.write(
      [...honeys, { kind: 'water', payload: { volumeL: waterL } }],
      `poured ${show('massG', totalHoneyG.value)} honey and ${show('volumeL', waterL)} water`,
    ),
  );
}

function pitch(): Promise<boolean> {
  const yeast = yeastType(yeastId.value);
  const massG = Math.round((yeastG.value ?? suggestedG.value) * 10) / 10;
  return attempt(() =>
    store.write(
      [{ kind: 'yeast', payload: { yeastId: yeast.id, name: yeast.name, massG } }],
      `pitched ${show('massG', massG)} ${yeast.name}`,
    ),
  );
}
</script>

<template>
  <section v-if="store.batch !== null && must !== null">
    <BenchHead />
    <div class="columns">
      <div class="stack">
        <template v-if="!isPoured">
          <h2>Mix</h2>
          <p class="quiet">
            Rinse the jars with some of the measured water. It dissolves more easily in water up to 45 °C; nothing needs to boil.
          </p>
          <div class="rows">
            <QuantityField
              v-for="(honey, i) in must.honeys"
              :key="i"
              v-model="poured.honeysG[i]!"
              kind="mass"
              :label="`${honey.name} honey`"
            />
            <QuantityField v-model="poured.waterL" kind="volume" label="water" />
          </div>
          <div class="deeds">
            <el-button type="primary" :loading="busy" @click="pour"
              >Poured {{ show('massG', totalHoneyG) }} and {{ show('volumeL', poured.waterL ?? 0) }}</el-button
            >
          </div>
        </template>
        <template v-else-if="store.ledger.pitch === null">
          <h2>Measure, stirred well</h2>
          <p v-if="predicted !== null" class="quiet">
            The recipe allows <b>{{ range('sg', predicted.og) }}</b>. A hydrometer reading settles it.
          </p>
          <p v-if="lastReading?.verdict === 'unexplained'" class="refusal" role="status">
            {{ show('sg', lastReading.sg) }} is not what this honey and water can make, about {{ show('sg', lastReading.expectedSg) }}.
            Honey may lie on the bottom: stir hard and read again, or correct what was poured. The ledger stays with the recipe.
          </p>
          <ReadingForm />
          <h2>Pitch</h2>
          <div class="rows">
            <PickList v-model="yeastId" label="yeast" :options="YEASTS" />
            <QuantityField :model-value="yeastG ?? suggestedG" kind="smallMass" label="dry yeast" @update:model-value="yeastG = $event" />
          </div>
          <p class="caution">
            Below 35 °C, and soon within the yeast’s own range. Rehydrate in water at the packet’s temperature without any ammonium salts,
            or sprinkle dry; then give it air: shake or stir hard.
          </p>
          <div class="deeds">
            <el-button type="primary" :loading="busy" @click="pitch">Pitched {{ show('massG', yeastG ?? suggestedG) }}</el-button>
          </div>
        </template>
        <template v-else>
          <h2>Pitched {{ show('when', store.ledger.pitch.at) }}</h2>
          <p>
            <b>{{ show('massG', store.ledger.pitch.massG) }}</b> {{ store.ledger.pitch.name }} into
            <b>{{ show('volumeL', store.ledger.pitch.volumeL) }}</b> at <b>{{ show('sg', store.ledger.pitch.sg) }}</b>.
          </p>
          <p class="quiet">
            First signs come within minutes to 72 hours. Bubbles on the wall are proof; a silent airlock may be a leaking lid.
          </p>
        </template>
        <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.rows {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 1fr));
  gap: 12px 24px;
  max-width: 560px;
}
</style>
