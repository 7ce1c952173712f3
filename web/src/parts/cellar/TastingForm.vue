<script setup lang="ts">
import { DRINKS, SHEET_PARTS, eventSentence } from '@hollow-bell/core/record';
import type { Drinks, EventContent, SheetPart } from '@hollow-bell/core/record';
import { computed, ref } from 'vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { usePractice } from '../../stores/practice.ts';
import { useWriting } from '../../stores/writing.ts';
import PickList from '../fields/PickList.vue';
import QuantityField from '../fields/QuantityField.vue';
import WhenField from '../fields/WhenField.vue';

const props = defineProps<{ batchId: string; isBottled: boolean; left?: number; isBlind?: boolean }>();
const emit = defineEmits<{ written: [] }>();
const writing = useWriting();
const house = usePractice();
const { tell } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();

const words = ref('');
const who = ref('');
const drinks = ref<Drinks | ''>('');
const score = ref<number | null>(null);
const opens = ref(false);
const sheet = ref<Partial<Record<SheetPart, string>>>({});
const HOW = [{ value: '' as const, label: 'no word on that' }, ...DRINKS.map((value) => ({ value, label: value }))];
const SCALES = [5, 10, 20, 100].map((value) => ({ value, label: `of ${value}` }));
const scale = computed({
  get: () => house.practice.scoreOf ?? 20,
  set: (of: number) => void house.save({ ...house.practice, scoreOf: of as 5 | 10 | 20 | 100 }),
});

async function write(): Promise<void> {
  const filled = Object.fromEntries(SHEET_PARTS.flatMap((part) => (sheet.value[part]?.trim() ? [[part, sheet.value[part].trim()]] : [])));
  const tasting: EventContent = {
    kind: 'tasting',
    payload: {
      words: words.value.trim(),
      ...(who.value.trim() === '' ? {} : { who: who.value.trim() }),
      ...(Object.keys(filled).length === 0 ? {} : { sheet: filled }),
      ...(score.value === null ? {} : { score: { value: score.value, of: scale.value } }),
      ...(drinks.value === '' ? {} : { drinks: drinks.value }),
      ...(props.isBlind ? { blind: true } : {}),
    },
  };
  const { at: then = Date.now() } = when.value;
  const opened: EventContent[] = opens.value ? [{ kind: 'bottleOut', payload: { count: 1, end: 'opened' } }] : [];
  const rows = [...opened, tasting].map((content) => ({ content, at: then }));
  if (await attempt(() => writing.writeAt(props.batchId, rows, tell(eventSentence(tasting))))) {
    words.value = '';
    sheet.value = {};
    score.value = null;
    drinks.value = '';
    opens.value = false;
    emit('written');
  }
}
</script>

<template>
  <form class="tasting" @submit.prevent="write">
    <el-input
      v-model="words"
      type="textarea"
      :rows="3"
      maxlength="2000"
      placeholder="free words first: what does it say?"
      aria-label="Tasting note"
    />
    <div class="row">
      <label><span class="small quiet">who</span><input v-model="who" class="line-input" maxlength="80" /></label>
      <PickList v-if="isBottled" v-model="drinks" label="it drinks" :options="HOW" />
      <QuantityField v-model="score" kind="parts" label="score" :limits="{ low: 0, high: scale }" />
      <PickList v-model="scale" label="scale of the house" :options="SCALES" />
      <WhenField v-model="at" />
    </div>
    <details>
      <summary class="small">The whole sheet</summary>
      <div class="row">
        <label v-for="part in SHEET_PARTS" :key="part"
          ><span class="small quiet">{{ part }}</span
          ><input v-model="sheet[part]" class="line-input" maxlength="300"
        /></label>
      </div>
    </details>
    <label v-if="isBottled && (left ?? 0) > 0" class="check"><input v-model="opens" type="checkbox" /> one was opened for it</label>
    <div class="deeds">
      <el-button type="primary" native-type="submit" :loading="busy" :disabled="blocked || words.trim() === ''"
        >Write the tasting</el-button
      >
    </div>
    <p v-if="refusal !== ''" class="refusal" role="alert">{{ refusal }}</p>
  </form>
</template>

<style scoped>
.tasting {
  display: grid;
  gap: 8px;
}

.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(130px, 100%), 1fr));
  gap: 6px 18px;
}

.check {
  display: flex;
  gap: 8px;
  align-items: center;
  min-height: 36px;
}

summary {
  min-height: 30px;
  cursor: pointer;
}
</style>
