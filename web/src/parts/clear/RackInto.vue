<script setup lang="ts">
import { closeGap, waysInto } from '@hollow-bell/core/clear';
import type { RackInto } from '@hollow-bell/core/clear';
import { colorsOf, eventSentence } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { sectionOf } from '@hollow-bell/core/vessel';
import { useElementSize } from '@vueuse/core';
import { computed, onMounted, ref, useTemplateRef } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useVessels } from '../../composables/useVessels.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';
import VesselSection from '../vessel/VesselSection.vue';

/** The vessels at hand on one floor, as the mead stands and as it would stand; the arrow keys choose. */
const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { load, free } = useVessels(() => store.batch?.id);
onMounted(load);

/** What a siphon leaves when the lees stay, L for each mm of them and a little mead above (our estimate); typed over at will. */
const USUALLY_LEFT = 0.06;
const MOST_SHOWN = 5;
const staysL = ref<number | null>(null);
const presentL = computed(() => store.view?.volumeL ?? 0);
const movesL = computed(() => Math.max(0, presentL.value - (staysL.value ?? USUALLY_LEFT * presentL.value)));
const ways = computed<RackInto[]>(() => (movesL.value > 0.05 ? waysInto(free.value, movesL.value).slice(0, MOST_SHOWN) : []));
const chosen = ref(0);
const way = computed(() => ways.value[Math.min(chosen.value, ways.value.length - 1)]);
const color = computed(() => liquidColor(colorsOf(store.ledger)));
const floor = ref<HTMLElement | null>(null);
const { width } = useElementSize(floor);
const TALLEST_PX = 190;
const AIR_PX = 26;
/** One scale for all of them. */
const scale = computed(() => {
  const sections = [...store.stands.map(({ vessel }) => vessel), ...ways.value.map(({ main }) => main.vessel)].map(sectionOf);
  const tallest = Math.max(1, ...sections.map(({ heightCm }) => heightCm.at(-1) ?? 0));
  const wide = sections.reduce((sum, { radiusCm }) => sum + 2 * Math.max(...radiusCm), 0);
  const room = Math.max(300, width.value) - AIR_PX * sections.length;
  return Math.min(TALLEST_PX / tallest, Math.max(3, room / Math.max(1, wide)));
});
const layer = (liters: number) => [{ liters, color: color.value, label: '' }];
const gap = computed(() => {
  const { view } = store;
  const main = way.value?.main;
  if (view === null || main === undefined || main.gapL < 0.02) return null;
  return closeGap({ volumeL: main.volumeL, sg: view.sg, abv: view.abv }, main.gapL);
});
const TOLD = { full: 'full', gap: 'air to close', wide: 'a wide mouth ages badly', 'too small': 'not all of it fits' } as const;
const presses = useTemplateRef<HTMLButtonElement[]>('presses');
function move(step: number): void {
  chosen.value = Math.max(0, Math.min(ways.value.length - 1, chosen.value + step));
  presses.value?.[chosen.value]?.focus();
}
const deed = computed(() => {
  if (way.value === undefined) return '';
  const { main, companion } = way.value;
  return `Racked ${show('volumeL', main.volumeL)}${companion === null ? '' : ` and ${show('volumeL', companion.volumeL)} beside it`}`;
});
const cloth = ref(false);
function rack(): Promise<boolean> {
  return attempt(() => {
    if (way.value === undefined) return false;
    const { main, companion } = way.value;
    const into = [
      { vessel: main.vessel, volumeL: main.volumeL },
      ...(companion === null ? [] : [{ vessel: companion.vessel, volumeL: companion.volumeL, companion: true }]),
    ];
    const volumeL = into.reduce((sum, each) => sum + each.volumeL, 0);
    const event: EventContent = { kind: 'rack', payload: { volumeL, into, ...(cloth.value ? { cloth: true } : {}) } };
    return store.write([event], tell(eventSentence(event)));
  });
}
</script>

<template>
  <div ref="floor" class="rack-into" data-test="rack-into">
    <ol
      v-if="ways.length > 0"
      class="floor"
      aria-label="Into which vessel"
      @keydown.right.prevent="move(1)"
      @keydown.left.prevent="move(-1)"
    >
      <li v-for="(stand, i) in store.stands" :key="`now ${i}`" class="now">
        <span class="stand"
          ><VesselSection
            :vessel="stand.vessel"
            :layers="layer(stand.volumeL)"
            :lees-l="i === 0 ? 0.04 * stand.volumeL : 0"
            :scale="scale"
            airlock
            :title="`Now: ${show('volumeL', stand.volumeL)} in the ${stand.vessel.name}`"
        /></span>
        <span class="small quiet">as it stands</span>
        <b>{{ stand.vessel.name }}</b>
      </li>
      <li v-for="(each, i) in ways" :key="each.main.vessel.name" :class="{ chosen: each === way }" :data-vessel="each.main.vessel.name">
        <button ref="presses" type="button" class="press" :aria-pressed="each === way" @click="chosen = i">
          <span class="stand"
            ><VesselSection
              :vessel="each.main.vessel"
              :layers="layer(each.main.volumeL)"
              :scale="scale"
              airlock
              :title="`${show('volumeL', each.main.volumeL)} in the ${each.main.vessel.name}`" /><VesselSection
              v-if="each.companion !== null && each === way"
              :vessel="each.companion.vessel"
              :layers="layer(each.companion.volumeL)"
              :scale="scale"
              airlock
              :title="`${show('volumeL', each.companion.volumeL)} in the ${each.companion.vessel.name}`"
          /></span>
          <b>{{ each.main.vessel.name }}</b>
          <span class="big">{{ show('mm', each.main.headspaceMm) }}</span>
          <span class="small quiet">of air · {{ TOLD[each.main.is] }}</span>
          <span v-if="each.companion !== null" class="small"
            >{{ show('volumeL', each.companion.volumeL) }} in the {{ each.companion.vessel.name }}</span
          >
          <span v-if="each.leftL > 0" class="small refusal">{{ show('volumeL', each.leftL) }} finds no vessel</span>
          <span class="small quiet">oxygen in it {{ show('mgPerL', each.main.oxygenMgPerL) }}</span>
        </button>
      </li>
    </ol>
    <p v-else class="quiet">No free vessel is on the shelf. Write the racking below, or put vessels on the shelf.</p>
    <div v-if="way !== undefined" class="deed">
      <QuantityField v-model="staysL" kind="volume" label="stays on the lees" class="stays" />
      <label class="choice"><input v-model="cloth" type="checkbox" /> <span>a cloth at the hose</span></label>
      <el-button type="primary" :loading="busy" :disabled="blocked || way.leftL > 0" @click="rack">{{ deed }}</el-button>
    </div>
    <p v-if="gap !== null" class="small" data-test="gap">
      To close {{ show('volumeL', gap.gapL) }} up to 25 mm under the bung: its like, a smaller vessel, about {{ gap.marbles }} glass
      marbles, or water, which makes it {{ show('abv', gap.withWater.abv) }} and {{ show('sg', gap.withWater.sg) }} and thins its sulfite
      alike.
    </p>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.rack-into {
  display: grid;
  gap: 8px;
}

.floor {
  display: flex;
  gap: 4px;
  overflow-x: auto;
}

.floor li {
  flex: 1 0 104px;
  border-bottom: 3px solid transparent;
}

.now,
.press {
  display: grid;
  grid-template-rows: 236px;
  justify-items: center;
  align-content: start;
  width: 100%;
  padding: 0 0 6px;
  border: 0;
  background: none;
  color: inherit;
  text-align: center;
}

.press {
  cursor: pointer;
}

.now {
  opacity: 0.85;
}

.floor li.chosen {
  border-color: var(--bronze);
  background: linear-gradient(transparent 236px, var(--bronze-soft) 236px);
}

.stand {
  display: flex;
  align-items: end;
  justify-content: center;
  width: 100%;
  border-bottom: 3px solid var(--soot);
}

.big {
  font-size: 20px;
  font-weight: 700;
}

.deed {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 8px 18px;
}

.stays {
  max-width: 150px;
}
</style>
