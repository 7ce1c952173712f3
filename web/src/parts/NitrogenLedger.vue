<script setup lang="ts">
import type { FeedingNow, FeedingPlan } from '@hollow-bell/core/feed';
import { nitrogenBars } from '@hollow-bell/core/feed';
import type { Ledger } from '@hollow-bell/core/ledger';
import { computed } from 'vue';
import { useReader } from '../composables/useReader.ts';

const props = defineProps<{ feeding: FeedingPlan; now: FeedingNow; ledger: Ledger }>();

const { show } = useReader();
const bars = computed(() => nitrogenBars(props.feeding, props.now, props.ledger));
const full = computed(() => Math.max(props.feeding.needMgPerL, bars.value.at(-1)?.toMgPerL ?? 0) * 1.04);
const x = (mg: number): number => (100 * mg) / full.value;
const told = computed(() => bars.value.map((bar) => `${bar.label} ${show('mgPerL', bar.toMgPerL - bar.fromMgPerL)}`).join(', '));
</script>

<template>
  <figure class="nitrogen" role="img" :aria-label="`Nitrogen against a need of ${show('mgPerL', feeding.needMgPerL)}: ${told}`">
    <div class="track">
      <span
        v-for="bar in bars"
        :key="`${bar.label} ${bar.fromMgPerL}`"
        :class="[
          'bar',
          bar.kind,
          { ahead: bar.state === 'ahead' || bar.state === 'due', late: ['too late', 'dropped', 'missed'].includes(bar.state) },
        ]"
        :style="{ left: `${x(bar.fromMgPerL)}%`, width: `${x(bar.toMgPerL - bar.fromMgPerL)}%` }"
        :title="bar.label"
      />
      <span class="need" :style="{ left: `${x(feeding.needMgPerL)}%` }"
        ><b>need {{ show('mgPerL', feeding.needMgPerL) }}</b></span
      >
    </div>
    <figcaption class="small quiet">
      <span><i class="bar honey" />honey</span><span><i class="bar fruit" />fruit</span><span><i class="bar amino" />amino, given</span
      ><span><i class="bar ammonium" />ammonium, given</span><span><i class="bar amino ahead" />still to come</span
      ><span><i class="bar late" />not any more</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.nitrogen {
  margin: 0;
  padding: 22px 0 4px;
}

.track {
  position: relative;
  height: 34px;
  border-bottom: 2px solid var(--soot);
}

.bar {
  background: var(--verdigris);
}

.track .bar {
  position: absolute;
  bottom: 0;
  height: 28px;
  border-right: 1px solid var(--limewash);
}

.honey {
  background: #d9a03c;
}

.fruit {
  background: #8f2f45;
}

.ammonium {
  background: var(--bronze);
}

.ahead {
  opacity: 0.42;
}

.late {
  background: repeating-linear-gradient(45deg, var(--soot-3) 0 2px, transparent 2px 6px);
  opacity: 1;
}

.need {
  position: absolute;
  top: -16px;
  bottom: -4px;
  border-left: 2px solid var(--soot);
}

.need b {
  position: absolute;
  right: 5px;
  top: -5px;
  font-size: 13px;
  white-space: nowrap;
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  padding-top: 8px;
}

figcaption span {
  display: flex;
  align-items: center;
  gap: 6px;
}

i.bar {
  width: 14px;
  height: 10px;
}
</style>
