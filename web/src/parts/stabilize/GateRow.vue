<script setup lang="ts">
import type { Gate, GateState } from '@hollow-bell/core/stabilize';
import SentenceText from '../figures/SentenceText.vue';

defineProps<{ gates: readonly Gate[] }>();

const TOLD: Record<GateState, string> = {
  open: 'open',
  shut: 'shut',
  'not needed': 'not needed by this school',
  'by your word': 'open by your word',
};
</script>

<template>
  <ol class="gates" aria-label="Gates before honey">
    <li
      v-for="gate in gates"
      :key="gate.id"
      :class="gate.state.replaceAll(' ', '-')"
      :data-gate="gate.id"
      :data-state="gate.state"
      :data-open="gate.state !== 'shut'"
    >
      <svg viewBox="0 0 52 30" aria-hidden="true">
        <path d="M3 2v26M36 2v26" class="post" />
        <path v-if="gate.state === 'open'" d="M4 5l12 -3v25l-12 3z" class="leaf" />
        <template v-else-if="gate.state === 'by your word'">
          <path d="M4 5l12 -3v25l-12 3z" class="leaf" />
          <path d="M18 10l14 -6 6 11 -14 6z M22 12h.1" class="tag" />
        </template>
        <path v-else-if="gate.state === 'shut'" d="M3 7h33M3 15h33M3 23h33" class="bars" />
        <path v-else d="M3 27h33" class="bare" />
      </svg>
      <b>{{ gate.name }}</b>
      <span class="small quiet"><SentenceText :sentence="gate.sentence" /></span>
      <span class="visually-hidden">{{ TOLD[gate.state] }}</span>
    </li>
  </ol>
</template>

<style scoped>
.gates {
  display: grid;
  grid-template-columns: repeat(6, 1fr);
  gap: 16px;
  padding: 10px 0 14px;
  border-bottom: 1px solid var(--rule);
}

.gates.three {
  grid-template-columns: repeat(3, 1fr);
}

li {
  display: grid;
  align-content: start;
  gap: 2px;
  line-height: 1.3;
  overflow-wrap: anywhere;
}

svg {
  width: 52px;
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

.by-your-word .leaf {
  fill: var(--bronze-soft);
  stroke: var(--bronze);
}

.tag {
  fill: var(--paper);
  stroke: var(--bronze);
  stroke-width: 1.5;
}

.bars {
  stroke: var(--madder);
}

.bare {
  stroke: var(--soot-3);
  stroke-dasharray: 2 4;
}

.not-needed .post {
  stroke: var(--soot-3);
  stroke-dasharray: 3 3;
}

.shut b {
  color: var(--madder);
}

.not-needed b {
  color: var(--soot-2);
}

@media (max-width: 900px) {
  .gates,
  .gates.three {
    grid-template-columns: repeat(2, 1fr);
  }
}
</style>
