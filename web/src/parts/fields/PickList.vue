<script setup lang="ts" generic="V extends string | number">
import { computed } from 'vue';

const props = defineProps<{ label: string; hideLabel?: boolean; placeholder?: string; options: readonly { value: V; label: string }[] }>();

const chosen = defineModel<V>({ required: true });
/** What its properties are typed as is their own definition; these are the values that its documentation asks for. Its list is made when it is opened. */
const list = computed((): Record<string, unknown> => ({ placeholder: props.placeholder ?? '', persistent: false }));
</script>

<template>
  <label class="pick">
    <span class="small quiet" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <el-select v-model="chosen" :aria-label="label" v-bind="list">
      <el-option v-for="option in options" :key="option.value" :value="option.value as never" :label="option.label as never" />
    </el-select>
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
