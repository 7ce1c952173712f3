<script setup lang="ts">
import SentenceText from '../figures/SentenceText.vue';
import { useReader } from '../../composables/useReader.ts';
import type { Understood } from './usePadReading.ts';

/** What was pressed, in words, before it is written. */
defineProps<{ understood: Understood; refusal: string }>();
const { show } = useReader();
</script>

<template>
  <div class="words" role="status">
    <p v-if="understood.said.length > 0" class="refusal"><SentenceText :sentence="understood.said" /></p>
    <template v-else-if="understood.contents.length > 0">
      <p v-if="understood.read !== null">
        Gravity <b>{{ show('sg', understood.read.sg) }}</b> ± {{ show('sg', understood.read.plusMinus) }} at {{ show('tempC', 20)
        }}<template v-if="understood.beside.length > 0">: <SentenceText :sentence="understood.beside" /></template>.
      </p>
      <p v-for="(doubt, i) in understood.doubts" :key="i" class="caution"><SentenceText :sentence="doubt" /></p>
    </template>
    <p v-else class="quiet">Press what you read: one digit behind what stands ready, or all of it.</p>
    <p v-if="refusal !== ''" class="refusal">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.words {
  display: grid;
  align-content: start;
  gap: 6px;
  min-height: 46px;
}
</style>
