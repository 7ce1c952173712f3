<script setup lang="ts">
import { containerOf } from '@hollow-bell/core/carbonate';
import { colorsOf } from '@hollow-bell/core/record';
import { useElementSize } from '@vueuse/core';
import { computed, useTemplateRef } from 'vue';
import { useBottlingHere } from '../../composables/useBottling.ts';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';
import SentenceText from '../figures/SentenceText.vue';
import BellMark from '../rounds/BellMark.vue';
import BottleGroup from './BottleGroup.vue';
import { silhouetteOf } from './silhouette.ts';

/** The bottles of the crate on their floor, to scale; those that bear it are filled, the others barred. */
const store = useBatch();
const { show } = useReader();
const { isSparkling, where, counts, crate, awaits, fillWith, gramsFor, piecesFor } = useBottlingHere();
const color = computed(() => liquidColor(colorsOf(store.ledger)));
const floor = useTemplateRef<HTMLElement>('floor');
const { width } = useElementSize(floor);
/** So many of a kind are drawn; those behind bars need fewer. */
const drawn = (row: { have: number }, count: number, isBarred: boolean): number =>
  isBarred ? Math.min(2, row.have) : Math.min(4, Math.max(1, count, Math.min(row.have, count + 1)));
/** What is said below a barred kind wants so much room, and each kind some air, px. */
const BARRED_PX = 116;
const AIR_PX = 24;
/** Everything on one floor, as large as it fits. */
const scale = computed(() => {
  const rows = crate.value?.rows ?? [];
  const tallest = Math.max(1, ...rows.map(({ row }) => silhouetteOf(row.kind, row.sizeMl).heightCm));
  const filled = rows.filter(({ barred }) => barred === null);
  const wide = filled.reduce(
    (sum, { row, count }) => sum + silhouetteOf(row.kind, row.sizeMl).widthCm * (1 + 0.62 * (drawn(row, count, false) - 1)),
    0,
  );
  const isPhone = width.value < 500;
  const room = width.value - BARRED_PX * (rows.length - filled.length) - AIR_PX * filled.length;
  return Math.min((isPhone ? 120 : 190) / tallest, isPhone ? 5 : Math.max(3.2, room / Math.max(1, wide)));
});
</script>

<template>
  <div ref="floor" class="crate">
    <div v-for="each in crate?.rows ?? []" :key="each.row.key" class="kind" :data-kind="`${each.row.sizeMl} ${each.row.kind}`">
      <BottleGroup
        :kind="each.row.kind"
        :closure="each.row.closure"
        :size-ml="each.row.sizeMl"
        :filled="each.count"
        :empty="each.row.isCounted ? each.row.have - each.count : Number(each.count === 0)"
        :scale="scale"
        :color="color"
        :most="drawn(each.row, each.count, each.barred !== null)"
        :is-barred="each.barred !== null"
        :is-dashed="awaits"
        :title="`${each.count} of ${show('bottleMl', each.row.sizeMl)}, ${containerOf(each.row.kind ?? 'other').name}`"
      />
      <div class="told">
        <p class="count">
          <BellMark :bell="each.barred === null ? 'still' : each.holds === 'again' ? 'swinging' : 'cracked'" />
          <b v-if="each.barred !== null" class="number-field">0</b>
          <QuantityField
            v-else
            :model-value="each.row.wanted ?? each.count"
            kind="count"
            :label="`bottles of ${show('bottleMl', each.row.sizeMl)}`"
            hide-label
            class="number-field"
            @update:model-value="counts = { ...counts, [each.row.key]: $event }"
          />
          <span v-if="each.row.isCounted" class="small quiet">of {{ each.row.have }}</span>
        </p>
        <p class="small quiet">
          {{ show('bottleMl', each.row.sizeMl) }} {{ containerOf(each.row.kind ?? 'other').name }}, {{ each.row.closure }}
        </p>
        <p v-if="each.barred !== null" class="small" :class="{ refusal: each.holds !== 'again' }">
          <SentenceText :sentence="each.barred" />
        </p>
        <p v-else-if="isSparkling && each.rating !== null && Number.isFinite(each.rating)" class="small">
          bears {{ show('volumes', each.rating) }}
        </p>
        <p v-if="isSparkling && where === 'each' && each.barred === null" class="small">
          {{ piecesFor(each.row.sizeMl) === null ? show('massG', gramsFor(each.row.sizeMl)) : `${piecesFor(each.row.sizeMl)} pieces` }}
          into each
        </p>
        <button v-if="each.barred === null" type="button" class="link small" @click="fillWith(each.row.key)">as many as fit</button>
      </div>
    </div>
  </div>
</template>

<style scoped>
.crate {
  display: flex;
  flex-wrap: nowrap;
  align-items: flex-start;
  gap: 14px 14px;
}

.kind {
  display: grid;
  grid-template-rows: 210px auto;
  align-items: end;
  flex: none;
  width: min-content;
  min-width: 100px;
}

.told {
  display: grid;
  gap: 1px;
  align-self: start;
  padding-top: 6px;
  border-top: 2px solid var(--soot);
}

.count {
  display: flex;
  white-space: nowrap;
  align-items: center;
  gap: 6px;
}

.number-field {
  width: 58px;
  font-size: 20px;
  font-weight: 700;
}

@media (max-width: 720px) {
  .crate {
    display: grid;
    grid-template-columns: repeat(2, minmax(0, 1fr));
    align-items: end;
  }

  .kind {
    grid-template-rows: auto auto;
    align-self: start;
    width: auto;
  }
}

@media (max-width: 260px) {
  .crate {
    grid-template-columns: minmax(0, 1fr);
  }

  .kind {
    min-width: 0;
  }

  .count {
    flex-wrap: wrap;
    white-space: normal;
  }
}
</style>
