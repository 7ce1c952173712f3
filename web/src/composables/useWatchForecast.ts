import { traitsOf } from '@hollow-bell/core/watch';
import { courseFrom } from '@hollow-bell/core/course';
import type { Course, ForecastInput } from '@hollow-bell/core/course';
import { courseOf } from '@hollow-bell/core/feed';
import { askWhatIf, gravityFan } from '@hollow-bell/core/forecast';
import type { FanPoint, WhatIf } from '@hollow-bell/core/forecast';
import { computed, ref, shallowRef, watch } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { useForecast } from './useForecast.ts';

/** So many draw the fan; the figures beside it are the course's, the same as on every station. */
export const MEMBERS = 500;

/** Where the open batch is heading, as planned or as it is asked; what was planned stays to be compared with. */
export function useWatchForecast() {
  const store = useBatch();
  const whatIf = ref<WhatIf>('planned');

  const hasCourse = computed(() => traitsOf(store.state.phase).hasCourse === true);
  /** It hangs on the record and the plan, so that the clock alone does not change it. */
  const planned = computed<Course | null>(() => (hasCourse.value && store.feeding !== null ? courseOf(store.feeding, store.ledger) : null));
  const course = computed<Course | null>(() => {
    const as = planned.value;
    if (as === null || whatIf.value === 'planned') return as;
    const asked = askWhatIf(as.input, whatIf.value, store.view?.shareGone ?? 0);
    return courseFrom(asked, store.ledger, whatIf.value === 'nothing' ? [] : as.announced);
  });
  const input = computed<ForecastInput | null>(() => (course.value === null ? null : { ...course.value.input, members: MEMBERS }));
  const { answer, progress, hasFailed, again } = useForecast(input);

  const fan = shallowRef<readonly FanPoint[]>([]);
  const plannedFan = shallowRef<{ of: Course; fan: readonly FanPoint[] } | null>(null);
  /** All of it moves when an answer comes, not when something is asked, so that the chart is drawn once. */
  watch(answer, (found) => {
    const { value: shown } = course;
    fan.value = found === null || shown === null ? [] : gravityFan(found.forecast, found.input, store.ledger, shown.announced);
    if (shown !== null && whatIf.value === 'planned' && found !== null) plannedFan.value = { of: shown, fan: fan.value };
  });
  /** “As planned” beside what is asked. */
  const compared = computed(() => (whatIf.value === 'planned' ? null : planned.value));
  const comparedFan = computed(() => (compared.value !== null && plannedFan.value?.of === compared.value ? plannedFan.value.fan : []));

  return { whatIf, hasCourse, course, compared, progress, hasFailed, again, fan, comparedFan };
}
