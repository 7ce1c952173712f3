<script setup lang="ts">
import { useSingleKeys } from '../../composables/useSingleKeys.ts';
import { PLACE_KEYS, SHORTCUTS } from '../../shortcuts.ts';
import { defineAsyncComponent, ref } from 'vue';
import { useRouter } from 'vue-router';

/** Seldom needed, and not by the first view. */
const MakerDialog = defineAsyncComponent(() => import('../fields/MakerDialog.vue'));

const open = ref(false);
const router = useRouter();
let leader = 0;

const KEYS = Object.values(SHORTCUTS).filter(({ keys }) => keys[0] !== 'g');
const DIPS: [string, string][] = [
  ['1.048 21c', 'a gravity, and how warm the sample was'],
  ['1.070 at 68 · 70f 1.062 · 12 bx · 1.012 float', 'the same in other words, or by another instrument'],
  ['ph 3.42 ta 6.1', 'an acidity, and titrated acid in g/L'],
  ['so2 28 · lees 12 mm', 'free sulfur dioxide, height of the lees'],
  ['bubbling · no bubbles · film · vinegar', 'what you see and smell'],
  ['fed', 'the dose that is planned, as planned'],
  ['fed 3 g organic + 0.8 g dap', 'what you really gave, as one dose'],
  ['honey 200 g · water 1 l · sulfite 0.4 g', 'what went in'],
  ['degassed · stirred · clear · hazy', 'what you did or see'],
  ['racked 4.2 l to the 5 l jug, 0.4 l to the small jug as companion', 'into which vessels, and how much'],
  ['topped up 0.1 l from the companion · split 2 l into the 3 l jug', 'between vessels'],
  ['pitched one packet · 2 tablets · half a tsp tartaric acid', 'by the packet, the tablet, the spoon'],
  ['heated to 63c for 20 min · filtered through pads · moved to the cellar', 'what was done to it'],
  ['bottled 5 x 750 ml · opened one', 'bottles, and where they went'],
  ['bag out 400 g', 'pulp lifted out, as it drips'],
  ['lost 1.5 l · foamed over 1.5 l', 'what is gone'],
  ['yesterday 18:40 1.062 · sunday 9:00 … · 3 h ago …', 'the same, earlier'],
  ['note rain all day', 'a note, word for word'],
];

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
      <template v-for="[key, does] in DIPS" :key="key"
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
