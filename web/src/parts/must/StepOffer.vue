<script setup lang="ts">
import { withStartShare } from '@hollow-bell/core/must';
import { computed } from 'vue';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import { useReader } from '../../composables/useReader.ts';

const props = defineProps<{ draft: MustDraft }>();
const { show } = useReader();
const isFed = computed(() => props.draft.plan.value.ingredients.some(({ id }) => id.endsWith(' (fed)')));
const startG = computed(() =>
  props.draft.plan.value.ingredients
    .filter(({ family, stage }) => family === 'honey' && stage !== 'after')
    .reduce((sum, { massG }) => sum + massG, 0),
);
</script>

<template>
  <section v-if="draft.steps.value !== null" class="steps">
    <h2>Feed the honey in steps</h2>
    <ol class="small">
      <li>
        Start with <b>{{ show('massG', startG * draft.steps.value.startShare) }}</b> of the honey, at
        <b>{{ show('sg', draft.steps.value.startSg) }}</b>.
      </li>
      <li v-for="step in draft.steps.value.steps" :key="step.number">
        At {{ show('sg', step.atSg) }} stir in <b>{{ show('massG', step.massG) }}</b>: back to {{ show('sg', step.toSg) }}.
      </li>
      <li class="quiet">Together as if it had started at {{ show('sg', draft.steps.value.effectiveOg) }}.</li>
    </ol>
    <el-button v-if="!isFed" size="small" @click="draft.replace(withStartShare(draft.plan.value, draft.steps.value.startShare))"
      >Plan it so</el-button
    >
    <el-button v-else size="small" @click="draft.replace(withStartShare(draft.plan.value, 1))">All of it at once</el-button>
  </section>
</template>

<style scoped>
.steps {
  display: grid;
  justify-items: start;
  gap: 6px;
}

ol {
  display: grid;
  gap: 3px;
}
</style>
