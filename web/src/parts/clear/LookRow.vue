<script setup lang="ts">
import { clearBy, clearingAdvice } from '@hollow-bell/core/clear';
import { LOOKS, SEEN_BESIDE, eventSentence } from '@hollow-bell/core/record';
import type { EventContent, Look, SeenBeside } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useBatch } from '../../stores/batch.ts';
import SentenceText from '../figures/SentenceText.vue';

/** A lamp and a word seen through a glass of it, over time. */
const store = useBatch();
const { show, tell } = useReader();
const { refusal, busy, attempt } = useAttempt();
const beside = ref<SeenBeside[]>([]);
const looks = computed(() => store.ledger.history.looks.slice(-5));
const by = computed(() => clearBy(store.ledger));
const advice = computed(() => clearingAdvice(store.ledger));
const STEP: Record<Look, number> = { dark: 0.9, glow: 0.72, edge: 0.5, blur: 0.3, print: 0.12 };
async function look(through: Look): Promise<void> {
  const event: EventContent = { kind: 'look', payload: { through, beside: [...beside.value] } };
  if (await attempt(() => store.write([event], tell(eventSentence(event))))) beside.value = [];
}
const pectin = (strings: boolean): Promise<boolean> => {
  const text = strings ? 'spirit drew strings: pectin' : 'no strings in spirit: no pectin';
  return attempt(() => store.write([{ kind: 'note', payload: { text, mark: strings ? 'pectin' : 'no pectin' } }], text));
};
</script>

<template>
  <div class="look">
    <h2>Looks, a lamp through a glass of it</h2>
    <ol v-if="looks.length > 0" class="seen" aria-label="Looks so far">
      <li v-for="each in looks" :key="each.at">
        <svg viewBox="0 0 40 44" aria-hidden="true">
          <path d="M5 8h30l-4 34h-22z" class="mead" :style="{ fillOpacity: STEP[each.through] }" />
          <circle v-if="each.through !== 'dark'" cx="20" cy="22" :r="each.through === 'glow' ? 9 : 6" class="lamp" />
          <path d="M4 2l5 40h22l5 -40" class="glass" />
        </svg>
        <b>{{ each.through }}</b>
        <span class="small quiet">{{ show('when', each.at) }}</span>
      </li>
    </ol>
    <p v-if="by !== null" class="small" data-test="clear-by">
      At this pace <b>print</b> may be read through it between {{ show('when', by.from) }} and {{ show('when', by.to) }}.
    </p>
    <p v-if="advice !== null" data-test="advice"><SentenceText :sentence="advice" /></p>
    <div class="now no-print">
      <span class="small quiet">What do you see through it?</span>
      <div class="deeds">
        <el-button v-for="each in LOOKS" :key="each" size="small" :loading="busy" @click="look(each)">{{ each }}</el-button>
      </div>
      <div class="beside">
        <label v-for="each in SEEN_BESIDE" :key="each" class="choice"
          ><input v-model="beside" type="checkbox" :value="each" /> <span>{{ each }}</span></label
        >
      </div>
      <p class="small">
        Spirit test, a spoon of mead in two of strong spirit:
        <button type="button" class="link" @click="pectin(true)">it draws strings</button>
        <button type="button" class="link" @click="pectin(false)">none</button>
      </p>
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </div>
</template>

<style scoped>
.look,
.now {
  display: grid;
  gap: 6px;
}

.seen {
  display: flex;
  flex-wrap: wrap;
  gap: 18px;
}

.seen li {
  display: grid;
  justify-items: center;
}

svg {
  width: 44px;
  height: 48px;
  border-bottom: 2px solid var(--soot);
}

.mead {
  fill: var(--lees);
}

.lamp {
  fill: var(--wax-soft);
}

.glass {
  fill: none;
  stroke: var(--soot);
  stroke-width: 1.6;
}

.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
}

.link {
  margin-left: 8px;
}
</style>
