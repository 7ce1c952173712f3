<script setup lang="ts">
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
  <details class="told no-print">
    <summary>The same as a table</summary>
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
            <td v-for="(cell, j) in row.cells" :key="j">{{ cell }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </details>
</template>

<style scoped>
summary {
  min-height: 32px;
  padding: 4px 0;
  color: var(--soot-2);
  font-size: 13px;
  cursor: pointer;
}

.scrolls {
  overflow-x: auto;
}
</style>
