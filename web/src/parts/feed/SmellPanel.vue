<script setup lang="ts">
import type { SmellCause } from '@hollow-bell/core/feed';
import type { Bell } from '@hollow-bell/core/rounds';
import BellMark from '../rounds/BellMark.vue';
import SentenceText from '../figures/SentenceText.vue';

defineProps<{ causes: readonly SmellCause[] }>();

const NAMES: Record<SmellCause['id'], string> = { nitrogen: 'Nitrogen', temperature: 'Temperature', oxygen: 'Air' };
const BELL: Record<SmellCause['verdict'], Bell> = { blamed: 'swinging', unknown: 'muffled', cleared: 'still' };
const SAID: Record<SmellCause['verdict'], string> = { blamed: 'to blame', unknown: 'not known', cleared: 'not to blame' };
</script>

<template>
  <section class="smell" aria-label="Why it smells of sulfur" data-test="smell">
    <h2>It smells of sulfur</h2>
    <ul>
      <li v-for="cause in causes" :key="cause.id" :data-verdict="cause.verdict">
        <BellMark :bell="BELL[cause.verdict]" />
        <span
          ><b>{{ NAMES[cause.id] }}, {{ SAID[cause.verdict] }}.</b> <SentenceText :sentence="cause.evidence" />{{ ' ' }}
          <b v-if="cause.next.length > 0"><SentenceText :sentence="cause.next" /></b
        ></span>
      </li>
    </ul>
    <p class="small quiet">
      A rubbery smell late on is another matter, and mostly beyond repair. Change one thing, and smell again after a day.
    </p>
  </section>
</template>

<style scoped>
.smell {
  display: grid;
  gap: 6px;
  padding-left: 10px;
  border-left: 3px solid var(--wax-fill);
}

ul {
  display: grid;
  gap: 6px;
}

li {
  display: grid;
  grid-template-columns: 30px 1fr;
  line-height: 1.4;
}
</style>
