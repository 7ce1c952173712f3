<script setup lang="ts">
import { containerOf, ratingOf } from '@hollow-bell/core/carbonate';
import { computed } from 'vue';
import { useBottlingHere } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import SentenceText from '../figures/SentenceText.vue';
import SpokenOnce from '../page/SpokenOnce.vue';
import GasColumn from './GasColumn.vue';

/** The gas that is wanted, what may become of it, and the sugar for it. */
const { show, range } = useReader();
const { volumes, sugar, fresh, ready, prime, isAgain, wantsAgain } = useBottlingHere();
const marks = computed(() =>
  [...new Map(ready.value.map((row) => [`${row.kind ?? ''} ${ratingOf(row) ?? ''}`, row])).values()].flatMap((row) => {
    const rating = ratingOf(row);
    return rating === null || !Number.isFinite(rating) || prime.value === null
      ? []
      : [{ name: containerOf(row.kind ?? 'other').name, volumes: rating, isBarred: rating < prime.value.fan.one }];
  }),
);
const spoken = computed(() =>
  prime.value === null
    ? ''
    : `${show('massG', prime.value.sugarG.value)} ${sugar.value.name} for ${show('volumes', volumes.value)}, up to ${show('bar', prime.value.barAt30.high)} at ${show('tempC', 30)}.`,
);
</script>

<template>
  <div v-if="prime !== null" class="gas">
    <GasColumn v-model="volumes" :residual="prime.residualVolumes" :fan="prime.fan" :marks="marks" />
    <SpokenOnce :text="spoken" />
    <p class="dose" data-test="sugar">
      <b class="big">{{ show('massG', prime.sugarG.value) }}</b> {{ sugar.name }}
      <span class="small quiet">{{ range('massG', prime.sugarG) }}</span>
    </p>
    <p class="small" data-test="pressure">
      <b>{{ show('bar', prime.barAt20.low) }} – {{ show('bar', prime.barAt20.high) }}</b> at {{ show('tempC', 20) }}, up to
      <b>{{ show('bar', prime.barAt30.high) }}</b> at {{ show('tempC', 30) }}.
    </p>
    <p v-if="fresh !== null" class="small caution"><SentenceText :sentence="fresh" /></p>
    <label v-if="wantsAgain || isAgain" class="again"
      ><input v-model="isAgain" type="checkbox" /> the volume was measured a second time, and is the same</label
    >
  </div>
</template>

<style scoped>
.gas {
  display: grid;
  gap: 2px;
  justify-items: start;
  max-width: 340px;
}

.again {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 44px;
}
</style>
