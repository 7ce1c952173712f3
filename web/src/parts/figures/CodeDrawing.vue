<script setup lang="ts">
import { ref, watchEffect } from 'vue';
import { codeOf } from './codeOf.ts';

const props = defineProps<{ address: string; label: string }>();
const drawn = ref('');
watchEffect(() => {
  void codeOf(props.address).then((svg) => {
    drawn.value = `data:image/svg+xml;utf8,${encodeURIComponent(svg)}`;
  });
});
</script>

<template>
  <img v-if="drawn !== ''" :src="drawn" :alt="label" width="148" height="148" />
</template>

<style scoped>
img {
  padding: 8px;
  background: #fff;
}
</style>
