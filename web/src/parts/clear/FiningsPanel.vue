<script setup lang="ts">
import { FININGS, finedUntil, finingG, gasBeforeFining, trialGlasses } from '@hollow-bell/core/clear';
import type { FiningTold } from '@hollow-bell/core/clear';
import { weighedG } from '@hollow-bell/core/quantities';
import { eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { computed, ref, watch } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';

/** Finings by charge: the packet's dose first, a trial in glasses, what it strips and what the label must say. */
const store = useBatch();
const { show, tell, number } = useReader();
/** As it stands in the table, with no more decimals than it has. */
const plain = (value: number): string => number(value, Math.min(3, String(value).split('.')[1]?.length ?? 0));
const { refusal, busy, attempt, blocked } = useAttempt();
const chosenId = ref<FiningTold['id']>('bentonite');
const fining = computed(() => FININGS.find(({ id }) => id === chosenId.value) as FiningTold);
/** The packet's own, g/L. */
const packet = ref<number | null>(null);
watch(chosenId, () => (packet.value = null));
const gPerL = computed(() => packet.value ?? (fining.value.gPerL.low + fining.value.gPerL.high) / 2);
const volumeL = computed(() => store.view?.volumeL ?? 0);
const grams = computed(() => weighedG(finingG(gPerL.value, volumeL.value), store.batch?.plan.practice.scaleG));
const gas = computed(() => gasBeforeFining(store.ledger));
const settling = computed(() => finedUntil(store.ledger));
/** Of a trial, in 100 ml. */
const trialTold = (perL: number): string =>
  perL === 0 ? 'none' : fining.value.unit === 'ml' ? `${number(perL / 10, 3)} ml` : `${Math.round(100 * perL)} mg`;
const days = ({ low, high }: { low: number; high: number }): string => `${low} to ${high} days`;
function give(): Promise<boolean> {
  const event: EventContent = { kind: 'fining', payload: { fining: chosenId.value, name: chosenId.value, massG: grams.value } };
  return attempt(() => store.write([event], tell(eventSentence(event))));
}
</script>

<template>
  <div class="finings" data-test="finings">
    <h2>Finings</h2>
    <p v-if="settling !== null" data-test="settling">
      The {{ settling.name }} of {{ show('when', settling.at) }} settles until about {{ show('when', settling.settledAt) }}; then rack it
      off.
    </p>
    <p v-if="gas !== null" class="small"><SentenceText :sentence="gas" /></p>
    <div class="kinds" role="radiogroup" aria-label="Fining">
      <button
        v-for="each in FININGS"
        :key="each.id"
        type="button"
        role="radio"
        class="press"
        :aria-checked="each.id === chosenId"
        :class="{ here: each.id === chosenId }"
        @click="chosenId = each.id"
      >
        <span class="charge" :class="{ plus: each.charge === '+' }">{{ each.charge === 'none' ? '·' : each.charge }}</span> {{ each.id }}
      </button>
    </div>
    <div class="told">
      <p>
        Takes {{ fining.takes }}. <SentenceText :sentence="fining.madeUp" />
        <span class="quiet">Strips: {{ fining.strips }}. Clears in {{ days(fining.clearsDays) }}.</span>
      </p>
      <p v-if="fining.allergen !== null" class="caution">Label: {{ fining.allergen }}.</p>
      <p v-if="fining.isAnimal" class="small quiet">From an animal: say so to vegans.</p>
      <p class="small">
        Usual: {{ plain(fining.gPerL.low) }} to {{ plain(fining.gPerL.high) }} {{ fining.unit }}/L; the packet’s own dose comes first. In
        glasses of 100 ml first:
        <b v-for="glass in trialGlasses(fining)" :key="glass" class="trial">{{ trialTold(glass) }}</b>
        overnight.
      </p>
      <div class="deeds">
        <QuantityField v-model="packet" kind="gramsPerL" label="by the packet" :limits="{ low: 0, high: 5 }" class="packet" />
        <el-button type="primary" :loading="busy" :disabled="blocked || grams <= 0" @click="give">
          Gave {{ fining.unit === 'ml' ? `${number(grams, 1)} ml` : show('massG', grams) }}
        </el-button>
      </div>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.finings {
  display: grid;
  gap: 6px;
}

.kinds {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 16px;
}

.press {
  min-height: 36px;
  padding: 2px 0;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--soot-2);
  cursor: pointer;
}

.here {
  border-color: var(--bronze);
  color: var(--soot);
  font-weight: 700;
}

.charge {
  display: inline-grid;
  width: 18px;
  height: 18px;
  place-items: center;
  border-radius: 50%;
  background: var(--soot);
  color: var(--limewash);
  font-size: 13px;
  line-height: 1;
}

.charge.plus {
  background: none;
  color: var(--soot);
  outline: 1px dashed var(--soot);
}

.told {
  display: grid;
  gap: 4px;
}

.packet {
  max-width: 130px;
}

.trial {
  margin: 0 6px;
}

@media (max-width: 720px) {
  .press {
    min-height: 44px;
  }
}
</style>
