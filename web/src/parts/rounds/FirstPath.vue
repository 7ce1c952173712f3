<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core';
import { ofCellar } from '../../cellar.ts';

/** Four steps for the first mead; closed for good on this device. */
const isClosed = useLocalStorage(ofCellar('hollow-bell-first-path'), false);
const STEPS = [
  {
    to: { name: 'shelf' },
    name: 'What have you?',
    says: 'Honey, yeast, nutrients, vessels and the hydrometer go on the Shelf; nothing else is needed first.',
  },
  { to: { name: 'new' }, name: 'What would you make?', says: 'Say how strong and how sweet; the amounts follow, and can each be held.' },
  {
    to: { name: 'batches' },
    name: 'Mix it.',
    says: 'On the brew day, Pitch goes through it step by step, and writes down what was really poured.',
  },
  {
    to: { name: 'help', hash: '#unmeasured' },
    name: 'Read it.',
    says: 'Its gravity before the yeast, and again before glass is closed: these two decide.',
  },
] as const;
</script>

<template>
  <section v-if="!isClosed" class="path" aria-label="The first mead">
    <h2>The first mead, in four steps</h2>
    <ol>
      <li v-for="step in STEPS" :key="step.name">
        <RouterLink :to="step.to" class="place-link"
          ><b>{{ step.name }}</b></RouterLink
        >
        <span class="quiet">{{ step.says }}</span>
      </li>
    </ol>
    <button type="button" class="link" @click="isClosed = true">Close this for good</button>
  </section>
</template>

<style scoped>
.path {
  display: grid;
  justify-items: start;
  gap: 8px;
  max-width: 640px;
}

ol {
  display: grid;
  gap: 8px;
}

li {
  display: grid;
}
</style>
