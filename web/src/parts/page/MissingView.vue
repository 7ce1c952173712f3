<script setup lang="ts">
import { ref } from 'vue';
import { useRouter } from 'vue-router';
import { api } from '../../api/client.ts';
import { useAttempt } from '../../composables/useAttempt.ts';

/** A view whose program could not be fetched, since the server was away: said, and opened as soon as it answers. */
const router = useRouter();
const missing = ref<string | null>(null);
const { refusal, busy, attempt } = useAttempt();
router.onError((_error, to) => {
  missing.value = router.resolve(to).href;
});
router.afterEach(() => {
  missing.value = null;
});

/** Browsers remember that a part of the program failed to load; only a fresh page asks for it again. */
const open = (): Promise<boolean> =>
  attempt(async () => {
    await api.health();
    if (missing.value !== null) location.assign(missing.value);
  });
</script>

<template>
  <p v-if="missing !== null" class="missing no-print" role="alert">
    <span>That view could not be fetched: Hollow Bell does not answer. What you wrote is kept here.</span>
    <el-button size="small" :loading="busy" @click="open">Try again</el-button>
    <span v-if="refusal !== ''" class="refusal">{{ refusal }}</span>
  </p>
</template>

<style scoped>
.missing {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
  max-width: 1216px;
  margin: 0 auto;
  padding: 6px 12px;
  border-left: 4px solid var(--wax-fill);
  background: var(--wax-soft);
}
</style>
