<script setup lang="ts">
import { STIR_DRILL, gasLeft } from '@hollow-bell/core/clear';
import { PRICKLES, eventSentence } from '@hollow-bell/core/record';
import type { EventContent, Prickle } from '@hollow-bell/core/record';
import { computed } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';

/** The gas that is in it, by tongue and warmth, and the drill that gets it out. */
const store = useBatch();
const { show, showFigure, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const tastes = computed(() => store.ledger.history.prickles.slice(-4));
const warmC = computed(() => store.ledger.history.temps.at(-1)?.tempC ?? store.batch?.plan.practice.roomTempC ?? 20);
const left = computed(() => gasLeft(store.ledger, warmC.value, store.view?.abv ?? 0));
const DEEDS: Record<Prickle, string> = { strong: 'strong prickle', some: 'some', none: 'no prickle' };
const taste = (prickle: Prickle): Promise<boolean> => {
  const event: EventContent = { kind: 'tongue', payload: { prickle } };
  return attempt(() => store.write([event], tell(eventSentence(event))));
};
const stirred = (): Promise<boolean> =>
  attempt(() => store.write([{ kind: 'note', payload: { text: 'stirred the gas out, both ways', mark: 'stirred' } }], 'stirred'));
</script>

<template>
  <div class="gas">
    <h2>Degassing, by the tongue</h2>
    <p v-if="tastes.length > 0" class="small" data-test="prickles">
      <span v-for="each in tastes" :key="each.at" class="taste"
        ><b>{{ each.prickle }}</b> {{ show('when', each.at) }}</span
      >
    </p>
    <p v-if="left !== null" class="small">
      About <b>{{ showFigure('volumes', left) }}</b> of gas is in it, at {{ show('tempC', warmC) }}; by the tongue, our estimate.
    </p>
    <p class="small quiet">
      Stir {{ STIR_DRILL.seconds }} seconds one way, {{ STIR_DRILL.seconds }} the other, {{ STIR_DRILL.times }} times, the airlock on
      between; slowly first, or it erupts; not on the bottom, where the lees lie. Warmth and weeks do it too. Before finings: they fail in
      gassy wine.
    </p>
    <div class="deeds no-print">
      <el-button size="small" :loading="busy" @click="stirred">Stirred it</el-button>
      <el-button v-for="each in PRICKLES" :key="each" size="small" :loading="busy" @click="taste(each)">{{ DEEDS[each] }}</el-button>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.gas {
  display: grid;
  gap: 6px;
}

.taste {
  margin-right: 16px;
}
</style>
