import { traitsOf } from '@hollow-bell/core/watch';
import { askWhatIf, dosesAhead, forecastInputOf, gravityFan } from '@hollow-bell/core/forecast';
import type { FanPoint, Forecast, ForecastInput, WhatIf } from '@hollow-bell/core/forecast';
import { computed, ref, shallowRef, watch } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { useForecast } from './useForecast.ts';

const FORECAST_DAYS = 90;
export const MEMBERS = 500;

interface Planned {
  of: string;
  forecast: Forecast;
  fan: readonly FanPoint[];
}

/** Where the open batch is heading, as planned or as it is asked; what was planned stays to be compared with. */
export function useWatchForecast() {
  const store = useBatch();
  const whatIf = ref<WhatIf>('planned');

  /** What stands still is no matter for a forecast: the model knows no stall but those it draws itself. */
  const isFermentingOn = computed(() => traitsOf(store.state.phase).hasCourse === true);
  /** A forecast looks on from the last thing that was written down, so that the clock alone does not change it. */
  const course = computed<ForecastInput | null>(() => {
    const { ledger, batch } = store;
    if (batch === null || !isFermentingOn.value) return null;
    return forecastInputOf(ledger, {
      now: ledger.history.lastEventAt ?? store.now,
      horizonDays: FORECAST_DAYS,
      members: MEMBERS,
      seed: 1,
      roomTempC: batch.plan.must.roomTempC,
      organicCredit: batch.plan.practice.organicCredit,
    });
  });
  const input = computed<ForecastInput | null>(() => {
    const { ledger, batch, view } = store;
    if (course.value === null || batch === null) return null;
    const ahead = dosesAhead(store.feedingNow, ledger.history.pitch?.at ?? 0, view?.volumeL ?? 1, batch.plan.practice.organicCredit);
    return askWhatIf(course.value, whatIf.value, ahead, view?.shareGone ?? 0);
  });
  const { answer, progress, hasFailed, again } = useForecast(input);
  const forecast = computed(() => answer.value?.forecast ?? null);

  const fan = shallowRef<readonly FanPoint[]>([]);
  /** The answer to “as planned” for the record as it stands, while something else is shown; a new entry makes it stale. */
  const compared = shallowRef<Planned | null>(null);
  let planned: Planned | null = null;
  /** All of it moves when an answer comes, not when something is asked, so that the chart is drawn once. */
  watch(answer, (found) => {
    const recordNow = JSON.stringify(course.value);
    fan.value = found === null ? [] : gravityFan(found.forecast, found.input, store.ledger);
    if (found !== null && whatIf.value === 'planned') planned = { of: recordNow, forecast: found.forecast, fan: fan.value };
    compared.value = whatIf.value !== 'planned' && planned?.of === recordNow ? planned : null;
  });

  return { whatIf, isFermentingOn, forecast, progress, hasFailed, again, fan, compared };
}
