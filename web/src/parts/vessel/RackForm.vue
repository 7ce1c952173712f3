<script setup lang="ts">
import type { ShelfItem } from '@hollow-bell/contract';
import { eventSentence, viewOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { levelIn, smallestHolding, VESSEL_KINDS } from '@hollow-bell/core/vessel';
import type { Vessel, VesselKind } from '@hollow-bell/core/vessel';
import { computed, onMounted, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useVessels } from '../../composables/useVessels.ts';
import { useBatch } from '../../stores/batch.ts';
import { useShelf } from '../../stores/shelf.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';
import ByWeight from './ByWeight.vue';

const store = useBatch();
const shelf = useShelf();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();

const { load, free, options } = useVessels(() => store.batch?.id);

/** One that is not on the shelf yet. */
const ANOTHER = 'another';
interface Row {
  vessel: string;
  own: { name: string; kind: VesselKind; capacityL: number | null };
  volumeL: number | null;
  companion: boolean;
  byWeight: boolean;
}
const row = (companion: boolean, vessel = ''): Row => ({
  vessel,
  own: { name: '', kind: 'jug', capacityL: null },
  volumeL: null,
  companion,
  byWeight: false,
});
const KINDS = VESSEL_KINDS.map((value) => ({ value, label: value }));
const presentL = computed(() => viewOf(store.ledger)?.volumeL ?? 0);
const rows = ref<Row[]>([row(false)]);
const cloth = ref(false);
const at = ref<number | null>(null);
/** What is left to a siphon when the lees stay (our estimate); only to propose a vessel. */
const USUALLY_LEFT = 0.94;
onMounted(async () => {
  await load();
  const [first] = rows.value;
  if (first?.vessel === '') first.vessel = smallestHolding(free.value, USUALLY_LEFT * presentL.value)?.name ?? '';
});
const vessels = computed(() => [...options.value, { value: ANOTHER, label: 'another vessel …' }]);
function vesselOf({ vessel, own: { name, kind, capacityL } }: Row): Vessel | null {
  if (vessel !== ANOTHER) return shelf.vessels.find((each) => each.name === vessel) ?? null;
  return name.trim() === '' || capacityL === null ? null : { name: name.trim(), kind, capacityL };
}
const filled = computed(() =>
  rows.value.map((each) => {
    const { volumeL, companion } = each;
    const vessel = vesselOf(each);
    const level = vessel === null || volumeL === null ? null : levelIn(vessel, volumeL);
    return { vessel, volumeL, companion, level };
  }),
);
const totalL = computed(() => rows.value.reduce((sum, { volumeL }) => sum + (volumeL ?? 0), 0));
const isWhole = computed(() => filled.value.every(({ vessel, volumeL }) => vessel !== null && volumeL !== null && volumeL > 0));
const addRow = (): void => {
  rows.value.push(row(rows.value.length > 0));
};

async function rack(): Promise<void> {
  const into = filled.value.flatMap(({ vessel, volumeL, companion }) =>
    vessel === null || volumeL === null ? [] : [{ vessel, volumeL, ...(companion ? { companion } : {}) }],
  );
  const event: EventContent = { kind: 'rack', payload: { volumeL: totalL.value, into, ...(cloth.value ? { cloth: true } : {}) } };
  const when = at.value === null ? {} : { at: at.value };
  if (!(await attempt(() => store.write([event], tell(eventSentence(event)), when)))) return;
  const fresh = rows.value.filter(({ vessel }) => vessel === ANOTHER).flatMap((each) => vesselOf(each) ?? []);
  rows.value = [row(false, into[0]?.vessel.name ?? '')];
  at.value = null;
  for (const { name, kind, capacityL } of fresh) await attempt(() => shelf.put(onShelf(name, kind, capacityL), 0));
}
const onShelf = (name: string, shape: VesselKind, capacityL: number): ShelfItem => ({
  id: crypto.randomUUID(),
  name,
  stockG: 1,
  pricePerKg: null,
  expiresOn: null,
  note: '',
  putAway: false,
  detail: { kind: 'vessel', shape, capacityL, material: 'glass', neckMm: null },
});
</script>

<template>
  <form class="rack" @submit.prevent="rack">
    <div v-for="(each, i) in rows" :key="i" class="into">
      <PickList v-model="each.vessel" :label="i === 0 ? 'into' : 'and into'" :options="vessels" placeholder="choose a vessel" />
      <QuantityField v-model="each.volumeL" kind="volume" :label="i === 0 ? 'left in the new vessel' : 'how much'" />
      <button type="button" class="link small" @click="each.byWeight = !each.byWeight">by weight</button>
      <label v-if="i > 0" class="check"><input v-model="each.companion" type="checkbox" /> companion, for topping up</label>
      <ByWeight
        v-if="each.byWeight && store.view !== null"
        :tare-g="shelf.tareG(each.vessel)"
        :sg="store.view.sg"
        @liters="each.volumeL = $event"
      />
      <div v-if="each.vessel === ANOTHER" class="own">
        <label><span class="small quiet">called</span><input v-model="each.own.name" class="line-input" maxlength="60" /></label>
        <PickList v-model="each.own.kind" label="shape" :options="KINDS" />
        <QuantityField v-model="each.own.capacityL" kind="volume" label="holds to the brim" />
      </div>
      <p v-if="filled[i]?.level" class="small level" :class="{ refusal: filled[i].level.headspaceL < 0 }">
        <template v-if="filled[i].level.headspaceL < 0"
          >{{ show('volumeL', -filled[i].level.headspaceL) }} more than it holds: that much would run over.</template
        >
        <template v-else
          >stands {{ show('mm', filled[i].level.levelMm) }} high, {{ show('mm', filled[i].level.headspaceMm) }} of air under the bung,
          {{ show('volumeL', filled[i].level.headspaceL) }} to the brim</template
        >
      </p>
    </div>
    <div class="more">
      <button v-if="rows.length < 6" type="button" class="link" @click="addRow">One more vessel</button>
      <button v-if="rows.length > 1" type="button" class="link" @click="rows.pop()">One less</button>
      <label class="check"><input v-model="cloth" type="checkbox" /> through a cloth</label>
      <WhenField v-model="at" />
    </div>
    <p v-if="totalL > 0" class="small quiet">
      {{ show('volumeL', Math.max(0, presentL - totalL)) }} of {{ show('volumeL', presentL) }} stays on the lees.
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
    <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || !isWhole">Racked</el-button>
  </form>
</template>

<style scoped>
.rack {
  display: grid;
  gap: 10px;
  justify-items: start;
}

.into {
  display: grid;
  grid-template-columns: minmax(180px, 260px) 130px auto auto;
  align-items: end;
  gap: 6px 18px;
}

.own {
  display: grid;
  grid-column: 1 / -1;
  grid-template-columns: minmax(0, 1fr) 110px 130px;
  gap: 6px 18px;
}

.own label {
  display: grid;
  gap: 2px;
}

.level {
  grid-column: 1 / -1;
}

.more {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 18px;
}

.check {
  display: flex;
  align-items: center;
  gap: 6px;
  min-height: 40px;
}

@media (max-width: 720px) {
  .into {
    grid-template-columns: 1fr 1fr;
    width: 100%;
  }

  .check {
    min-height: 44px;
  }
}
</style>
