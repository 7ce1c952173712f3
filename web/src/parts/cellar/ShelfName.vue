<script setup lang="ts">
import type { ShelvedBatch } from '@hollow-bell/contract';
import { ripenessOf } from '@hollow-bell/core/cellar';
import type { Ripeness } from '@hollow-bell/core/cellar';
import type { Bell } from '@hollow-bell/core/rounds';
import { useReader } from '../../composables/useReader.ts';
import BellMark from '../rounds/BellMark.vue';

/** A shelf's name, how much is left and until when, and the ring that takes it into the comparison. */
const props = defineProps<{ each: ShelvedBatch; now: number; chosen: string; compared: readonly string[] }>();
const emit = defineEmits<{ choose: [id: string]; compare: [id: string] }>();
const { show } = useReader();
const BELL: Record<Ripeness, Bell> = {
  rests: 'muffled',
  drink: 'still',
  best: 'still',
  fading: 'swinging',
  past: 'swinging',
  gone: 'still',
};
const bellOf = ({ shelf }: ShelvedBatch): Bell =>
  shelf.isAlarm
    ? 'cracked'
    : shelf.late > 0 || (shelf.firstOutBy !== null && shelf.firstOutBy > props.now)
      ? 'swinging'
      : BELL[ripenessOf(shelf, props.now)];
function told({ shelf }: ShelvedBatch): string {
  switch (ripenessOf(shelf, props.now)) {
    case 'gone':
      return shelf.wantsVerdict ? 'all gone; its word is missing' : 'all gone';
    case 'rests':
      return `rests until ${show('day', shelf.window.restsUntil)}`;
    case 'past':
      return 'past its time';
    case 'best':
      return 'at its best';
    case 'fading':
    case 'drink':
      return `by ${show('day', shelf.firstOutBy !== null && shelf.firstOutBy > props.now ? shelf.firstOutBy : shelf.window.drinkBy)}`;
  }
}
</script>

<template>
  <div class="name">
    <button type="button" class="choose" :aria-pressed="each.id === chosen" @click="emit('choose', each.id)">
      <BellMark :bell="bellOf(each)" />
      <span
        ><b>{{ each.name }}</b
        ><span class="small quiet"
          ><b>{{ each.shelf.left }}</b> of {{ each.shelf.filled }} left, {{ told(each) }}</span
        ></span
      >
    </button>
    <button
      type="button"
      class="mark"
      :aria-pressed="compared.includes(each.id)"
      :aria-label="`Compare ${each.name}`"
      :title="`Compare ${each.name}`"
      @click="emit('compare', each.id)"
    >
      <i :class="compared.includes(each.id) ? `n${compared.indexOf(each.id) % 4}` : ''" />
    </button>
  </div>
</template>

<style scoped>
.name {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 44px;
  align-items: center;
}

.choose {
  display: grid;
  grid-template-columns: 30px minmax(0, 1fr);
  gap: 4px;
  align-items: center;
  min-height: 52px;
  padding: 4px 0 4px 6px;
  border: 0;
  background: none;
  color: inherit;
  font: inherit;
  line-height: 1.3;
  text-align: left;
  cursor: pointer;
}

.choose span {
  display: grid;
  overflow-wrap: anywhere;
}

.choose .small b {
  color: var(--soot);
}

.choose .small {
  display: block;
}

.mark {
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  border: 0;
  background: none;
  cursor: pointer;
}

.mark i {
  width: 13px;
  height: 13px;
  border: 1.6px solid var(--soot-3);
  border-radius: 50%;
}

.mark .n0 {
  border-color: var(--soot);
  background: var(--soot);
}

.mark .n1 {
  border: 3px solid var(--madder);
}

.mark .n2 {
  border-color: var(--verdigris);
  background: var(--verdigris);
}

.mark .n3 {
  border: 3px solid var(--wax);
}
</style>
