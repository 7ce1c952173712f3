<script setup lang="ts">
import FoldedPart from '../page/FoldedPart.vue';
import { BASE_SALTS } from '@hollow-bell/core/record';
import type { BaseSalt } from '@hollow-bell/core/record';
import { ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import RaisePh from './RaisePh.vue';
import type { PhTrial } from './RaisePh.vue';

/** Raising the pH of the open batch; what goes in is written down, as a cure where a stall is why. */
const props = defineProps<{ asCure?: boolean }>();
const store = useBatch();
const { show } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const trial = ref<PhTrial>({
  way: 'trial',
  salt: 'bicarbonate',
  v: null,
  sample: 100,
  added: null,
  before: null,
  perL: null,
  after: store.ledger.history.ph?.value ?? null,
  to: null,
});
const putIn = (salt: BaseSalt, massG: number): Promise<boolean> =>
  attempt(() =>
    store.write(
      [{ kind: 'base', payload: { salt, massG } }, ...(props.asCure ? [{ kind: 'cure', payload: { cure: 'raise pH' } } as const] : [])],
      `${show('massG', massG)} ${BASE_SALTS[salt].name}`,
    ),
  );
</script>

<template>
  <FoldedPart class="side" summary="Raise its pH">
    <RaisePh v-model="trial" :volume-l="store.view?.volumeL ?? 0" :busy="busy" :blocked="blocked" @give="putIn" />
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </FoldedPart>
</template>

<style scoped>
summary {
  padding: 4px 0 8px;
  color: var(--bronze);
  cursor: pointer;
}
</style>
