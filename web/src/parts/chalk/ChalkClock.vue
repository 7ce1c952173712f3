<script setup lang="ts">
import { SPEEDS } from '../../composables/useChalk.ts';
import { useSingleKeys } from '../../composables/useSingleKeys.ts';
import { useReader } from '../../composables/useReader.ts';
import { computed } from 'vue';
import { clockHour, dayOf } from './chalkDay.ts';

const props = defineProps<{ hour: number; isOver: boolean }>();
const speed = defineModel<number>({ required: true });
const emit = defineEmits<{ dayOn: []; toggle: [] }>();
const { date } = useReader();
const day = computed(() => dayOf(props.hour));
const clock = computed(() =>
  date(Date.UTC(2026, 0, 5) + clockHour(props.hour) * 3_600_000, { hour: '2-digit', minute: '2-digit', timeZone: 'UTC' }),
);
useSingleKeys(['time', 'dayOn'], (name) => {
  if (props.isOver) return false;
  if (name === 'time') emit('toggle');
  else emit('dayOn');
  return true;
});
</script>

<template>
  <section class="clock" aria-label="Time">
    <p class="now">
      Day {{ day }}, <span class="mono">{{ clock }}</span>
    </p>
    <template v-if="!isOver">
      <div class="switches" role="group" aria-label="In a second of time">
        <button
          v-for="each in SPEEDS"
          :key="each.label"
          type="button"
          :aria-pressed="speed === each.perSecondH"
          @click="speed = each.perSecondH"
        >
          {{ each.label }}
        </button>
        <span class="quiet">a second</span>
      </div>
      <p class="small quiet">
        It stops by itself while you are at the vessel, and when it foams, smells or falls silent; else by <kbd>Space</kbd>.
        <button type="button" class="link" @click="emit('dayOn')">A day on</button>
      </p>
    </template>
  </section>
</template>

<style scoped>
.clock {
  display: grid;
  gap: 6px;
}

.now {
  font-size: 26px;
  font-weight: 700;
}

.switches {
  align-items: baseline;
}

kbd {
  font-family: var(--mono);
}
</style>
