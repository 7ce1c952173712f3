<script setup lang="ts">
import { SCHOOLS_TOLD, STABILIZE_SCHOOLS } from '@hollow-bell/core/stabilize';
import SentenceText from '../figures/SentenceText.vue';
import type { StabilizeSchool } from '@hollow-bell/core/stabilize';

defineProps<{ school: StabilizeSchool; costs: Record<StabilizeSchool, string>; busy: boolean }>();
const emit = defineEmits<{ choose: [school: StabilizeSchool] }>();
</script>

<template>
  <div class="schools">
    <div class="row" role="radiogroup" aria-label="School of stabilizing">
      <button
        v-for="each in STABILIZE_SCHOOLS"
        :key="each"
        type="button"
        role="radio"
        :aria-checked="each === school"
        :class="{ here: each === school }"
        :disabled="busy"
        :data-school="each"
        @click="emit('choose', each)"
      >
        <span class="name">{{ SCHOOLS_TOLD[each].name }}</span>
        <span class="small quiet">{{ costs[each] }}</span>
      </button>
    </div>
    <p class="says">
      <SentenceText :sentence="SCHOOLS_TOLD[school].says" />
      <span class="quiet">For it: {{ SCHOOLS_TOLD[school].speaksFor }}. Against: {{ SCHOOLS_TOLD[school].speaksAgainst }}.</span>
    </p>
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(5, minmax(0, 1fr));
  gap: 4px 18px;
  padding-top: 10px;
  border-bottom: 1px solid var(--rule);
}

button {
  display: grid;
  width: 100%;
  min-height: 52px;
  padding: 2px 0 8px;
  align-content: start;
  border: 0;
  border-bottom: 3px solid transparent;
  background: none;
  color: var(--soot-2);
  font-size: 15px;
  text-align: left;
  cursor: pointer;
}

.here {
  border-color: var(--bronze);
  color: var(--soot);
}

.here .name {
  font-weight: 700;
}

.says {
  padding: 8px 0 2px;
  max-width: 92ch;
}

@media (max-width: 720px) {
  .row {
    grid-template-columns: 1fr 1fr;
  }
}
</style>
