<script setup lang="ts">
import { useEventListener } from '@vueuse/core';
import { nextTick, useTemplateRef } from 'vue';

defineOptions({ inheritAttrs: false });
/** A dialog that takes the keys: its first field has them as soon as it stands open. */
const open = defineModel<boolean>({ default: true });
defineProps<{ title: string; width: string }>();
const emit = defineEmits<{ close: [] }>();
const body = useTemplateRef<HTMLElement>('body');

const FIRST = 'input:not([disabled]), textarea:not([disabled]), select:not([disabled]), button:not([disabled])';
function begin(): void {
  if (body.value?.contains(document.activeElement) === false) body.value.querySelector<HTMLElement>(FIRST)?.focus();
}
/** The trap takes the focus for the dialog itself while it opens; whoever types at once would type into nothing. */
async function beginAtOnce(): Promise<void> {
  await nextTick();
  await nextTick();
  begin();
}

/** A list that stands closed would keep Escape to itself. */
function escape(press: KeyboardEvent): void {
  if (press.key !== 'Escape') return;
  if (press.target instanceof Element && press.target.getAttribute('aria-expanded') === 'true') return;
  press.stopPropagation();
  open.value = false;
}
useEventListener(body, 'keydown', escape, { capture: true });
</script>

<template>
  <!-- A header of a section is no header of the page. -->
  <section>
    <el-dialog
      v-bind="$attrs"
      v-model="open"
      :title="title"
      :width="width"
      :lock-scroll="false"
      @open-auto-focus="beginAtOnce"
      @opened="begin"
      @close="emit('close')"
    >
      <div ref="body"><slot /></div>
    </el-dialog>
  </section>
</template>
