<script setup lang="ts" generic="V extends string | number">
defineProps<{ label: string; hideLabel?: boolean; options: readonly { value: V; label: string }[] }>();

const chosen = defineModel<V>({ required: true });
</script>

<template>
  <label class="pick">
    <span class="small quiet" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <el-select v-model="chosen" :aria-label="label" v-bind="{ options: [...options] }" />
  </label>
</template>

<style scoped>
.pick {
  display: grid;
  align-content: start;
  gap: 2px;
  min-width: 0;
}
</style>
