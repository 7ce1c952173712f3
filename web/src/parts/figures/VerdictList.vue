<script setup lang="ts">
import type { Verdict, Weight } from '@hollow-bell/core/quantities';
import type { Bell } from '@hollow-bell/core/rounds';
import BellMark from '../rounds/BellMark.vue';
import SentenceText from './SentenceText.vue';

defineProps<{ verdicts: readonly Verdict[] }>();

const BELL: Record<Weight, Bell> = { note: 'still', care: 'swinging', stop: 'cracked' };
</script>

<template>
  <ul class="verdicts">
    <li v-for="verdict in verdicts" :key="verdict.id" :data-weight="verdict.weight">
      <BellMark :bell="BELL[verdict.weight]" />
      <SentenceText :sentence="verdict.sentence" />
    </li>
  </ul>
</template>

<style scoped>
.verdicts {
  display: grid;
  gap: 8px;
}

li {
  display: grid;
  grid-template-columns: 30px 1fr;
  line-height: 1.4;
}

li svg {
  width: 22px;
  height: 20px;
}
</style>
