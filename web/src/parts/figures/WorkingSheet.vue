<script setup lang="ts">
import type { Working } from '@hollow-bell/core/quantities';
import SentenceText from './SentenceText.vue';

defineProps<{ title: string; working: Working }>();
</script>

<template>
  <div class="working">
    <b>{{ title }}</b>
    <p class="mono formula">{{ working.formula }}</p>
    <dl>
      <template v-for="input in working.inputs" :key="input.name">
        <dt>{{ input.name }}</dt>
        <dd><SentenceText :sentence="input.shown" /></dd>
      </template>
    </dl>
    <p v-if="working.school !== undefined" class="small">School: {{ working.school }}</p>
    <p class="small quiet">{{ working.source }}</p>
  </div>
</template>

<style scoped>
.working {
  display: grid;
  gap: 8px;
}

.formula {
  font-size: 13px;
}

dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 3px 12px;
  font-size: 13px;
}

dd {
  font-weight: 640;
}
</style>
