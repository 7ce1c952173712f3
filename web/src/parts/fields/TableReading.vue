<script setup lang="ts">
defineProps<{ progress: number | null; problem: string }>();
defineEmits<{ stop: [] }>();
</script>

<template>
  <p v-if="progress !== null" class="small" role="status">
    Reading the file… {{ Math.round(100 * progress) }} % <button type="button" class="link" @click="$emit('stop')">Stop</button>
  </p>
  <p v-else-if="problem !== ''" class="refusal" role="alert">{{ problem }}</p>
</template>
