<script setup lang="ts" generic="V extends string | number">
import { computed } from 'vue';

const props = defineProps<{ label: string; hideLabel?: boolean; placeholder?: string; options: readonly { value: V; label: string }[] }>();

const chosen = defineModel<V>({ required: true });
/** Its `options` prop is mistyped as a definition of itself; the value is what its documentation asks for. */
const selectOptions = computed((): Record<string, unknown> => ({ options: [...props.options], placeholder: props.placeholder ?? '' }));
</script>

<template>
  <label class="pick">
    <span class="small quiet" :class="{ 'visually-hidden': hideLabel }">{{ label }}</span>
    <el-select v-model="chosen" :aria-label="label" v-bind="selectOptions" />
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
