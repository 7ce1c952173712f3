<script setup lang="ts">
import { useTemplateRef } from 'vue';

/** A dialog that takes the keys: its first field has them as soon as it stands open. */
const open = defineModel<boolean>({ default: true });
defineProps<{ title: string; width: string }>();
const emit = defineEmits<{ close: [] }>();
const body = useTemplateRef<HTMLElement>('body');

const FIRST = 'input:not([disabled]), textarea:not([disabled]), select:not([disabled]), button:not([disabled])';
const begin = (): void => body.value?.querySelector<HTMLElement>(FIRST)?.focus();
</script>

<template>
  <el-dialog v-model="open" :title="title" :width="width" :lock-scroll="false" @opened="begin" @close="emit('close')">
    <div ref="body"><slot /></div>
  </el-dialog>
</template>
