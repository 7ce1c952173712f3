<script setup lang="ts">
import { useTemplateRef } from 'vue';

defineOptions({ inheritAttrs: false });
/** A dialog that takes the keys: its first field has them as soon as it stands open. */
const open = defineModel<boolean>({ default: true });
defineProps<{ title: string; width: string }>();
const emit = defineEmits<{ close: [] }>();
const body = useTemplateRef<HTMLElement>('body');

const FIRST = 'input:not([disabled]), textarea:not([disabled]), select:not([disabled]), button:not([disabled])';
const begin = (): void => body.value?.querySelector<HTMLElement>(FIRST)?.focus();

/** A list that stands closed would keep Escape to itself. */
function escape(press: KeyboardEvent): void {
  if (press.target instanceof Element && press.target.getAttribute('aria-expanded') === 'true') return;
  press.stopPropagation();
  open.value = false;
}
</script>

<template>
  <!-- A header of a section is no header of the page. -->
  <section>
    <el-dialog v-bind="$attrs" v-model="open" :title="title" :width="width" :lock-scroll="false" @opened="begin" @close="emit('close')">
      <div ref="body" @keydown.esc.capture="escape"><slot /></div>
    </el-dialog>
  </section>
</template>
