<script setup lang="ts">
import type { CellarShelf, StandingBottle } from '@hollow-bell/core/cellar';
import { computed } from 'vue';
import { liquidColor } from '../../look/liquidColor.ts';
import { keepClear } from './timeAxis.ts';
import type { TimeAxis } from './timeAxis.ts';

const props = defineProps<{ shelf: CellarShelf; axis: TimeAxis; width: number; now: number; title: string }>();

const HEIGHT = 58;
const PLANK = 50;
const MOST_LETTERS = 26;
const color = computed(() => liquidColor(props.shelf.colors));
const x = (at: number): number => props.axis.x(at);
const signs = computed(() =>
  keepClear(
    props.shelf.stands.map((bottle) => ({ ...bottle, x: x(bottle.at) })),
    9,
    props.width - 6,
  ),
);
const short = (words: string): string => (words.length > MOST_LETTERS ? `${words.slice(0, MOST_LETTERS - 1)}…` : words);
/** What was said last stands above the plank, as far as there is room. */
const words = computed(() => {
  let free = Number.POSITIVE_INFINITY;
  return props.shelf.tastings
    .filter(({ at }) => at >= props.axis.from)
    .toReversed()
    .flatMap(({ at, words: said }) => {
      const text = short(said);
      const wide = text.length * 6.1;
      const from = Math.min(Math.max(2, x(at) - wide / 2), props.width - wide - 2);
      if (from + wide > free) return [];
      free = from - 8;
      return [{ x: from, text, glass: x(at) }];
    });
});
const BODY = 'M-3.4 0V-11C-3.400 -14 -1.500 -14.500 -1.500 -17V-23H1.500V-17C1.500 -14.500 3.400 -14 3.400 -11V0Z';
const place = (bottle: StandingBottle & { x: number }): string =>
  `translate(${bottle.x.toFixed(1)} ${PLANK})${bottle.is === 'late' ? ' rotate(16)' : ''}`;
</script>

<template>
  <svg class="plank" :width="width" :height="HEIGHT + 4" :viewBox="`0 0 ${width} ${HEIGHT + 4}`" role="img" :aria-label="title">
    <path class="rest" :d="`M${x(shelf.bottledAt)} ${PLANK + 3}H${x(shelf.window.restsUntil)}M${x(shelf.bottledAt)} ${PLANK - 1}v8`" />
    <rect
      class="drink"
      :x="x(shelf.window.restsUntil)"
      :y="PLANK"
      :width="Math.max(0, x(shelf.window.drinkBy) - x(shelf.window.restsUntil))"
      height="6"
    />
    <rect
      class="best"
      :x="x(shelf.window.bestFrom)"
      :y="PLANK"
      :width="Math.max(0, x(shelf.window.bestTo) - x(shelf.window.bestFrom))"
      height="6"
    />
    <path class="end" :d="`M${x(shelf.window.drinkBy)} ${PLANK - 2}v10`" />
    <text v-for="(word, i) in words" :key="`w${i}`" :x="word.x" y="10">{{ word.text }}</text>
    <g v-for="(bottle, i) in signs" :key="i" :class="bottle.is" :transform="place(bottle)" :data-is="bottle.is">
      <path :d="BODY" :style="bottle.is === 'full' || bottle.is === 'kept' || bottle.is === 'late' ? { fill: color } : {}" />
      <path v-if="bottle.is === 'given'" class="bow" d="M-4 -17l3 2 -3 2zM4 -17l-3 2 3 2z" />
      <path v-if="bottle.is === 'gone'" class="crack" d="M-4 -12l3 3 -2 3 4 4" />
      <path v-if="bottle.is === 'kept'" class="tag" d="M2 -19l7 2v6l-7 -2z" />
    </g>
    <path
      v-for="(word, i) in words"
      :key="`g${i}`"
      class="tasted"
      :d="`M${word.glass + 5} ${PLANK - 9}h6l-1 4a2 2 0 0 1 -4 0zM${word.glass + 8} ${PLANK - 3}v3M${word.glass + 6} ${PLANK}h4`"
    />
  </svg>
</template>

<style scoped>
.plank {
  display: block;
  overflow: visible;
}

.rest,
.end {
  fill: none;
  stroke: var(--soot-2);
  stroke-width: 1.6;
}

.drink {
  fill: var(--verdigris-mid);
}

.best {
  fill: var(--verdigris);
}

text {
  fill: var(--soot-2);
  font-size: 12px;
  paint-order: stroke;
  stroke: var(--limewash);
  stroke-width: 4px;
}

g path {
  fill: var(--glass);
  stroke: var(--soot);
  stroke-width: 1;
}

.drunk path,
.given path,
.gone path {
  stroke: var(--soot-3);
}

.late path {
  stroke: var(--madder);
  stroke-width: 1.4;
}

g .bow,
g .crack {
  fill: var(--soot-2);
  stroke: none;
}

g .crack {
  fill: none;
  stroke: var(--madder);
}

g .tag {
  fill: var(--wax-soft);
}

.tasted {
  fill: var(--wax-soft);
  stroke: var(--soot-2);
  stroke-width: 0.9;
}
</style>
