<script setup lang="ts">
import { viewOf } from '@hollow-bell/core/record';
import { smallestHolding } from '@hollow-bell/core/vessel';
import { computed, onMounted, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import { useVessels } from '../../composables/useVessels.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import MakerDialog from '../fields/MakerDialog.vue';
import WhenField from '../fields/WhenField.vue';

const emit = defineEmits<{ close: [] }>();
const store = useBatch();
const shelf = useShelf();
const { load, free, options } = useVessels(() => store.batch?.id);
const at = ref<number | null>(null);
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();

const OWN = 'own ';
const presentL = computed(() => viewOf(store.ledger)?.volumeL ?? 0);
const fitting = (volumeL: number): string => smallestHolding(free.value, volumeL)?.name ?? '';
const child = (n: number) => ({
  id: crypto.randomUUID(),
  name: `${store.batch?.name ?? 'Batch'} ${n}`,
  volumeL: (Math.round(presentL.value * 50) / 100) as number | null,
  vessel: fitting(Math.round(presentL.value * 50) / 100),
});
const children = ref([child(2)]);
onMounted(async () => {
  await load();
  for (const each of children.value) each.vessel = fitting(each.volumeL ?? 0);
});
/** Its own vessels, each of which may go its own way as it stands. */
const own = computed(() =>
  store.stands.length < 2
    ? []
    : store.stands.map(({ vessel, volumeL }, i) => ({
        value: `${OWN}${i}`,
        label: `its own ${vessel.name} as it stands, ${show('volumeL', volumeL)}`,
      })),
);
const choices = computed(() => [...own.value, ...options.value]);
const ownOf = (value: string) => (value.startsWith(OWN) ? store.stands[Number(value.slice(OWN.length))] : undefined);
function choose(each: { vessel: string; volumeL: number | null }, value: string): void {
  each.vessel = value;
  const stand = ownOf(value);
  if (stand !== undefined) each.volumeL = stand.volumeL;
}
const leftL = computed(() => presentL.value - children.value.reduce((sum, { volumeL }) => sum + (volumeL ?? 0), 0));
const addChild = (): void => {
  children.value.push({ ...child(children.value.length + 2), volumeL: Math.max(0, Math.round(leftL.value * 50) / 100) });
};

/** All of them and what stays alike. */
function shareAlike(): void {
  const volumeL = presentL.value / (children.value.length + 1);
  for (const each of children.value) Object.assign(each, { volumeL, vessel: fitting(volumeL) });
}

async function split(): Promise<void> {
  const { batch } = store;
  if (batch === null) return;
  const done = await attempt(async () => {
    const into = children.value.map(({ name, volumeL, vessel }) => {
      const stand = ownOf(vessel);
      const goes = { name, volumeL: volumeL ?? 0 };
      return stand === undefined
        ? { ...goes, vessel: shelf.vessels.find((each) => each.name === vessel) ?? batch.plan.must.vessel }
        : { ...goes, vessel: stand.vessel, asItStands: true };
    });
    await store.split(into, at.value ?? Date.now());
  });
  if (done) emit('close');
}
</script>

<template>
  <MakerDialog title="Split into other vessels" width="min(560px, 94vw)" @close="emit('close')">
    <form class="form" @submit.prevent="split">
      <p class="quiet">Each part becomes a batch of its own and keeps this one’s history.</p>
      <div v-for="each in children" :key="each.id" class="child">
        <label><span class="small quiet">called</span><input v-model="each.name" class="line-input" maxlength="80" /></label>
        <QuantityField v-model="each.volumeL" kind="volume" label="takes" needed />
        <PickList :model-value="each.vessel" label="into" :options="choices" @update:model-value="choose(each, $event)" />
      </div>
      <p class="add">
        <button v-if="children.length < 6" type="button" class="link" @click="addChild">One more vessel</button>
        <button type="button" class="link" @click="shareAlike">Equal parts</button>
      </p>
      <WhenField v-model="at" />
      <p v-if="leftL >= -0.005">
        <b>{{ show('volumeL', Math.max(0, leftL)) }}</b> stays where it is.
      </p>
      <p v-else class="refusal">That is {{ show('volumeL', -leftL) }} more than there is.</p>
      <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || leftL < -0.005">Split it</el-button>
    </form>
  </MakerDialog>
</template>

<style scoped>
.form {
  display: grid;
  gap: 12px;
}

.child {
  display: grid;
  grid-template-columns: 1fr 110px 150px;
  gap: 8px 16px;
}

label {
  display: grid;
  gap: 2px;
}

.add {
  justify-self: start;
}

@media (max-width: 720px) {
  .child {
    grid-template-columns: 1fr 1fr;
  }

  .child label:first-child {
    grid-column: 1 / -1;
  }
}
</style>
