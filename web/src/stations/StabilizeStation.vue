<script setup lang="ts">
import { MOLECULAR_TARGET, TOTAL_SO2_CAP } from '@hollow-bell/core/preservatives';
import { firstShutGate, freeSo2There, planStabilizing } from '@hollow-bell/core/stabilize';
import { Refusal, exactly, weighedG } from '@hollow-bell/core/quantities';
import type { SulfiteSalt } from '@hollow-bell/core/preservatives';
import { computed, ref } from 'vue';
import BatchLog from '../parts/log/BatchLog.vue';
import StationHead from '../parts/log/StationHead.vue';
import FigureValue from '../parts/figures/FigureValue.vue';
import GateRow from '../parts/sweeten/GateRow.vue';
import PickList from '../parts/fields/PickList.vue';
import ReadingForm from '../parts/watch/ReadingForm.vue';
import QuantityField from '../parts/fields/QuantityField.vue';
import WhenField from '../parts/fields/WhenField.vue';
import VerdictList from '../parts/figures/VerdictList.vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useWhen } from '../composables/useWhen.ts';
import { sorbateWorking, stabilizeWorking } from '@hollow-bell/core/stabilize';
import { useBatch } from '../stores/batch.ts';

const store = useBatch();
const { tell, show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const ph = ref<number | null>(store.ledger.history.ph?.value ?? null);
const salt = ref<SulfiteSalt>('potassium');
const target = ref<'dry' | 'sweet'>('sweet');
const TARGETS = [
  { value: 'dry', label: 'dry mead, 0.5 mg/L molecular' },
  { value: 'sweet', label: 'sweet mead, 0.8 mg/L molecular' },
] as const;
const SALTS = [
  { value: 'potassium', label: 'potassium, 57.6 % SO₂' },
  { value: 'sodium', label: 'sodium, 67.4 % SO₂' },
] as const;
const region = computed(() => store.batch?.plan.practice.region ?? 'eu');
const freeThere = computed(() => freeSo2There(store.ledger, store.now));
const input = computed(() => {
  const { view, ledger } = store;
  if (view === null || ph.value === null) return null;
  return {
    volumeL: view.volumeL,
    abv: view.abv,
    ph: ph.value,
    molecularMgPerL: MOLECULAR_TARGET[target.value],
    salt: salt.value,
    region: region.value,
    so2MgPerL: ledger.liquid.so2Mg / view.volumeL,
    freeThereMgPerL: freeThere.value ?? 0,
  };
});
const plan = computed(() => (input.value === null ? null : planStabilizing(input.value)));
const shut = computed(() => firstShutGate(store.gates));
const tooEarly = computed(() => (['finished', 'clear', 'degassed'] as string[]).includes(shut.value?.id ?? ''));
const isDone = computed(() => store.gates.find((gate) => gate.id === 'stabilized')?.open === true);
const stopped = computed(() => plan.value?.verdicts.some((verdict) => verdict.weight === 'stop') === true);

const { at, when } = useWhen();
function record(): Promise<boolean> {
  return attempt(() => {
    if (plan.value === null || ph.value === null) throw new Refusal('Measure the pH first; the dose hangs on it.');
    const { scaleG } = store.batch?.plan.practice ?? {};
    const sulfiteG = weighedG(plan.value.sulfiteG.value, scaleG);
    const sorbateG = weighedG(plan.value.sorbateG, scaleG);
    return store.write(
      [
        ...(store.ledger.history.ph?.value === ph.value ? [] : [{ kind: 'reading' as const, payload: { ph: ph.value } }]),
        { kind: 'sulfite', payload: { salt: salt.value, massG: sulfiteG } },
        { kind: 'sorbate', payload: { massG: sorbateG } },
      ],
      `stabilized with ${show('massG', sulfiteG)} metabisulfite and ${show('massG', sorbateG)} sorbate`,
      when.value,
    );
  });
}
</script>

<template>
  <section>
    <StationHead>{{ tell(store.state.sentence) }}</StationHead>
    <GateRow :gates="store.gates" />
    <div class="columns">
      <div class="stack">
        <template v-if="isDone">
          <h2>Sulfite and sorbate are in</h2>
          <div class="pairs">
            <p v-for="sulfite in store.ledger.history.sulfites" :key="sulfite.at">
              <span>{{ sulfite.salt }} metabisulfite, {{ show('when', sulfite.at) }}</span
              ><b>{{ show('massG', sulfite.massG) }}</b>
            </p>
            <p v-for="sorbate in store.ledger.history.sorbates" :key="sorbate.at">
              <span>potassium sorbate, {{ show('when', sorbate.at) }}</span
              ><b>{{ show('massG', sorbate.massG) }}</b>
            </p>
          </div>
          <p>
            The last gates open by themselves: a day of waiting, then one reading that has not moved. Leave the honey on the shelf until
            then.
          </p>
          <ReadingForm />
        </template>
        <template v-else>
          <h2>Sulfite by the pH, sorbate by the alcohol</h2>
          <div class="inputs">
            <QuantityField v-model="ph" kind="ph" label="pH, measured" />
            <PickList v-model="target" label="protect it for a" :options="TARGETS" />
            <PickList v-model="salt" label="metabisulfite of" :options="SALTS" />
          </div>
          <p v-if="plan === null" class="quiet">Without a pH there is no honest dose: between pH 3.2 and 3.8 it grows fourfold.</p>
          <template v-if="plan !== null && input !== null">
            <div class="doses">
              <FigureValue label="Metabisulfite" kind="massG" :figure="plan.sulfiteG" :working="stabilizeWorking(input, plan)" bar />
              <FigureValue
                label="Potassium sorbate"
                kind="massG"
                :figure="exactly(plan.sorbateG)"
                :working="sorbateWorking(input, plan)"
                :note="`${show('mgPerL', plan.sorbicMgPerL)} sorbic acid`"
              />
              <FigureValue
                label="Free SO₂ wanted"
                kind="mgPerL"
                :figure="exactly(plan.freeMgPerL)"
                :note="
                  freeThere === null
                    ? `limit ${show('mgPerL', TOTAL_SO2_CAP[region])} in all`
                    : `${show('mgPerL', freeThere)} measured is taken off; limit ${show('mgPerL', TOTAL_SO2_CAP[region])} in all`
                "
              />
            </div>
            <p v-if="tooEarly && shut !== null" class="refusal">
              Not yet: the gate “{{ shut.name }}” is shut. Sulfite and sorbate do not stop a fermentation that is under way.
            </p>
            <WhenField v-model="at" class="when" />
            <div class="deeds">
              <el-button type="primary" :loading="busy" :disabled="blocked || stopped" @click="record"
                >Added {{ show('massG', plan.sulfiteG.value) }} and {{ show('massG', plan.sorbateG) }}</el-button
              >
            </div>
            <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
            <VerdictList :verdicts="plan.verdicts" />
          </template>
        </template>
      </div>
      <BatchLog />
    </div>
  </section>
</template>

<style scoped>
.inputs,
.doses {
  display: grid;
  grid-template-columns: 130px 1fr 1fr;
  gap: 8px 24px;
}

.doses {
  grid-template-columns: 1fr;
}

.when {
  max-width: 200px;
}

.doses > * {
  border-bottom: 1px solid var(--rule);
}

@media (max-width: 720px) {
  .inputs {
    grid-template-columns: 1fr;
  }
}
</style>
