<script setup lang="ts">
import type { Gate } from '@hollow-bell/core/stabilize';
import SentenceText from '../figures/SentenceText.vue';

defineProps<{ gates: readonly Gate[] }>();
</script>

<template>
  <ol class="gates" aria-label="Gates before honey">
    <li v-for="gate in gates" :key="gate.id" :class="{ open: gate.open }" :data-gate="gate.id" :data-open="gate.open">
      <svg viewBox="0 0 44 30" aria-hidden="true">
        <path d="M3 2v26M36 2v26" class="post" />
        <path v-if="gate.open" d="M4 5l12 -3v25l-12 3z" class="leaf" />
        <path v-else d="M3 7h33M3 15h33M3 23h33" class="bars" />
      </svg>
      <b>{{ gate.name }}</b>
      <span class="small quiet"><SentenceText :sentence="gate.sentence" /></span>
      <span class="visually-hidden">{{ gate.open ? 'open' : 'shut' }}</span>
    </li>
  </ol>
</template>

<style scoped>
.gates {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 16px;
  padding: 10px 0 16px;
  border-bottom: 1px solid var(--rule);
}

li {
  display: grid;
  align-content: start;
  gap: 2px;
  line-height: 1.3;
}

svg {
  width: 44px;
  height: 30px;
  margin-bottom: 4px;
  fill: none;
  stroke-width: 2;
}

.post {
  stroke: var(--soot);
}

.leaf {
  fill: var(--verdigris-soft);
  stroke: var(--verdigris);
}

.bars {
  stroke: var(--madder);
}

li:not(.open) b {
  color: var(--madder);
}

@media (max-width: 900px) {
  .gates {
    grid-template-columns: repeat(2, 1fr);
  }
}
</style>
