<script setup lang="ts">
import FoldedPart from '../page/FoldedPart.vue';

export interface ChartRow {
  /** The first names the row. */
  cells: readonly string[];
  /** Not measured: expected, or not counted. */
  isQuiet?: boolean;
}
/** A drawing in a sentence and in numbers, for who reads by ear or wants them exact. */
defineProps<{ sentence: string; caption: string; heads: readonly string[]; rows: readonly ChartRow[] }>();
</script>

<template>
  <FoldedPart summary="The same as a table" class="told no-print">
    <p>{{ sentence }}</p>
    <div class="scrolls" tabindex="0" role="group" :aria-label="caption">
      <table class="ruled">
        <caption class="visually-hidden">
          {{
            caption
          }}
        </caption>
        <thead>
          <tr>
            <th v-for="head in heads" :key="head" scope="col">{{ head }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(row, i) in rows" :key="i" :class="{ quiet: row.isQuiet }">
            <component :is="j === 0 ? 'th' : 'td'" v-for="(cell, j) in row.cells" :key="j" :scope="j === 0 ? 'row' : null">{{
              cell
            }}</component>
          </tr>
        </tbody>
      </table>
    </div>
  </FoldedPart>
</template>

<style scoped>
.told :deep(summary) {
  padding-bottom: 4px;
  color: var(--soot-2);
  font-size: 13px;
}

.scrolls {
  overflow-x: auto;
}
</style>
