<script setup lang="ts">
import type { GasFan, SlipId } from '@hollow-bell/core/carbonate';
import { computed, ref } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import ChartTable from '../figures/ChartTable.vue';

const props = defineProps<{
  residual: number;
  fan: GasFan;
  marks: readonly { name: string; volumes: number; isBarred: boolean }[];
}>();
/** Volumes wanted: the handle and the field are one value. */
const wanted = defineModel<number>({ required: true });
const { show, number } = useReader();

const TOP = 16;
const HEIGHT = 262;
const MOST = 7;
const X = 150;
const WIDE = 42;
const y = (volumes: number): number => TOP + HEIGHT * (1 - Math.min(MOST, Math.max(0, volumes)) / MOST);
const SLIPS: Record<SlipId, string> = {
  short: 'a tenth less',
  point: 'a point left',
  colder: 'five degrees colder',
  spoon: 'a heaped spoon',
};

/** Words beside a line keep clear of each other. */
function spread<T extends { at: number }>(rows: readonly T[], apart: number): (T & { y: number })[] {
  let last = Number.NEGATIVE_INFINITY;
  return rows
    .toSorted((a, b) => a.at - b.at)
    .map((row) => {
      last = Math.max(row.at, last + apart);
      return { ...row, y: last };
    });
}
const slips = computed(() =>
  spread(
    [
      { id: 'two', told: 'the two worst', volumes: props.fan.two, at: y(props.fan.two) },
      ...(Object.keys(SLIPS) as SlipId[]).map((id) => ({ id, told: SLIPS[id], volumes: props.fan.slips[id], at: y(props.fan.slips[id]) })),
      { id: 'planned', told: 'as planned', volumes: props.fan.planned, at: y(props.fan.planned) },
    ],
    16,
  ),
);
const ratings = computed(() =>
  spread(
    props.marks.map((mark) => ({ ...mark, at: y(mark.volumes) })),
    15,
  ),
);
const bubbles = computed(() => {
  const [from, to] = [y(props.residual), y(props.fan.planned)];
  return Array.from({ length: Math.max(0, Math.round((from - to) / 9)) }, (_, i) => ({
    x: X + 8 + ((i * 17) % (WIDE - 16)),
    y: from - 5 - i * 8.6,
    r: 1.6 + ((i * 7) % 3) * 0.5,
  }));
});

const rows = computed(() => [
  { cells: ['in it now', show('volumes', props.residual)] },
  ...slips.value.toReversed().map(({ told, volumes }) => ({ cells: [told, show('volumes', volumes)] })),
  ...props.marks.map(({ name, volumes, isBarred }) => ({
    cells: [`${name} is made for${isBarred ? ', too little' : ''}`, show('volumes', volumes)],
  })),
]);
const told = computed(
  () =>
    `Planned ${show('volumes', props.fan.planned)}, ${show('volumes', props.fan.one)} with the worst slip, ${show('volumes', props.fan.two)} with two.`,
);

const svg = ref<SVGSVGElement | null>(null);
const clamp = (volumes: number): number => Math.min(6, Math.max(0.9, Math.round(volumes * 10) / 10));
function drag(event: PointerEvent): void {
  if (event.buttons !== 1 || svg.value === null) return;
  const box = svg.value.getBoundingClientRect();
  wanted.value = clamp(MOST * (1 - (event.clientY - box.top - TOP) / HEIGHT));
}
function key(event: KeyboardEvent): void {
  const step = { ArrowUp: 0.1, ArrowRight: 0.1, ArrowDown: -0.1, ArrowLeft: -0.1, PageUp: 0.5, PageDown: -0.5 }[event.key];
  if (step === undefined) return;
  event.preventDefault();
  wanted.value = clamp(wanted.value + step);
}
</script>

<template>
  <svg
    ref="svg"
    class="column"
    viewBox="0 0 384 300"
    width="360"
    height="281"
    role="slider"
    tabindex="0"
    aria-label="Gas wanted"
    :aria-valuenow="wanted"
    aria-valuemin="0.9"
    aria-valuemax="6"
    :aria-valuetext="show('volumes', wanted)"
    @pointerdown="drag"
    @pointermove="drag"
    @keydown="key"
  >
    <rect class="old" :x="X" :y="y(residual)" :width="WIDE" :height="y(0) - y(residual)" />
    <rect class="made" :x="X" :y="y(fan.planned)" :width="WIDE" :height="Math.max(0, y(residual) - y(fan.planned))" />
    <circle v-for="(bubble, i) in bubbles" :key="i" class="bubble" :cx="bubble.x" :cy="bubble.y" :r="bubble.r" />
    <path class="wall" :d="`M${X} ${TOP - 10}V${y(0)}H${X + WIDE}V${TOP - 10}`" />
    <text class="in" :x="X + WIDE / 2" :y="y(0) - 8">{{ number(residual, 2) }}</text>
    <path class="fan two" :d="`M${X + WIDE} ${y(fan.planned)}L${X + WIDE + 46} ${y(fan.two)}V${y(fan.planned)}Z`" />
    <path class="fan one" :d="`M${X + WIDE} ${y(fan.planned)}L${X + WIDE + 46} ${y(fan.one)}V${y(fan.planned)}Z`" />
    <g v-for="mark in ratings" :key="mark.name" :class="{ barred: mark.isBarred }">
      <path class="mark" :d="`M${X - 6} ${mark.at}H${X + WIDE + 46}`" />
      <text class="rating" :x="X - 10" :y="mark.y + 4">
        {{ mark.name }}
        <tspan>{{ mark.volumes }}</tspan>
      </text>
    </g>
    <g v-for="slip in slips" :key="slip.id">
      <path class="lead" :d="`M${X + WIDE + 46} ${slip.at}l8 ${slip.y - slip.at}`" />
      <text class="slip" :class="slip.id" :x="X + WIDE + 57" :y="slip.y + 4">
        <tspan>{{ number(slip.volumes, 1) }}</tspan>
        {{ slip.told }}
      </text>
    </g>
    <path class="handle" :d="`M${X - 2} ${y(wanted)}l-9 -6v12z M${X} ${y(wanted)}h${WIDE}`" />
  </svg>
  <ChartTable :sentence="told" caption="Gas as planned, and what slips would make of it" :heads="['if', 'gas']" :rows="rows" />
</template>

<style scoped>
.column {
  display: block;
  max-width: 100%;
  touch-action: none;
  cursor: ns-resize;
}

text {
  fill: var(--soot-2);
  font-size: 12px;
}

tspan {
  fill: var(--soot);
  font-weight: 700;
}

.in {
  fill: var(--soot);
  text-anchor: middle;
  font-weight: 700;
}

.rating {
  text-anchor: end;
}

.wall {
  fill: none;
  stroke: var(--soot);
  stroke-width: 2;
}

.old {
  fill: var(--verdigris-mid);
}

.made {
  fill: var(--verdigris-soft);
}

.bubble {
  fill: none;
  stroke: var(--verdigris);
  stroke-width: 0.9;
}

.fan.one {
  fill: var(--wax-soft);
}

.fan.two {
  fill: var(--madder-soft);
}

.mark,
.lead {
  fill: none;
  stroke: var(--soot-3);
  stroke-width: 1;
}

.barred .mark {
  stroke: var(--madder);
  stroke-width: 1.6;
}

.barred text,
.barred tspan,
.slip.two tspan,
.slip.two {
  fill: var(--madder);
}

.handle {
  fill: var(--bronze);
  stroke: var(--bronze);
  stroke-width: 3;
}
</style>
