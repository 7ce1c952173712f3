import type { Station } from '@hollow-bell/core/rounds';
import { useTitle } from '@vueuse/core';
import { computed } from 'vue';
import type { ComputedRef } from 'vue';
import { useRoute } from 'vue-router';
import { PLACE_NAMES, STATION_NAMES, toolNamed } from '../placeNames.ts';
import { useRecord } from '../stores/record.ts';

/** What the tab, the history and a screen reader call the view that is open: the nearest first, the program last. */
export function usePageTitle(): ComputedRef<string> {
  const route = useRoute();
  const record = useRecord();
  const place = computed(() => {
    const { id, station } = route.params;
    const name = record.batch !== null && record.batch.id === id ? record.batch.name : null;
    if (route.name === 'station' || route.name === 'batch')
      return [name ?? 'A batch', station === undefined ? null : STATION_NAMES[station as Station]];
    if (route.name === 'bench')
      return [route.params['tool'] === '' ? null : toolNamed(String(route.params['tool'])), PLACE_NAMES['bench'] ?? null];
    return [name, PLACE_NAMES[String(route.name)] ?? null];
  });
  const title = computed(() => [...place.value.filter((part) => part !== null), 'Hollow Bell'].join(' · '));
  useTitle(title);
  return title;
}
