<script setup lang="ts">
import { nitrogenStaircase } from '@hollow-bell/core/feed';
import type { FeedingNow, FeedingPlan, Mark, Stair } from '@hollow-bell/core/feed';
import { sgAtShare } from '@hollow-bell/core/record';
import type { Ledger } from '@hollow-bell/core/record';
import { useElementSize } from '@vueuse/core';
import { computed, ref } from 'vue';
import { useReader } from '../composables/useReader.ts';
import { axisPosition, nitrogenBands, stackAt, topOf } from './nitrogen/drawing.ts';
import type { NitrogenAxis } from './nitrogen/drawing.ts';

const props = defineProps<{ feeding: FeedingPlan; progress: FeedingNow; ledger: Ledger; now: number }>();

const { show } = useReader();
const axis = ref<NitrogenAxis>('clock');
const inGrams = ref(false);
const box = ref<HTMLElement | null>(null);
const measured = useElementSize(box);
const HEIGHT = 170;
const LEFT = 50;
/** What is drawn before the page has been measured, and where nothing measures. */
const USUAL_WIDTH = 640;
const frame = computed(() => ({ width: Math.max(180, (measured.width.value || USUAL_WIDTH) - LEFT - 8), height: HEIGHT }));

const stairs = computed(() => nitrogenStaircase(props.feeding, props.progress, props.ledger, props.now));
const top = computed(() => (stairs.value === null ? 1 : topOf(stairs.value)));
const bands = computed(() => (stairs.value === null ? [] : nitrogenBands(stairs.value, axis.value, frame.value, top.value)));
const x = (mark: Mark): number => (stairs.value === null ? 0 : frame.value.width * axisPosition(stairs.value, axis.value)(mark));
const y = (mgPerL: number): number => HEIGHT - (HEIGHT * mgPerL) / top.value;
/** Nitrogen as it is counted here: in a liter, or in all of the vessel. */
const amount = (mgPerL: number): string =>
  inGrams.value ? `${show('massG', (mgPerL * (stairs.value?.volumeL ?? 0)) / 1000)} N` : show('mgPerL', mgPerL);

interface Line {
  id: string;
  label: string;
  x: number;
  row: number;
  isLeft: boolean;
}
/** About what a letter of a label takes. */
const LETTER = 6.6;
const ROW = 14;
/** Marks on the axis; a label that would run into another stands a row lower. */
const lines = computed<Line[]>(() => {
  const drawn = stairs.value;
  if (drawn === null) return [];
  const { thirdBreak, half, ammoniumCutoff, now } = drawn;
  const marks = [
    { id: 'third', label: 'third break', x: x(thirdBreak) },
    ...(ammoniumCutoff === null ? [] : [{ id: 'cutoff', label: 'no ammonium from here', x: x(ammoniumCutoff) }]),
    { id: 'half', label: 'nothing from here', x: x(half) },
    { id: 'now', label: 'now', x: x(now) },
  ].filter((mark) => mark.x < frame.value.width);
  const taken: { row: number; from: number; to: number }[] = [];
  return marks.map((mark): Line => {
    const isLeft = mark.x > frame.value.width - mark.label.length * LETTER;
    const [from, to] = isLeft ? [mark.x - mark.label.length * LETTER, mark.x + 4] : [mark.x - 4, mark.x + mark.label.length * LETTER];
    const isFree = (row: number): boolean => !taken.some((other) => other.row === row && other.from < to && from < other.to);
    const row = [0, 1, 2].find(isFree) ?? 2;
    taken.push({ row, from, to });
    return { ...mark, row, isLeft };
  });
});
/** Doses by where they stand: those too near each other share one mark. */
const doses = computed(() => {
  const marks: { x: number; numbers: Set<string>; told: string[] }[] = [];
  for (const stair of [...(stairs.value?.stairs ?? []), ...(stairs.value?.wasted ?? [])]) {
    const number = /\d+/.exec(stair.label)?.[0] ?? '';
    const told = `${stair.label} ${show('massG', stair.grams)}, ${amount(stair.mgPerL)}`;
    const near = marks.find((mark) => Math.abs(mark.x - x(stair)) < 2 * LETTER);
    if (near === undefined) marks.push({ x: x(stair), numbers: new Set([number]), told: [told] });
    else {
      near.numbers.add(number);
      near.told.push(told);
    }
  }
  return marks.map((mark) => ({ x: mark.x, number: [...mark.numbers].sort().join(' '), told: mark.told.join('; ') }));
});
const wasted = computed(() => {
  const drawn = stairs.value;
  if (drawn === null) return [];
  const hung = new Map<number, number>();
  return drawn.wasted.map((stair: Stair) => {
    const at = x(stair);
    const from = hung.get(at) ?? stackAt(drawn, axis.value, stair);
    hung.set(at, from + stair.mgPerL);
    return {
      x: Math.min(at, frame.value.width - 12),
      y: y(from + stair.mgPerL),
      height: y(from) - y(from + stair.mgPerL),
      label: stair.label,
    };
  });
});
const TICK_WIDTH = 76;
/** Days along the clock, gravities along the sugar. */
const ticks = computed(() => {
  const drawn = stairs.value;
  if (drawn === null) return [];
  if (axis.value === 'clock') {
    const days = Math.floor(drawn.lastHour / 24);
    const every = Math.max(1, Math.ceil(days / (frame.value.width / TICK_WIDTH)));
    return Array.from({ length: Math.floor(days / every) + 1 }, (_, i) => ({
      x: x({ hour: 24 * i * every, share: 0 }),
      label: i === 0 ? 'pitch' : `day ${i * every}`,
    }));
  }
  return [0, 1 / 9, 2 / 9, 1 / 3, 1 / 2]
    .map((share) => ({ x: x({ hour: 0, share }), label: show('sg', sgAtShare(props.ledger, share)) }))
    .filter((tick, i, all) => i === 0 || tick.x - (all[i - 1]?.x ?? 0) > TICK_WIDTH - 20);
});
const told = computed(() =>
  [
    `honey ${amount(stairs.value?.honeyMgPerL ?? 0)}`,
    ...(stairs.value !== null && stairs.value.fruitMgPerL > 0 ? [`fruit ${amount(stairs.value.fruitMgPerL)}`] : []),
    ...doses.value.map((dose) => dose.told),
  ].join(', '),
);
const fruit = computed(() => (stairs.value?.fruitMgPerL ?? 0) > 0);
</script>

<template>
  <figure
    v-if="stairs !== null"
    class="nitrogen"
    role="group"
    :aria-label="`Nitrogen against a need of ${amount(stairs.needMgPerL)}: ${told}`"
  >
    <div class="switches small no-print">
      <button type="button" :aria-pressed="axis === 'clock'" @click="axis = 'clock'">by the clock</button>
      <button type="button" :aria-pressed="axis === 'gravity'" @click="axis = 'gravity'">by the gravity</button>
      <button type="button" class="apart" :aria-pressed="!inGrams" @click="inGrams = false">in a liter</button>
      <button type="button" :aria-pressed="inGrams" @click="inGrams = true">in the vessel</button>
    </div>
    <div ref="box">
      <svg
        :viewBox="`${-LEFT} -48 ${frame.width + LEFT + 8} ${HEIGHT + 86}`"
        :width="frame.width + LEFT + 8"
        :height="HEIGHT + 86"
        aria-hidden="true"
      >
        <defs>
          <pattern id="too-late" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect class="hatch" width="2" height="6" />
          </pattern>
        </defs>
        <path
          v-for="band in bands"
          :key="`${band.kind} ${band.isAhead}`"
          :class="['band', band.kind, { ahead: band.isAhead }]"
          :d="band.path"
        />
        <rect
          v-for="(late, i) in wasted"
          :key="i"
          class="late"
          :x="late.x"
          :y="late.y"
          width="12"
          :height="late.height"
          fill="url(#too-late)"
        >
          <title>{{ late.label }}</title>
        </rect>
        <line class="need" x1="0" :x2="frame.width" :y1="y(stairs.needMgPerL)" :y2="y(stairs.needMgPerL)" />
        <text class="strong" :x="4" :y="y(stairs.needMgPerL) - 5">need {{ amount(stairs.needMgPerL) }}</text>
        <g v-for="line in lines" :key="line.id" :class="['mark', line.id]">
          <line :x1="line.x" :x2="line.x" :y1="ROW * line.row - 36" :y2="HEIGHT" />
          <text :x="line.x + (line.isLeft ? -4 : 4)" :y="ROW * line.row - 34" :text-anchor="line.isLeft ? 'end' : 'start'">
            {{ line.label }}
          </text>
        </g>
        <line class="floor" :x1="0" :x2="frame.width" :y1="HEIGHT" :y2="HEIGHT" />
        <g v-for="dose in doses" :key="dose.number" class="dose">
          <title>{{ dose.told }}</title>
          <path :d="`M${dose.x - 5} ${HEIGHT + 9}l5 -8l5 8z`" />
          <text :x="dose.x" :y="HEIGHT + 20" text-anchor="middle">{{ dose.number }}</text>
        </g>
        <text v-for="tick in ticks" :key="tick.label" class="tick" :x="tick.x" :y="HEIGHT + 35" text-anchor="middle">{{ tick.label }}</text>
        <text class="tick" :x="-6" :y="HEIGHT" text-anchor="end">0</text>
        <text class="tick" :x="-6" :y="y(stairs.needMgPerL) + 4" text-anchor="end">{{ amount(stairs.needMgPerL).split('\u00a0')[0] }}</text>
      </svg>
    </div>
    <figcaption class="small quiet">
      <span><i class="honey" />honey</span><span v-if="fruit"><i class="fruit" />fruit</span><span><i class="amino" />amino</span
      ><span><i class="ammonium" />ammonium</span><span><i class="amino ahead" />still to come</span
      ><span v-if="wasted.length > 0"><i class="hatched" />not any more</span>
    </figcaption>
  </figure>
</template>

<style scoped>
.nitrogen {
  margin: 0;
  padding: 6px 0 4px;
}

.apart {
  margin-left: auto;
}

svg {
  display: block;
  max-width: 100%;
  overflow: visible;
}

.honey {
  fill: #d9a03c;
  background: #d9a03c;
}

.fruit {
  fill: #8f2f45;
  background: #8f2f45;
}

.amino {
  fill: var(--verdigris);
  background: var(--verdigris);
}

.ammonium {
  fill: var(--bronze);
  background: var(--bronze);
}

.band {
  stroke: var(--limewash);
  stroke-width: 1;
}

.ahead {
  opacity: 0.42;
}

.hatch {
  fill: var(--soot-3);
}

.late {
  stroke: var(--soot-3);
}

.hatched {
  background: repeating-linear-gradient(45deg, var(--soot-3) 0 2px, transparent 2px 6px);
}

.need {
  stroke: var(--soot);
  stroke-width: 2;
}

.floor {
  stroke: var(--soot);
  stroke-width: 2;
}

text {
  fill: var(--soot-2);
  font-size: 12.5px;
}

.strong {
  fill: var(--soot);
  font-weight: 700;
}

.tick {
  font-family: var(--mono);
  font-size: 12px;
}

.mark line {
  stroke: var(--soot-3);
  stroke-dasharray: 3 3;
}

.now line {
  stroke: var(--bronze);
  stroke-width: 2;
  stroke-dasharray: none;
}

.now text {
  fill: var(--bronze);
  font-weight: 700;
}

.dose path {
  fill: var(--soot-2);
}

figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}

figcaption span {
  display: flex;
  align-items: center;
  gap: 6px;
}

i {
  width: 14px;
  height: 10px;
}

@media (max-width: 720px) {
  .apart {
    margin-left: 0;
  }
}
</style>
