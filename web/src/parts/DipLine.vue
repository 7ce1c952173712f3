<script setup lang="ts">
import { LEAST_DOSE_G, isComing } from '@hollow-bell/core/feed';
import { GravityRefusal, Refusal, SHOWN_UNITS } from '@hollow-bell/core/quantities';
import { readDipLine, takeBatchName } from '@hollow-bell/core/watch';
import type { DipReading } from '@hollow-bell/core/watch';
import { onKeyStroke } from '@vueuse/core';
import { computed, onMounted, ref, watch } from 'vue';
import { useAttempt } from '../composables/useAttempt.ts';
import { useReader } from '../composables/useReader.ts';
import { useBatch } from '../stores/batch.ts';
import SentenceText from './SentenceText.vue';
import { useRounds } from '../stores/rounds.ts';
import { useOutbox } from '../stores/outbox.ts';
import { useShelf } from '../stores/shelf.ts';
import { usePractice } from '../stores/practice.ts';

const props = defineProps<{ acrossBatches?: boolean }>();

const store = useBatch();
const rounds = useRounds();
const house = usePractice();
const outbox = useOutbox();
const { tell, show } = useReader();
const { refusal, attempt } = useAttempt();
const typed = ref('');
const field = ref<HTMLInputElement | null>(null);

const shelf = useShelf();
onMounted(() => shelf.loadOnce());
const plannedDose = computed(() => {
  const next = store.feedingNow?.doses.find(isComing);
  if (next === undefined) return null;
  const parts = next.parts.filter(({ massG }) => massG >= LEAST_DOSE_G);
  return { dose: next.dose.number, parts };
});

/** On Rounds the line begins with a batch's name; in a batch it needs none. */
const named = computed(() => (props.acrossBatches ? takeBatchName(typed.value, rounds.standing) : null));
const line = computed(() => (props.acrossBatches ? (named.value?.rest ?? '') : typed.value));
watch(
  () => named.value?.batch.id,
  (id) => {
    if (id !== undefined && store.batch?.id !== id) void store.open(id);
  },
);

const understanding = computed<{ read?: DipReading; told: string; offered?: number | undefined }>(() => {
  if (typed.value.trim() === '') return { told: '' };
  if (props.acrossBatches && named.value === null) return { told: 'Begin with the name of one batch, such as “borage 1.048 21c”.' };
  if (props.acrossBatches && store.batch?.id !== named.value?.batch.id) return { told: 'One moment…' };
  const { units, calibrationC } = house.practice;
  try {
    const read = readDipLine(line.value, {
      now: store.now,
      midnightDaysAgo: (days) => new Date(new Date(store.now).setHours(0, 0, 0, 0)).setDate(new Date(store.now).getDate() - days),
      midnightOf: (year, month, day) => new Date(year, month - 1, day).getTime(),
      weekday: new Date(store.now).getDay(),
      units,
      tempUnit: SHOWN_UNITS[units].temp,
      calibrationC,
      phMeter: shelf.phMeter,
      ledger: store.ledger,
      plannedDose: plannedDose.value,
    });
    const isPast = store.now - read.at > 60_000;
    const whose = named.value === null ? '' : `${named.value.batch.name}: `;
    return { read, told: `${whose}${tell(read.understood)}${isPast ? `, ${show('when', read.at)}` : ''}` };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { told: error.message, offered: error instanceof GravityRefusal ? error.offered : undefined };
  }
});

async function save(): Promise<void> {
  const { read, told } = understanding.value;
  if (read === undefined) return;
  const kept = typed.value;
  const isNow = Math.abs(read.at - store.now) < 60_000;
  const written = await attempt(async () => {
    const sent = store.write(read.events, told, isNow ? Date.now() : read.at);
    typed.value = '';
    await sent;
    if (props.acrossBatches) await rounds.load();
  });
  if (!written) typed.value = kept;
  const refused = outbox.refused;
  if (refused !== null && refused.batchId === store.batch?.id) {
    typed.value = kept;
    refusal.value = refused.sentence;
    outbox.refused = null;
  }
}

function takeOffer(sg: number): void {
  typed.value = typed.value.replace(/\d+(?:[.,]\d+)?/, sg.toFixed(3));
  field.value?.focus();
}

onKeyStroke('/', (event) => {
  if (event.target instanceof HTMLElement && event.target.closest('input, textarea, [contenteditable]') !== null) return;
  event.preventDefault();
  field.value?.focus();
});
</script>

<template>
  <form class="dip no-print" @submit.prevent="save">
    <label class="line">
      <b>Dip line</b>
      <input
        ref="field"
        v-model="typed"
        class="mono"
        :placeholder="acrossBatches ? 'borage 1.048 21c' : '1.048 21c · fed'"
        autocomplete="off"
        spellcheck="false"
        aria-label="Dip line"
        @input="refusal = ''"
        @keydown.esc="typed = ''"
      />
      <kbd>/</kbd>
    </label>
    <div v-if="typed.trim() !== '' || refusal !== ''" class="under" role="status">
      <template v-if="refusal !== ''"
        ><span class="refusal">{{ refusal }}</span></template
      >
      <template v-else-if="understanding.read !== undefined">
        <span>
          {{ understanding.told }}
          <SentenceText v-for="(doubt, i) in understanding.read.doubts" :key="i" class="doubt" :sentence="doubt" />
        </span>
        <el-button type="primary" native-type="submit">{{ understanding.read.doubts.length > 0 ? 'It is so' : 'Write it down' }}</el-button>
      </template>
      <template v-else>
        <span class="refusal">{{ understanding.told }}</span>
        <el-button v-if="understanding.offered !== undefined" @click="takeOffer(understanding.offered)"
          >Take {{ understanding.offered.toFixed(3) }}</el-button
        >
      </template>
    </div>
  </form>
</template>

<style scoped>
.dip {
  position: relative;
  flex: 0 1 372px;
}

.line {
  display: flex;
  align-items: center;
  gap: 8px;
  height: 40px;
  padding: 0 8px;
  border: 1.5px solid var(--soot);
  border-radius: 3px;
  background: var(--paper);
}

.line b {
  color: var(--bronze);
  white-space: nowrap;
}

input {
  flex: 1;
  min-width: 0;
  border: 0;
  outline: 0;
  background: none;
  color: var(--soot);
  font-size: 16px;
}

.line:focus-within {
  outline: 2px solid var(--bronze);
  outline-offset: 1px;
}

input::placeholder {
  color: var(--soot-3);
}

kbd {
  padding: 0 6px;
  border: 1px solid var(--rule);
  border-radius: 3px;
  color: var(--soot-3);
  font: 13px var(--mono);
}

.doubt {
  display: block;
  color: var(--madder);
}

.under {
  position: absolute;
  z-index: 20;
  inset: calc(100% + 3px) 0 auto;
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
  padding: 8px 10px;
  border: 1px solid var(--soot-3);
  background: var(--paper);
}

@media (max-width: 720px) {
  .dip {
    flex: 1 1 100%;
  }

  .line {
    height: 46px;
  }

  kbd {
    display: none;
  }
}
</style>
