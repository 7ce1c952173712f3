<script setup lang="ts">
import type { Ranged } from '@hollow-bell/core/quantities';
import { sugarRange } from '@hollow-bell/core/sweeten';
import type { Sweetened } from '@hollow-bell/core/sweeten';
import type { Fill } from '@hollow-bell/core/vessel';
import { computed } from 'vue';
import SpokenOnce from '../page/SpokenOnce.vue';
import BellMark from '../rounds/BellMark.vue';
import { useReader } from '../../composables/useReader.ts';

const props = defineProps<{ before: Sweetened; after: Sweetened; sugar: Ranged; fill: Fill | null }>();

const { show, showFigure } = useReader();
const spoken = computed(() => {
  const { before, after, fill } = props;
  const fits = fill === null || fill.overflowL <= 0 ? '' : ` ${show('volumeL', fill.overflowL)} too much for this vessel.`;
  return `Gravity ${show('sg', before.sg)} becomes ${show('sg', after.sg)}, alcohol ${show('abv', after.abv)}, ${show('volumeL', after.volumeL)}.${fits}`;
});
</script>

<template>
  <div class="pairs" data-test="outcome">
    <p>
      <span>Gravity</span><b>{{ show('sg', before.sg) }} → {{ show('sg', after.sg) }}</b>
    </p>
    <p>
      <span>Sugar</span><b>{{ showFigure('gPerL', sugar) }} → {{ showFigure('gPerL', sugarRange(after, sugar)) }}</b>
    </p>
    <p>
      <span>Alcohol</span><b>{{ show('abv', before.abv) }} → {{ show('abv', after.abv) }}</b>
    </p>
    <p>
      <span>Volume</span><b>{{ show('volumeL', before.volumeL) }} → {{ show('volumeL', after.volumeL) }}</b>
    </p>
  </div>
  <SpokenOnce :text="spoken" />
  <p v-if="fill !== null" class="fit">
    <BellMark :bell="fill.overflowL > 0 ? 'cracked' : 'still'" />
    <span v-if="fill.overflowL > 0"
      ><b>{{ show('volumeL', fill.overflowL) }}</b> too much for this vessel. Take a larger one, or draw some off first.</span
    >
    <span v-else
      >Fits: <b>{{ show('volumeL', fill.headspaceL) }}</b> left. It will cloud for a week or two.</span
    >
  </p>
</template>

<style scoped>
.fit {
  display: grid;
  grid-template-columns: 30px 1fr;
}
</style>
