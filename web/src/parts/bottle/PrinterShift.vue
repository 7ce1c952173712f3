<script setup lang="ts">
/** How far this house's printer is off, in millimeters, by its own test print. */
const right = defineModel<number>('right', { required: true });
const down = defineModel<number>('down', { required: true });
defineProps<{ busy: boolean }>();
const emit = defineEmits<{ test: [] }>();
</script>

<template>
  <details>
    <summary class="small">The printer is off by a little</summary>
    <p class="small quiet">
      Print the test sheet, hold it against the labels, and type how far the lines must move: right and down are positive.
    </p>
    <div class="row">
      <label
        ><span class="small quiet">right, mm</span
        ><input v-model.number="right" class="line-input" type="number" step="0.5" min="-20" max="20"
      /></label>
      <label
        ><span class="small quiet">down, mm</span
        ><input v-model.number="down" class="line-input" type="number" step="0.5" min="-20" max="20"
      /></label>
      <el-button :loading="busy" @click="emit('test')">Test sheet</el-button>
    </div>
  </details>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(120px, 100%), 1fr));
  gap: 6px 18px;
  align-items: end;
}
</style>
