<script setup lang="ts">
import { useDebounceFn, useMutationObserver } from '@vueuse/core';
import { onMounted, ref } from 'vue';
import { anchorOf, termsIn } from './termsIn.ts';

/** The field’s words that this view uses, each with its meaning and the way to Help; read off the view itself, so none is forgotten. */
const props = defineProps<{ view: HTMLElement }>();
const RESTS_MS = 600;
const found = ref<ReturnType<typeof termsIn>>([]);
const look = (): void => {
  found.value = termsIn([...props.view.children].map((each) => (each.matches('.words-here') ? '' : each.textContent)).join(' '));
};
const lookSoon = useDebounceFn(look, RESTS_MS);
onMounted(look);
useMutationObserver(
  () => props.view,
  (changes) => {
    if (changes.some(({ target }) => (target instanceof Element ? target : target.parentElement)?.closest('.words-here') === null))
      void lookSoon();
  },
  { childList: true, subtree: true, characterData: true },
);
</script>

<template>
  <p v-if="found.length > 0" class="words-here small quiet no-print">
    <span>Words here:</span>
    <RouterLink v-for="{ term, means } in found" :key="term" :to="{ name: 'help', hash: `#${anchorOf(term)}` }" :title="means">{{
      term
    }}</RouterLink>
  </p>
</template>

<style scoped>
.words-here {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 28px;
  padding-top: 8px;
  border-top: 1px solid var(--rule);
}

a {
  display: inline-block;
  min-width: 24px;
  min-height: 24px;
}
</style>
