<script setup lang="ts">
import { containerOf } from '@hollow-bell/core/carbonate';
import { DAY_MS } from '@hollow-bell/core/quantities';
import type { Shelved } from '@hollow-bell/contract';
import { waterShare } from '@hollow-bell/core/ingredients';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { isCounted } from '../../composables/useShelfDraft.ts';
import { liquidColor } from '../../look/liquidColor.ts';

const props = defineProps<{ shelved: Shelved; now: number }>();
defineEmits<{ open: [] }>();

const { show, money, priced } = useReader();
const SOON_DAYS = 30;
/** A meter wants its buffers again after this (our estimate). */
const CALIBRATION_DAYS = 60;

const item = computed(() => props.shelved.item);
const leftG = computed(() => item.value.stockG - props.shelved.takenG);
const fullness = computed(() => (item.value.stockG > 0 ? Math.max(0, Math.min(1, leftG.value / item.value.stockG)) : 0));
const hasJar = computed(() => !isCounted(item.value.detail.kind));
const left = computed(() => {
  const { detail, stockG } = item.value;
  if (detail.kind === 'bottle' || detail.kind === 'closure') return leftG.value < 0 ? `${-leftG.value} short` : `${leftG.value} ×`;
  if (isCounted(detail.kind)) return stockG === 1 ? '' : `${stockG} ×`;
  return leftG.value < 0 ? `${show('massG', -leftG.value)} short` : show('massG', leftG.value);
});
const about = computed(() => {
  const { detail, note } = item.value;
  const figures: string[] = [];
  if (detail.kind === 'ingredient' && detail.family === 'honey')
    figures.push(`${show('percent', 100 * waterShare(detail.composition))} water`);
  else if (detail.kind === 'ingredient') figures.push(`${show('percent', 100 * detail.composition.sugar)} sugar`);
  else if (detail.kind === 'yeast' && detail.own.toleranceAbv !== undefined)
    figures.push(`to ${show('abv', detail.own.toleranceAbv.value)}`);
  else if (detail.kind === 'nutrient') figures.push(`${show('percent', 100 * (detail.ammoniumN + detail.aminoN))} nitrogen`);
  else if (detail.kind === 'vessel') figures.push(`${show('volumeL', detail.capacityL)} ${detail.material} ${detail.shape}`);
  else if (detail.kind === 'instrument' && detail.calibrationC !== null) figures.push(`marked ${show('tempC', detail.calibrationC)}`);
  else if (detail.kind === 'bottle') figures.push(`${show('bottleMl', detail.sizeMl)} ${containerOf(detail.is).name}, ${detail.closure}`);
  else if (detail.kind === 'closure' && detail.soakMin !== undefined) figures.push(`soak ${detail.soakMin} min`);
  return [...figures, note].filter(Boolean).join(', ');
});
const price = computed(() => {
  const { pricePerKg, detail } = item.value;
  if ('priceEach' in detail && detail.priceEach !== undefined) return money(detail.priceEach);
  if (pricePerKg === null) return '';
  return detail.kind === 'ingredient' ? priced(pricePerKg) : `${money(pricePerKg / 1000)}/g`;
});
const warning = computed(() => {
  const { expiresOn, detail } = item.value;
  if (expiresOn !== null) {
    const days = Math.ceil((Date.parse(expiresOn) - props.now) / DAY_MS);
    if (days < 0) return 'past its date';
    if (days <= SOON_DAYS) return `${days} days left`;
  }
  if (detail.kind === 'instrument' && detail.reads === 'pH' && detail.calibratedOn !== null) {
    const days = Math.floor((props.now - Date.parse(detail.calibratedOn)) / DAY_MS);
    if (days > CALIBRATION_DAYS) return `not calibrated for ${days} days`;
  }
  return leftG.value < 0 ? 'count it again' : '';
});
</script>

<template>
  <li :data-item="item.name" :class="{ away: item.putAway }">
    <button type="button" @click="$emit('open')">
      <svg v-if="hasJar" viewBox="0 0 22 26" width="22" height="26" aria-hidden="true">
        <rect
          x="3.500"
          :y="24 - 17 * fullness"
          width="15"
          :height="17 * fullness"
          :style="{ fill: item.detail.kind === 'ingredient' ? liquidColor([item.name]) : 'var(--rule)' }"
        />
        <path d="M5 4h12M4 7c-1 .5-1 1-1 2v13c0 1.500 1 2 2 2h12c1 0 2-.5 2-2V9c0-1 0-1.500-1-2V4M4 7V4" class="jar" />
      </svg>
      <i v-else class="thing" aria-hidden="true" />
      <span class="what"
        ><b>{{ item.name }}</b
        ><span class="small quiet">{{ about }}</span></span
      >
      <span v-if="warning !== ''" class="warning small">{{ warning }}</span>
      <span class="price small quiet">{{ price }}</span>
      <b class="left">{{ left }}</b>
    </button>
  </li>
</template>

<style scoped>
li {
  border-bottom: 1px solid var(--rule);
}

button {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto 76px 84px;
  align-items: center;
  gap: 0 10px;
  width: 100%;
  min-height: 48px;
  padding: 3px 0;
  border: 0;
  background: none;
  color: inherit;
  font-size: 15px;
  text-align: left;
  cursor: pointer;
}

button:hover b {
  color: var(--bronze);
}

.jar {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.3;
}

.thing {
  width: 9px;
  height: 9px;
  margin-left: 6px;
  border: 1.5px solid var(--soot-3);
  border-radius: 50%;
}

.what {
  display: grid;
  line-height: 1.25;
}

.what .small {
  overflow: hidden;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.warning {
  grid-column: 3;
  color: var(--wax);
  font-weight: 640;
}

.price {
  grid-column: 4;
  text-align: right;
}

.left {
  grid-column: 5;
  text-align: right;
  white-space: nowrap;
}

.away {
  opacity: 0.6;
}

@media (max-width: 720px) {
  button {
    grid-template-columns: 26px minmax(0, 1fr) auto;
  }

  .price {
    display: none;
  }

  .left {
    grid-column: 3;
  }

  .warning {
    grid-row: 2;
    grid-column: 2;
  }
}
</style>
