<script setup lang="ts">
import { MOLECULAR_TARGET, SO2_IN, TOTAL_SO2_CAP, USUAL_TABLET_G, stockMl, sulfiteTablets } from '@hollow-bell/core/preservatives';
import { firstShutGate, phKnown, planStabilizing, sorbateWorking, stabilizeWorking } from '@hollow-bell/core/stabilize';
import { Refusal, exactly, weighedG } from '@hollow-bell/core/quantities';
import type { EventContent } from '@hollow-bell/core/record';
import type { SulfiteSalt } from '@hollow-bell/core/preservatives';
import type { PhBy, Protection } from '@hollow-bell/core/stabilize';
import { computed, ref } from 'vue';
import FigureValue from '../figures/FigureValue.vue';
import SpokenOnce from '../page/SpokenOnce.vue';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import VerdictList from '../figures/VerdictList.vue';
import WhenField from '../fields/WhenField.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';

const props = defineProps<{ protection: Protection | null }>();
const store = useBatch();
const shelf = useShelf();
const { show, showFigure, number } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();

const lastPh = store.ledger.history.ph;
/** Who has a meter on the shelf measures; else the kind of mead is what is known. */
const phBy = ref<PhBy>(lastPh === null && shelf.phMeter === null ? 'kind' : 'measured');
const WAYS: { value: PhBy; label: string }[] = [
  { value: 'measured', label: 'by a meter' },
  { value: 'strip', label: 'by a paper strip' },
  { value: 'kind', label: 'nobody measured it' },
];
const ph = ref<number | null>(lastPh?.value ?? null);
const salt = ref<SulfiteSalt>('potassium');
const target = ref<'dry' | 'sweet'>('sweet');
const TARGETS = computed(() => [
  { value: 'dry' as const, label: `dry mead, ${number(MOLECULAR_TARGET.dry, 1)} mg/L molecular` },
  { value: 'sweet' as const, label: `sweet mead, ${number(MOLECULAR_TARGET.sweet, 1)} mg/L molecular` },
]);
const SALTS = computed(() => [
  { value: 'potassium' as const, label: `potassium, ${number(100 * SO2_IN.potassium, 1)} % SO₂` },
  { value: 'sodium' as const, label: `sodium, ${number(100 * SO2_IN.sodium, 1)} % SO₂` },
]);
const FORMS = [
  { value: 'powder', label: 'weighed' },
  { value: 'tablets', label: 'in tablets' },
  { value: 'stock', label: 'as a stock solution' },
] as const;
const form = ref<'powder' | 'tablets' | 'stock'>('powder');
const tabletG = ref<number | null>(USUAL_TABLET_G);
const stockPct = ref<number | null>(10);
const region = computed(() => store.batch?.plan.practice.region ?? 'eu');
const isKnown = computed(() => phBy.value === 'kind' || ph.value !== null);
const input = computed(() => {
  const { view, ledger } = store;
  if (view === null || !isKnown.value) return null;
  return {
    volumeL: view.volumeL,
    abv: view.abv,
    known: phKnown(ledger, phBy.value === 'measured' ? ph.value : null, phBy.value === 'strip' ? ph.value : null),
    molecularMgPerL: MOLECULAR_TARGET[target.value],
    salt: salt.value,
    region: region.value,
    so2MgPerL: ledger.liquid.so2Mg / view.volumeL,
    /** The least that may be there: the safe end. */
    freeThereMgPerL: props.protection?.freeSo2MgPerL.low ?? 0,
    sorbicThereMgPerL: props.protection?.sorbicMgPerL ?? 0,
  };
});
const plan = computed(() => (input.value === null ? null : planStabilizing(input.value)));
const shut = computed(() => firstShutGate(store.gates));
const tooEarly = computed(() => (['finished', 'clear', 'degassed'] as string[]).includes(shut.value?.id ?? ''));
const stopped = computed(() => plan.value?.verdicts.some((verdict) => verdict.weight === 'stop') === true);
/** What is within a tenth of it wants no more: scales and spoons. */
const NEARLY = 0.9;
const needs = computed(() => {
  const there = props.protection;
  const { value: wanted } = plan;
  if (there === null || wanted === null) return { sulfite: true, sorbate: true };
  return {
    sulfite: there.freeSo2MgPerL.value < NEARLY * wanted.freeMgPerL,
    sorbate: there.sorbicMgPerL < NEARLY * wanted.sorbicMgPerL,
  };
});

const measured = computed<{ text: string; refusal: string }>(() => {
  const { view } = store;
  if (plan.value === null || view === null || form.value === 'powder') return { text: '', refusal: '' };
  try {
    if (form.value === 'stock')
      return { text: `${number(stockMl(plan.value.sulfiteG.value, stockPct.value ?? 0), 1)} ml of the stock`, refusal: '' };
    const { exact, whole, bringMgPerL } = sulfiteTablets(plan.value.addMgPerL.value, view.volumeL, tabletG.value ?? 0, salt.value);
    return { text: `${number(exact, 2)} tablets; ${whole} whole ones bring ${show('mgPerL', bringMgPerL)}`, refusal: '' };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { text: '', refusal: error.message };
  }
});

/** What went in, as it went in: together, or one now and the other later. */
function record(which: 'both' | 'sulfite' | 'sorbate'): Promise<boolean> {
  return attempt(() => {
    if (plan.value === null) throw new Refusal('Say how the pH is known first; the dose hangs on it.');
    const { scaleG } = store.batch?.plan.practice ?? {};
    const sulfiteG = weighedG(plan.value.sulfiteG.value, scaleG);
    const sorbateG = weighedG(plan.value.sorbateG, scaleG);
    const events: EventContent[] = [];
    if (ph.value !== null && phBy.value !== 'kind' && lastPh?.value !== ph.value)
      events.push({ kind: 'reading', payload: { ph: ph.value, ...(phBy.value === 'strip' ? { phStrip: true } : {}) } });
    if (which !== 'sorbate') events.push({ kind: 'sulfite', payload: { salt: salt.value, massG: sulfiteG } });
    if (which !== 'sulfite') events.push({ kind: 'sorbate', payload: { massG: sorbateG } });
    const told = [
      which === 'sorbate' ? [] : `${show('massG', sulfiteG)} metabisulfite`,
      which === 'sulfite' ? [] : `${show('massG', sorbateG)} sorbate`,
    ];
    return store.write(events, `added ${told.flat().join(' and ')}`, when.value);
  });
}
</script>

<template>
  <div class="stack">
    <h2>Sulfite by the pH, sorbate by the alcohol</h2>
    <div class="inputs">
      <PickList v-model="phBy" label="the pH is known" :options="WAYS" />
      <QuantityField v-if="phBy !== 'kind'" v-model="ph" kind="ph" :label="phBy === 'strip' ? 'the strip shows' : 'pH, measured'" />
      <PickList v-model="target" label="protect it for a" :options="TARGETS" />
      <PickList v-model="salt" label="metabisulfite of" :options="SALTS" />
      <PickList v-model="form" label="it is given" :options="FORMS" />
      <QuantityField v-if="form === 'tablets'" v-model="tabletG" kind="smallMass" label="a tablet weighs" />
      <QuantityField v-if="form === 'stock'" v-model="stockPct" kind="percent" label="salt in 100 ml of stock" />
    </div>
    <p v-if="plan === null" class="quiet">
      Without knowing anything of the pH there is no honest dose: between pH 3.2 and 3.8 it grows fourfold.
    </p>
    <template v-if="plan !== null && input !== null">
      <SpokenOnce :text="`${show('massG', plan.sulfiteG.value)} metabisulfite, ${show('massG', plan.sorbateG)} sorbate.`" />
      <div class="doses">
        <FigureValue label="Metabisulfite" kind="massG" :figure="plan.sulfiteG" :working="stabilizeWorking(input, plan)" bar />
        <FigureValue
          label="Potassium sorbate"
          kind="massG"
          :figure="exactly(plan.sorbateG)"
          :working="sorbateWorking(input, plan)"
          :note="`${show('mgPerL', plan.sorbicMgPerL)} sorbic acid, dissolved in ${Math.round(plan.waterMl)} ml of warm water, half a cup at least`"
        />
        <FigureValue
          label="Free SO₂ wanted"
          kind="mgPerL"
          :figure="exactly(plan.freeMgPerL)"
          :note="
            protection === null || protection.freeSo2MgPerL.value < 1
              ? `limit ${show('mgPerL', TOTAL_SO2_CAP[region])} in all`
              : `${showFigure('mgPerL', protection.freeSo2MgPerL)} ${protection.isMeasured ? 'measured' : 'reckoned to be there'}, the least of it taken off`
          "
        />
      </div>
      <p v-if="measured.text !== ''" data-test="as-form">
        <b>{{ measured.text }}</b>
      </p>
      <p v-if="measured.refusal !== ''" class="refusal">{{ measured.refusal }}</p>
      <p v-if="tooEarly && shut !== null" class="refusal">
        Not yet: the gate “{{ shut.name }}” is shut. Sulfite and sorbate do not stop a fermentation that is under way.
      </p>
      <WhenField v-model="at" class="when" />
      <div class="deeds">
        <el-button
          v-if="needs.sulfite && needs.sorbate"
          type="primary"
          :loading="busy"
          :disabled="blocked || stopped"
          @click="record('both')"
          >Added {{ show('massG', plan.sulfiteG.value) }} and {{ show('massG', plan.sorbateG) }}</el-button
        >
        <el-button
          v-if="needs.sulfite"
          :type="needs.sorbate ? 'default' : 'primary'"
          :loading="busy"
          :disabled="blocked || stopped"
          @click="record('sulfite')"
          >Sulfite alone, {{ show('massG', plan.sulfiteG.value) }}</el-button
        >
        <el-button
          v-if="needs.sorbate"
          :type="needs.sulfite ? 'default' : 'primary'"
          :loading="busy"
          :disabled="blocked"
          @click="record('sorbate')"
          >Sorbate{{ needs.sulfite ? ' alone' : '' }}, {{ show('massG', plan.sorbateG) }}</el-button
        >
      </div>
      <p class="small quiet">
        Together, or sulfite at a racking and sorbate days later: both count, in whatever order you gave them. Sulfite alone, against air at
        a racking, is a use of its own. Another amount goes on the dip line: “{{ number(1.2, 1) }} g metabisulfite”.
      </p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <VerdictList :verdicts="plan.verdicts" />
    </template>
  </div>
</template>

<style scoped>
.inputs {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 8px 24px;
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
