<script setup lang="ts">
import { useSingleKeys } from '../../composables/useSingleKeys.ts';
import { PLACE_KEYS, SHORTCUTS } from '../../shortcuts.ts';
import { DIP_WORDS } from '../help/words.ts';
import { defineAsyncComponent, ref } from 'vue';
import { useRouter } from 'vue-router';

/** Seldom needed, and not by the first view. */
const MakerDialog = defineAsyncComponent(() => import('../fields/MakerDialog.vue'));

const open = ref(false);
const router = useRouter();
let leader = 0;

const KEYS = Object.values(SHORTCUTS).filter(({ keys }) => keys[0] !== 'g');

useSingleKeys(['sheet', 'newBatch', 'lead', ...PLACE_KEYS], (name, event) => {
  const led = event.timeStamp - leader < 1200;
  const place = PLACE_KEYS.find((each) => each === name);
  if (name === 'sheet') open.value = true;
  else if (name === 'lead') leader = event.timeStamp;
  else if (name === 'newBatch') void router.push({ name: 'new' });
  else if (led && place !== undefined) void router.push({ name: place });
  else return false;
  return true;
});
</script>

<template>
  <MakerDialog v-if="open" v-model="open" title="Keys" width="min(560px, 92vw)">
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
  </MakerDialog>
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
