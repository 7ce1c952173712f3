<script setup lang="ts">
import type { Protection } from '@hollow-bell/core/stabilize';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { whyShut } from '@hollow-bell/core/glass';
import { sweetenedAt } from '@hollow-bell/core/record';
import { computed } from 'vue';
import FigureValue from '../figures/FigureValue.vue';
import ReadingForm from '../watch/ReadingForm.vue';
import SentenceText from '../figures/SentenceText.vue';
import { exactly } from '@hollow-bell/core/quantities';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

defineProps<{ protection: Protection | null }>();
const store = useBatch();
const { show } = useReader();
const guard = computed(() => store.ledger.history.guarded);
const why = computed(() => whyShut(store.ledger, store.now));
const isSweet = computed(() => sweetenedAt(store.ledger) !== null);
</script>

<template>
  <div v-if="guard !== null" class="stack" data-test="guard">
    <template v-if="guard.by === 'heat'">
      <h2>Heated {{ show('when', guard.at) }}: nothing lives in it</h2>
      <p>
        What sulfite was in it is driven off. It clouds for some days: honey’s own solids fall. New yeast, or a mead that was not heated,
        undoes it. Natural bubbles are over; a keg still carbonates.
      </p>
      <p class="caution">Hot glass: dry cloths, onto wood, no cold surface, no draft. Leave it 10 to 12 hours, the airlock on.</p>
    </template>
    <template v-else>
      <h2>Sulfite and sorbate are in</h2>
      <div v-if="protection !== null" class="levels">
        <FigureValue
          label="Free SO₂ now"
          kind="mgPerL"
          :figure="protection.freeSo2MgPerL"
          :note="protection.isMeasured ? 'measured' : 'reckoned; it binds and fades'"
        />
        <FigureValue label="Sorbic acid" kind="mgPerL" :figure="exactly(protection.sorbicMgPerL)" />
      </div>
      <p v-if="protection?.fadesAt != null" class="quiet" data-test="fades">
        It may guard until about {{ show('when', protection.fadesAt) }} ({{
          Math.max(0, Math.round((protection.fadesAt - store.now) / DAY_MS))
        }}
        days), by our estimate: full, closed glass. Air, honey, topping up and racking shorten that; a test of free SO₂ tells.
      </p>
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
    </template>
    <p v-if="!isSweet">
      The last gates open by themselves: {{ guard.by === 'heat' ? 'the rest' : 'a day of waiting' }}, then one reading that has not moved.
      Leave the honey on the shelf until then.
    </p>
    <p v-if="why !== null" data-test="why"><SentenceText :sentence="why" /></p>
    <ReadingForm />
  </div>
</template>

<style scoped>
.levels {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 24px;
}
</style>
