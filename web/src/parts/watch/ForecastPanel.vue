<script setup lang="ts">
import { DAY_MS } from '@hollow-bell/core/quantities';
import { THIRD_BREAK, TOO_LATE_SHARE } from '@hollow-bell/core/yeast';
import { DRIFT_SD_C, whenGone } from '@hollow-bell/core/course';
import type { Course } from '@hollow-bell/core/course';
import { WARMER_C } from '@hollow-bell/core/forecast';
import type { WhatIf } from '@hollow-bell/core/forecast';
import type { Ranged } from '@hollow-bell/core/quantities';
import { computed } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import SpokenOnce from '../page/SpokenOnce.vue';

const props = defineProps<{
  course: Course | null;
  /** As planned, while something else is asked. */
  planned?: Course | null;
  /** The sugar left where it should stop, g/L. */
  endSugarGPerL: Ranged | null;
  hasFailed?: boolean;
  progress: number | null;
  now: number;
  members: number;
  shareGone: number;
}>();
const emit = defineEmits<{ again: [] }>();
const whatIf = defineModel<WhatIf>({ required: true });

const { show, date } = useReader();
const WAYS = computed((): { id: WhatIf; label: string }[] => [
  { id: 'planned', label: 'as planned' },
  { id: 'warmer', label: `${show('degrees', WARMER_C)} warmer` },
  { id: 'fed now', label: 'fed now' },
  { id: 'nothing', label: 'nothing more done' },
]);
/** A day, no hour: nobody knows the hour. */
function day(at: number): string {
  const days = Math.round((at - props.now) / DAY_MS);
  if (days <= 0) return 'today';
  if (days === 1) return 'tomorrow';
  return days < 7 ? date(at, { weekday: 'long' }) : `in ${days} days`;
}
function told({ value, low, high }: Ranged): string {
  const shorter = (at: number): string => day(at).replace(/^in (\d+) days$/, day(value).startsWith('in ') ? '$1' : '$1 days from now');
  const soonest = shorter(Math.max(low, props.now));
  return `${day(value)} (${Number.isFinite(high) ? `${soonest} to ${shorter(high)}` : `${soonest} at the soonest`})`;
}
function endTold({ endAt, line }: Course): string {
  if (endAt === null) return `not within ${Math.floor(((line.at(-1)?.at ?? props.now) - props.now) / DAY_MS)} days, as far as is reckoned`;
  return isAhead(endAt) ? told(endAt) : 'by now, as far as this can tell';
}
const isAhead = (range: Ranged | null): range is Ranged => range !== null && Number.isFinite(range.value) && range.value > props.now;
/** What the question changes, in days and shares; “no sooner” is an answer too. */
const difference = computed(() => {
  const [asked, planned] = [props.course, props.planned];
  if (asked === null || planned === null || planned === undefined) return '';
  const days = asked.endAt === null || planned.endAt === null ? null : Math.round((asked.endAt.value - planned.endAt.value) / DAY_MS);
  const end =
    days === null
      ? ''
      : days === 0
        ? 'It ends on about the same day'
        : `It ends about ${Math.abs(days)} ${Math.abs(days) === 1 ? 'day' : 'days'} ${days < 0 ? 'sooner' : 'later'}`;
  const [before, after] = [planned, asked].map(({ forecast }) => show('percent', 100 * forecast.stickProbability));
  return [end, before === after ? 'sticks as likely' : `sticks in ${after} instead of ${before}`].filter(Boolean).join(', and ') + '.';
});
const rows = computed(() => {
  const { course, endSugarGPerL: left } = props;
  if (course === null) return [];
  const hasEnded = course.endAt !== null && !isAhead(course.endAt);
  const [third, half] = [whenGone(course, THIRD_BREAK), whenGone(course, TOO_LATE_SHARE)];
  return [
    ...(isAhead(third) && props.shareGone < THIRD_BREAK ? [{ label: 'A third of the sugar gone', value: told(third) }] : []),
    ...(isAhead(half) && props.shareGone < TOO_LATE_SHARE ? [{ label: 'Half of it', value: told(half) }] : []),
    { label: 'It ends', value: endTold(course) },
    ...(left === null
      ? []
      : [{ label: 'Sugar left then', value: `${show('gPerL', left.value)} (${show('gPerL', left.low)} to ${show('gPerL', left.high)})` }]),
    ...(hasEnded ? [] : [{ label: 'It sticks before that', value: show('percent', 100 * course.forecast.stickProbability) }]),
  ];
});
const spoken = computed(() =>
  props.progress === null ? [...rows.value.map(({ label, value }) => `${label}: ${value}.`), difference.value].join(' ').trim() : '',
);
</script>

<template>
  <section class="forecast" aria-label="Forecast" data-test="forecast">
    <div class="head">
      <h2>Where it is heading</h2>
      <span class="switches no-print">
        <button v-for="way in WAYS" :key="way.id" type="button" :aria-pressed="whatIf === way.id" @click="whatIf = way.id">
          {{ way.label }}
        </button>
      </span>
    </div>
    <p v-if="progress !== null" class="small quiet">Working it out, {{ Math.round(100 * progress) }} %.</p>
    <p v-if="hasFailed === true" class="refusal" role="alert">
      The forecast could not be worked out in this browser. <button type="button" class="link" @click="emit('again')">Try again</button>
    </p>
    <p v-if="course?.forecast.missesLast === true" class="caution">
      Its last reading lies outside of what this forecast takes for possible: trust the readings, and read again soon.
    </p>
    <div v-if="rows.length > 0" class="pairs">
      <p v-for="row in rows" :key="row.label">
        <span>{{ row.label }}</span><b>{{ row.value }}</b>
      </p>
    </div>
    <SpokenOnce :text="spoken" />
    <p v-if="difference !== ''" data-test="difference">Against the plan, dotted: {{ difference }}</p>
    <p v-if="whatIf === 'fed now' && shareGone >= TOO_LATE_SHARE" class="caution">
      Past half of the sugar feeding helps no more, and what is left over feeds spoilage.
    </p>
    <p class="small quiet">
      The band is {{ members }} fermentations that its readings leave possible, the figures are {{ course?.input.members ?? 0 }}, the same
      on every station: growth on nitrogen, sugar eaten by what lives, alcohol that slows and kills, each now faster and now slower than its
      law, at the temperature of its last days, give or take {{ show('degrees', DRIFT_SD_C) }}. The band is meant to hold the gravity four
      times in five, beside a reading’s own error, and in trials with other simulated musts it did; real ones may differ more. It takes what
      is planned, doses and pours, for done.
    </p>
  </section>
</template>

<style scoped>
.forecast {
  display: grid;
  gap: 6px;
}

.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: space-between;
  gap: 4px 18px;
}

.pairs b {
  font-size: 15px;
}
</style>
