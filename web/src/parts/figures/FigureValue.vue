<script setup lang="ts">
import type { QuantityKind } from '@hollow-bell/tell';
import { isRough } from '@hollow-bell/core/quantities';
import type { Ranged, Working } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import RangeBar from './RangeBar.vue';
import WorkingSheet from './WorkingSheet.vue';

const props = defineProps<{ label: string; kind: QuantityKind; figure: Ranged; working?: Working; bar?: boolean; note?: string }>();

const { parts, range } = useReader();
/** Where a figure is mostly doubt its range is what is known, not its middle. */
const isMostlyDoubt = computed(() => isRough(props.figure));
const value = computed((): readonly [string, string] => {
  const [number, unit] = parts(props.kind, props.figure.value);
  const [low] = parts(props.kind, props.figure.low);
  const [high] = parts(props.kind, props.figure.high);
  return isMostlyDoubt.value && low !== high ? [`${low} – ${high}`, unit] : [number, unit];
});
const spread = computed(() => (isMostlyDoubt.value ? '' : range(props.kind, props.figure)));
</script>

<template>
  <div class="figure" :data-figure="label">
    <el-popover :disabled="working === undefined" trigger="click" :width="360" placement="bottom-start">
      <template #reference>
        <button
          type="button"
          class="press"
          :class="{ plain: working === undefined }"
          :aria-label="`${label}: ${value.join(' ')}. Show working`"
        >
          <span class="label">{{ label }}</span>
          <span class="value"
            ><span class="big number">{{ value[0] }}</span> <span class="unit">{{ value[1] }}</span></span
          >
          <RangeBar v-if="bar === true" class="bar" :figure="figure" />
          <span class="range small quiet">{{ spread === '' ? (note ?? '') : note === undefined ? spread : `${spread}, ${note}` }}</span>
        </button>
      </template>
      <WorkingSheet v-if="working !== undefined" :title="label" :working="working" />
    </el-popover>
  </div>
</template>

<style scoped>
.press {
  display: grid;
  grid-template-columns: 1fr auto;
  grid-template-areas: 'label value' 'bar range';
  align-items: baseline;
  gap: 2px 14px;
  width: 100%;
  padding: 8px 0;
  border: 0;
  background: none;
  color: inherit;
  text-align: left;
  font-size: inherit;
  cursor: pointer;
}

.press.plain {
  cursor: default;
}

.label {
  grid-area: label;
}

.value {
  grid-area: value;
  text-align: right;
  white-space: nowrap;
}

.unit {
  font-weight: 640;
}

.bar {
  grid-area: bar;
  align-self: center;
}

.range {
  grid-area: range;
  text-align: right;
}

@media (max-width: 260px) {
  .press {
    grid-template-columns: minmax(0, 1fr);
    grid-template-areas: 'label' 'value' 'bar' 'range';
  }
}
</style>
