<script setup lang="ts">
import type { Sentence } from '@hollow-bell/core/quantities';
import { useReader } from '../../composables/useReader.ts';

defineProps<{ sentence: Sentence }>();

const { showQuantity } = useReader();
</script>

<template>
  <span
    ><template v-for="(part, i) in sentence" :key="i"
      ><template v-if="typeof part === 'string'">{{ part }}</template
      ><b v-else-if="part.kind !== 'when'">{{ showQuantity(part) }}</b
      ><template v-else>{{ showQuantity(part) }}</template></template
    ></span
  >
</template>
