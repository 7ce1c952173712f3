import { askWhatIf, dosesAhead, forecastInputOf, gravityFan } from '@hollow-bell/core/forecast';
import type { FanPoint, Forecast, ForecastInput, WhatIf } from '@hollow-bell/core/forecast';
import { computed, ref, shallowRef, watch } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { useForecast } from './useForecast.ts';

const FORECAST_DAYS = 90;
export const MEMBERS = 500;

/** Where the open batch is heading, as planned or as it is asked; what was planned stays to be compared with. */
export function useWatchForecast() {
  const store = useBatch();
  const whatIf = ref<WhatIf>('planned');

  /** What stands still is no matter for a forecast: the model knows no stall but those it draws itself. */
  const isFermentingOn = computed(() => ['lag', 'active', 'slowing', 'near its end'].includes(store.state.phase));
  /** A forecast looks on from the last thing that was written down, so that the clock alone does not change it. */
  const course = computed<ForecastInput | null>(() => {
    const { ledger, batch } = store;
    if (batch === null || !isFermentingOn.value) return null;
    return forecastInputOf(ledger, {
      now: ledger.lastEventAt ?? store.now,
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
    const ahead = dosesAhead(store.feedingNow, ledger.pitch?.at ?? 0, view?.volumeL ?? 1, batch.plan.practice.organicCredit);
    return askWhatIf(course.value, whatIf.value, ahead, view?.shareGone ?? 0);
  });
  const { forecast, progress, hasFailed, again } = useForecast(input);

  /** The answer to “as planned” for the record as it stands; a new entry makes it stale. */
  const planned = shallowRef<{ of: string; forecast: Forecast; fan: FanPoint[] } | null>(null);
  const recordNow = computed(() => JSON.stringify(course.value));
  const fan = computed(() =>
    forecast.value === null || input.value === null ? [] : gravityFan(forecast.value, input.value, store.ledger),
  );
  watch(forecast, (found) => {
    if (found !== null && whatIf.value === 'planned') planned.value = { of: recordNow.value, forecast: found, fan: fan.value };
  });
  const compared = computed(() => (whatIf.value !== 'planned' && planned.value?.of === recordNow.value ? planned.value : null));

  return { whatIf, isFermentingOn, forecast, progress, hasFailed, again, fan, compared };
}
