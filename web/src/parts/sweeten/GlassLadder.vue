<script setup lang="ts">
import { honeysPoured } from '@hollow-bell/core/record';
import { seeded, shuffled } from '@hollow-bell/core/numerics';
import { scaleFromGlassG } from '@hollow-bell/core/sweeten';
import { computed, ref } from 'vue';
import { useDraft } from '../../composables/useDraft.ts';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import QuantityField from '../fields/QuantityField.vue';

/** Known glasses at rising doses, a word at each; the chosen one is scaled to the vessel. */
const props = defineProps<{
  /** What goes in, and the draft that keeps its words. */
  of: string;
  batchL: number;
  /** Grams from glass to glass, to begin with. */
  usualStepG: number;
  /** What so many grams in the whole vessel would make of it. */
  tells: (batchG: number) => string;
  chosenG: number | null;
}>();
const emit = defineEmits<{ choose: [batchG: number | null]; write: [told: string] }>();

const { show } = useReader();
const store = useBatch();
const glassMl = ref<number | null>(100);
const stepG = ref<number | null>(props.usualStepG);
const count = ref<number | null>(5);
const isBlind = ref(false);
const { draft, keep } = useDraft<Record<string, string>>(`glasses-${props.of}`, store.batch?.id ?? '');
const words = ref<Record<string, string>>({ ...draft.value });
const color = computed(() => liquidColor(honeysPoured(store.ledger).map(({ name }) => name)));
const glasses = computed(() => {
  const [ml, step, many] = [glassMl.value ?? 100, stepG.value ?? props.usualStepG, Math.max(2, count.value ?? 5)];
  const rising = Array.from({ length: many }, (_, i) => {
    const grams = Math.round(1000 * i * step) / 1000;
    const batchG = scaleFromGlassG(grams, ml, props.batchL);
    return { grams, batchG, key: grams.toString(), told: props.tells(batchG) };
  });
  /** The same order each time the page is opened, and another for each batch. */
  return isBlind.value ? shuffled(rising, seeded((store.batch?.createdAt ?? 1) % 1e9)) : rising;
});
const isChosen = (batchG: number): boolean => props.chosenG !== null && Math.abs(props.chosenG - batchG) < 1e-6;
const letter = (i: number): string => String.fromCharCode(65 + i);
function say(key: string, word: string): void {
  words.value = { ...words.value, [key]: word };
  keep(words.value);
}
const told = computed(() => {
  const said = glasses.value.filter(({ key }) => (words.value[key] ?? '').trim() !== '');
  const chosen = glasses.value.find(({ batchG }) => isChosen(batchG));
  if (said.length === 0) return '';
  const ml = show('volumeL', (glassMl.value ?? 100) / 1000);
  const each = [...said]
    .sort((a, b) => a.grams - b.grams)
    .map(({ grams, key }) => `${show('massG', grams)}: ${words.value[key]?.trim() ?? ''}`)
    .join('; ');
  return `Glasses of ${ml}, ${props.of}${isBlind.value ? ', blind' : ''}. ${each}.${chosen === undefined ? '' : ` Chosen: ${show('massG', chosen.grams)}.`}`;
});
</script>

<template>
  <div class="ladder" :data-ladder="of">
    <header>
      <h2>Glass ladder, {{ of }}</h2>
      <div class="set small no-print">
        <QuantityField v-model="glassMl" kind="count" label="glass, ml" :limits="{ low: 20, high: 1000 }" />
        <QuantityField v-model="stepG" kind="smallMass" label="step" :limits="{ low: 0.001, high: 50 }" />
        <QuantityField v-model="count" kind="count" label="glasses" :limits="{ low: 2, high: 12 }" />
        <label class="choice"><input v-model="isBlind" type="checkbox" /> <span>blind</span></label>
      </div>
    </header>
    <ol :style="{ '--glasses': glasses.length }">
      <li v-for="(glass, i) in glasses" :key="glass.key">
        <button
          type="button"
          class="glass-press"
          :class="{ chosen: isChosen(glass.batchG) }"
          :aria-pressed="isChosen(glass.batchG)"
          :aria-label="isBlind ? `Glass ${letter(i)}` : `${show('massG', glass.grams)} in a glass`"
          @click="emit('choose', isChosen(glass.batchG) || glass.grams === 0 ? null : glass.batchG)"
        >
          <svg viewBox="0 0 80 130" aria-hidden="true">
            <path d="M13 45H67L61 126H19Z" :fill="color" />
            <path d="M8 4L18 127H62L72 4" class="glass" />
          </svg>
          <span class="under">
            <b>{{ isBlind && !isChosen(glass.batchG) ? letter(i) : show('massG', glass.grams) }}</b>
            <span class="small">{{ isBlind && !isChosen(glass.batchG) ? 'hidden' : glass.told }}</span>
          </span>
        </button>
        <input
          class="line-input word"
          maxlength="80"
          placeholder="your word"
          :aria-label="isBlind ? `Your word for glass ${letter(i)}` : `Your word at ${show('massG', glass.grams)}`"
          :value="words[glass.key] ?? ''"
          @input="say(glass.key, ($event.target as HTMLInputElement).value)"
        />
      </li>
    </ol>
    <button v-if="told !== ''" type="button" class="link" @click="emit('write', told)">Write this tasting down</button>
  </div>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: end;
  gap: 6px 18px;
}

.set {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 6px 14px;
}

.set > :not(label) {
  width: 84px;
}

ol {
  display: grid;
  grid-template-columns: repeat(var(--glasses), minmax(86px, 1fr));
  overflow-x: auto;
}

.glass-press {
  display: grid;
  width: 100%;
  padding: 10px 0 0;
  border: 0;
  background: none;
  color: inherit;
  cursor: pointer;
}

svg {
  width: 100%;
  height: 104px;
  border-bottom: 2px solid var(--soot);
}

.glass {
  fill: none;
  stroke: var(--soot);
  stroke-width: 2;
}

.chosen .glass {
  stroke: var(--bronze);
  stroke-width: 4;
}

.under {
  display: grid;
  padding: 6px 2px;
  border-bottom: 3px solid transparent;
}

.under b {
  font-size: 18px;
}

.chosen .under {
  border-color: var(--bronze);
  background: var(--bronze-soft);
}

.word {
  width: calc(100% - 6px);
  text-align: center;
}

@media (max-width: 720px) {
  .word {
    min-height: 44px;
  }
}
</style>
