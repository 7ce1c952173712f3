<script setup lang="ts">
import { refDebounced } from '@vueuse/core';
import { computed, toRef } from 'vue';

/** What a figure came to, said once to those who listen when it has come to rest; what stood there at first is read in its place. */
const props = defineProps<{ text: string }>();
const RESTS_MS = 1200;
const first = props.text;
const rested = refDebounced(toRef(props, 'text'), RESTS_MS);
const spoken = computed(() => (rested.value === first ? '' : rested.value));
</script>

<template>
  <p class="visually-hidden" role="status" data-test="spoken">{{ spoken }}</p>
</template>
