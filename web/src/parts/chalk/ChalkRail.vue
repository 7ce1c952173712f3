<script setup lang="ts">
import { DEPTHS, LESSONS } from '@hollow-bell/core/chalk';
import type { Depth } from '@hollow-bell/core/chalk';
import { seedNow } from './seedNow.ts';

/** What is played, to be chosen; null where it is none of them. */
defineProps<{ lessonId: string | null; depth: Depth | null }>();
const DEPTH_NAMES: Record<Depth, string> = { 1: 'plain', 2: 'as in life', 3: 'faint' };
</script>

<template>
  <nav aria-label="Lessons and drills">
    <p class="small quiet">Lessons</p>
    <ul>
      <li v-for="each in LESSONS" :key="each.id">
        <RouterLink
          :to="{ name: 'practice', query: { lesson: each.id } }"
          :class="{ here: lessonId === each.id }"
          :aria-current="lessonId === each.id ? 'true' : undefined"
          >{{ each.name }}</RouterLink
        >
      </li>
    </ul>
    <p class="small quiet">A hidden trouble</p>
    <ul>
      <li v-for="each in DEPTHS" :key="each">
        <RouterLink
          :to="{ name: 'practice', query: { drill: seedNow(), depth: each } }"
          :class="{ here: depth === each }"
          :aria-current="depth === each ? 'true' : undefined"
          >{{ DEPTH_NAMES[each] }}</RouterLink
        >
      </li>
    </ul>
  </nav>
</template>

<style scoped>
ul {
  margin-bottom: 16px;
  padding: 0;
  list-style: none;
}

a {
  display: block;
  padding: 7px 0;
  color: inherit;
  text-decoration: none;
}

a.here {
  font-weight: 700;
}

a:hover {
  text-decoration: underline;
  text-decoration-color: var(--bronze);
}

@media (max-width: 1000px) {
  a {
    min-height: 44px;
    padding: 11px 0;
  }
}
</style>
