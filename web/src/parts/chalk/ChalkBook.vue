<script setup lang="ts">
import type { Found } from '@hollow-bell/core/chalk';
import SentenceText from '../figures/SentenceText.vue';
import { dayTold } from './chalkDay.ts';

/** All that the learner found out and did, the last first. */
defineProps<{ found: readonly Found[] }>();
</script>

<template>
  <section aria-label="Your book">
    <h2>Your book</h2>
    <p v-if="found.length === 0" class="quiet">Nothing is written yet; the must was pitched on day 0.</p>
    <ol class="book" tabindex="0">
      <li v-for="(each, i) in found.toReversed()" :key="`${found.length - i}`">
        <span class="small quiet">{{ dayTold(each.hour) }}</span> <SentenceText :sentence="each.told" />
      </li>
    </ol>
  </section>
</template>

<style scoped>
.book {
  max-height: 260px;
  padding: 0;
  list-style: none;
  overflow-y: auto;
}

.book li {
  display: grid;
  grid-template-columns: 58px 1fr;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
}
</style>
