import { THIRD_BREAK } from '@hollow-bell/core/yeast';
import type { FanPoint } from '@hollow-bell/core/forecast';
import { isAllBottled, sgAtShare } from '@hollow-bell/core/record';
import type { StandingEvent } from '@hollow-bell/core/record';
import { computed } from 'vue';
import type { Ref } from 'vue';
import type { DescentData } from '../parts/watch/descent/options.ts';
import { eventSentence } from '@hollow-bell/core/record';
import { useBatch } from '../stores/batch.ts';
import { usePractice } from '../stores/practice.ts';
import { useReader } from './useReader.ts';

const HAPPENINGS = new Set(['nutrient', 'removal', 'rack', 'sulfite', 'bottling', 'base', 'cure']);

/** What the chart of the open batch draws; null before its first reading. */
export function useDescent(fan: Ref<readonly FanPoint[]>, compared: Ref<readonly FanPoint[]>) {
  const store = useBatch();
  const house = usePractice();
  const { tell } = useReader();

  const wordFor = (event: StandingEvent): string => {
    const told = tell(eventSentence(event));
    return event.kind === 'nutrient' ? 'fed' : event.kind === 'cure' ? told : told.split(' ').slice(0, 3).join(' ');
  };
  /** What may have bent the line; of things at one moment the first stands for all. */
  const happenings = computed(() => {
    const pitchedAt = store.ledger.history.pitch?.at ?? Number.POSITIVE_INFINITY;
    const told = new Map<number, string>();
    for (const { standing, withdrawn } of store.log.toReversed()) {
      const isShown =
        HAPPENINGS.has(standing.kind) || (['honey', 'ingredient', 'water'].includes(standing.kind) && standing.happenedAt > pitchedAt);
      if (!withdrawn && isShown && !told.has(standing.happenedAt)) told.set(standing.happenedAt, wordFor(standing));
    }
    return [...told].map(([at, word]) => ({ at, told: word }));
  });

  return computed<DescentData | null>(() => {
    const { ledger } = store;
    if (ledger.history.readings.length === 0) return null;
    const isOver =
      isAllBottled(ledger) || ledger.history.sulfites.some(({ at }) => at > (ledger.history.pitch?.at ?? Number.POSITIVE_INFINITY));
    return {
      startAt: Math.min(ledger.history.pitch?.at ?? Number.POSITIVE_INFINITY, ledger.history.readings[0]?.at ?? 0),
      endAt: Math.max(store.now, fan.value.at(-1)?.at ?? 0),
      readings: ledger.history.readings.map(({ at, sg, plusMinus, verdict, instrument }) => ({
        at,
        sg,
        plusMinus,
        follows: verdict === 'follows',
        isFloat: instrument === 'float',
      })),
      temps: ledger.history.temps,
      float: store.float,
      happenings: happenings.value,
      thirdBreakSg: ledger.history.pitch === null || isOver ? null : sgAtShare(ledger, THIRD_BREAK),
      end: isOver ? null : (store.end?.sg ?? null),
      units: house.practice.units,
      forecast: fan.value,
      compared: compared.value,
    };
  });
}
