<script setup lang="ts">
import { TROUBLES } from '@hollow-bell/core/chalk';
import type { Verdict } from '@hollow-bell/core/chalk';
import type { Bell } from '@hollow-bell/core/rounds';
import type { Weight } from '@hollow-bell/core/quantities';
import BellMark from '../rounds/BellMark.vue';
import SentenceText from '../figures/SentenceText.vue';

defineProps<{ verdict: Verdict }>();
const BELLS: Record<Weight, Bell> = { stop: 'cracked', care: 'swinging', note: 'still' };
const nameOf = (id: string): string => TROUBLES.find((each) => each.id === id)?.name ?? '';
</script>

<template>
  <section class="verdict" aria-label="Verdict" data-test="verdict">
    <h2 tabindex="-1">What it was, and what came of it</h2>
    <template v-if="verdict.trouble !== null">
      <p>
        <b><SentenceText :sentence="verdict.trouble.told" /></b>
        <template v-if="verdict.trouble.isRight"> You named it.</template>
        <template v-else-if="verdict.trouble.named !== null"> You took it for: {{ nameOf(verdict.trouble.named) }}.</template>
      </p>
      <p class="quiet">What shows it: <SentenceText :sentence="verdict.trouble.evidence" /></p>
    </template>
    <p v-else>Nothing was wrong with it.</p>
    <ul>
      <li v-for="each in verdict.judged" :key="each.id">
        <BellMark :bell="BELLS[each.weight]" />
        <p>
          <b><SentenceText :sentence="each.head" /></b> <SentenceText :sentence="each.sentence" />
        </p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.verdict {
  display: grid;
  gap: 8px;
}

ul {
  padding: 0;
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 28px 1fr;
  gap: 8px;
  padding: 8px 0;
  border-top: 1px solid var(--rule);
}
</style>
