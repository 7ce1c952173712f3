<script setup lang="ts">
import { useSingleKeys } from '../../composables/useSingleKeys.ts';
import { PLACE_KEYS } from '../../shortcuts.ts';
import { defineAsyncComponent, ref } from 'vue';
import { useRouter } from 'vue-router';

/** Seldom needed, and not by the first view. */
const MakerDialog = defineAsyncComponent(() => import('../fields/MakerDialog.vue'));
const KeysList = defineAsyncComponent(() => import('./KeysList.vue'));

const open = ref(false);
const router = useRouter();
let leader = -Infinity;

useSingleKeys(['sheet', 'newBatch', 'lead', ...PLACE_KEYS], (name, event) => {
  const led = event.timeStamp - leader < 1200;
  const place = PLACE_KEYS.find((each) => each === name);
  if (name === 'sheet') open.value = true;
  else if (name === 'lead') leader = event.timeStamp;
  else if (name === 'newBatch') void router.push({ name: 'new' });
  else if (led && place !== undefined) {
    leader = -Infinity;
    void router.push({ name: place });
  } else return false;
  return true;
});
</script>

<template>
  <MakerDialog v-if="open" v-model="open" title="Keys" width="min(560px, 92vw)"><KeysList /></MakerDialog>
</template>
