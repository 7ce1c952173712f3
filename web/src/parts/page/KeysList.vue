<script setup lang="ts">
import { SHORTCUTS } from '../../shortcuts.ts';
import { DIP_WORDS } from '../help/words.ts';

const KEYS = Object.values(SHORTCUTS).filter(({ keys }) => keys[0] !== 'g');
</script>

<template>
  <div>
    <dl>
      <template v-for="{ shown, does } in KEYS" :key="shown"
        ><dt class="mono">{{ shown }}</dt>
        <dd>{{ does }}</dd></template
      >
    </dl>
    <h2>What the dip line understands</h2>
    <dl>
      <template v-for="[key, does] in DIP_WORDS" :key="key"
        ><dt class="mono">{{ key }}</dt>
        <dd>{{ does }}</dd></template
      >
    </dl>
  </div>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: minmax(120px, 44%) 1fr;
  gap: 6px 16px;
  margin-bottom: 18px;
}

h2 {
  margin-bottom: 8px;
}
</style>
