<script setup lang="ts">
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import type { MustDraft } from '../../composables/useMustDraft.ts';
import SpokenOnce from '../page/SpokenOnce.vue';
import VerdictList from '../figures/VerdictList.vue';

/** What the must comes to and the worst of it, in sight while it is typed. */
const props = defineProps<{ draft: MustDraft }>();
const { show, tell } = useReader();
const outcome = computed(() => {
  const { volumeL, og, abv, fg } = props.draft.figures.value;
  return `${show('volumeL', volumeL.value)} at ${show('sg', og.value)}, stops near ${show('sg', fg.value)}, ${show('abv', abv.value)}`;
});
/** The verdicts come worst first; one that only notes is not in the way. */
const worst = computed(() => props.draft.verdicts.value.filter(({ weight }) => weight !== 'note').slice(0, 1));
const spoken = computed(() => [outcome.value, ...worst.value.map(({ sentence }) => tell(sentence))].join('. '));
</script>

<template>
  <div class="outcome" data-test="outcome-line">
    <b class="number">{{ outcome }}</b>
    <VerdictList :verdicts="worst" class="worst small" />
    <SpokenOnce :text="spoken" />
  </div>
</template>

<style scoped>
.outcome {
  position: sticky;
  z-index: 10;
  top: 0;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 18px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  background: var(--limewash);
}

.worst {
  flex: 1 1 300px;
}

/* One line where the keys of a phone leave little room. */
.worst :deep(span) {
  display: -webkit-box;
  overflow: hidden;
  -webkit-box-orient: vertical;
  -webkit-line-clamp: 1;
  align-self: center;
}

@media (max-width: 720px) {
  .outcome {
    margin-inline: -16px;
    padding-inline: 16px;
    font-size: 15px;
  }
}
</style>
