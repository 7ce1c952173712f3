import { feedingPracticeOf } from '@hollow-bell/contract';
import { feedingNow, feedingPlanOf } from '@hollow-bell/core/feed';
import { ledgerAsPlanned, ledgerPitchedNow } from '@hollow-bell/core/must';
import { computed } from 'vue';
import { useBatch } from '../stores/batch.ts';

/** The feeding of the open batch; before the pitch as if it were pitched now, as it is measured or as it is planned. */
export function useFeeding() {
  const store = useBatch();
  const isPreview = computed(() => store.ledger.history.pitch === null && store.ledger.history.bottled === null);
  const ledger = computed(() => {
    if (!isPreview.value || store.batch === null) return store.ledger;
    const { must } = store.batch.plan;
    return store.ledger.history.readings.length > 0 ? ledgerPitchedNow(store.events, must, store.now) : ledgerAsPlanned(must, store.now);
  });
  const feeding = computed(() =>
    !isPreview.value || store.batch === null ? store.feeding : feedingPlanOf(ledger.value, feedingPracticeOf(store.batch.plan)),
  );
  const progress = computed(() => (feeding.value === null ? null : feedingNow(feeding.value, ledger.value, store.now)));
  return { isPreview, ledger, feeding, progress };
}
