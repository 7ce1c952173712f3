<script setup lang="ts">
import { DAY_MS, SHOWN_UNITS, UNIT_SYMBOL } from '@hollow-bell/core/quantities';
import { productName } from '@hollow-bell/core/nitrogen';
import { colorsOf, eventSentence } from '@hollow-bell/core/record';
import { useEventListener } from '@vueuse/core';
import { computed, ref, useTemplateRef, watch } from 'vue';
import MakerDialog from '../fields/MakerDialog.vue';
import SentenceText from '../figures/SentenceText.vue';
import { useAttempt } from '../../composables/useAttempt.ts';
import { useReader } from '../../composables/useReader.ts';
import { useWhen } from '../../composables/useWhen.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { useBatch } from '../../stores/batch.ts';
import { usePad } from '../../stores/pad.ts';
import { usePractice } from '../../stores/practice.ts';
import PadFields from './PadFields.vue';
import PadGlass from './PadGlass.vue';
import PadKeys from './PadKeys.vue';
import PadWhen from './PadWhen.vue';
import PadWords from './PadWords.vue';
import { usePadReading } from './usePadReading.ts';
import type { ShownField } from './PadFields.vue';

const pad = usePad();
const store = useBatch();
const house = usePractice();
const { show, tell, date, reader, typedBy } = useReader();
const { refusal, busy, attempt, blocked } = useAttempt();
const { at, when } = useWhen();
const { here, beginnings, understood, expected, last, near, dueParts, digit, begin, erase, take, empty, begunOf, textOf } =
  usePadReading(at);

const choosesWhen = ref(false);
watch(
  () => pad.batchId,
  (id) => {
    empty();
    at.value = null;
    choosesWhen.value = false;
    refusal.value = '';
    if (id !== null && store.batch?.id !== id) void store.open(id);
  },
  { immediate: true, flush: 'post' },
);
const isOpen = computed(() => store.batch !== null && store.batch.id === pad.batchId);
const units = computed(() => SHOWN_UNITS[house.practice.units]);
const FIELDS = computed((): ShownField[] => [
  { field: 'sg', label: 'gravity', empty: near.value.sg === null ? '–' : show('sg', near.value.sg) },
  { field: 'tempC', label: `sample ${UNIT_SYMBOL[units.value.temp]}`, empty: '–' },
  { field: 'ph', label: 'pH', empty: '–' },
  { field: 'brix', label: '°Brix', empty: '–' },
  { field: 'sampleL', label: `kept out, ${UNIT_SYMBOL[units.value.volume]}`, empty: '–' },
  ...dueParts.value.map(({ product, massG }, i) => ({
    field: i === 0 ? ('fed0' as const) : ('fed1' as const),
    label: `${productName(product)}, g`,
    empty: show('massG', massG),
  })),
]);
const day = computed(() => {
  const { pitch } = store.ledger.history;
  return pitch === null ? 'no yeast yet' : `day ${Math.floor((store.now - pitch.at) / DAY_MS)}`;
});
const mark = computed(() => (1.5).toLocaleString(typedBy.value.locale).replaceAll(/\d/g, ''));
const ready = computed(() => begunOf(here.value).begins);
const shownSg = computed(
  () => understood.value.read?.sg ?? (understood.value.field === 'sg' ? (understood.value.offers[0]?.value ?? null) : null),
);
const color = computed(() => liquidColor(colorsOf(store.ledger)));
const contents = computed(() => understood.value.contents);
const told = computed(() => contents.value.map((content) => tell(eventSentence(content))).join('; '));
const deed = computed(() => {
  if (contents.value.length === 0) return 'Read';
  const verb = contents.value[0]?.kind === 'reading' ? 'read' : 'write';
  const says = `${verb} ${told.value}`;
  return understood.value.doubts.length > 0 ? `It is so, ${says}` : `${verb === 'read' ? 'Read' : 'Write'} ${told.value}`;
});
const atTold = computed(() =>
  at.value === null ? `now, ${date(reader.value.now, { hour: '2-digit', minute: '2-digit' })}` : show('when', at.value),
);

async function save(): Promise<void> {
  if (contents.value.length === 0 || blocked.value) return;
  const written = await attempt(() =>
    store.write(contents.value, `${store.batch?.name ?? ''}: ${told.value}`, { ...when.value, isSure: true }),
  );
  if (written) pad.close();
}

/** Fingers and keys write alike, wherever the focus stands; a button that is pressed by Enter is that button, but for a field's. */
function typed(press: KeyboardEvent): void {
  const on = press.target as HTMLElement;
  if (!isOpen.value || press.ctrlKey || press.metaKey || press.altKey || on.closest('input') !== null) return;
  if (/^[\d.,]$/.test(press.key)) digit(press.key);
  else if (press.key === 'Backspace') erase();
  else if (press.key === 'Enter' && (on.closest('button') === null || on.matches('[data-field]'))) void save();
  else return;
  press.preventDefault();
}
useEventListener(document, 'keydown', typed);
/** A batch that comes late finds the dialog standing open already. */
const board = useTemplateRef<HTMLElement>('board');
watch(board, (stands) => stands?.querySelector<HTMLElement>('[data-field]')?.focus(), { flush: 'post' });
</script>

<template>
  <MakerDialog
    :model-value="pad.batchId !== null"
    class="pad"
    :title="isOpen ? `${store.batch?.name ?? ''} · ${day}` : 'A reading'"
    width="min(420px, 100vw)"
    @close="pad.close()"
  >
    <p v-if="store.problem !== '' && !isOpen" class="refusal" role="alert">{{ store.problem }}</p>
    <p v-else-if="!isOpen" class="quiet">Opening the batch…</p>
    <p v-else-if="store.unreckoned !== null" class="refusal"><SentenceText :sentence="store.unreckoned" /></p>
    <div v-else ref="board" class="board">
      <PadGlass
        class="drawing"
        :sg="shownSg"
        :is-refused="understood.field === 'sg'"
        :expected="expected"
        :last="last"
        :near="near.sg ?? 1"
        :color="color"
      />
      <PadFields v-model="here" :fields="FIELDS" :refused="understood.field" :text-of="textOf" />
      <PadKeys :beginnings="beginnings.all" :ready="ready" :mark="mark" @digit="digit" @begin="begin" @erase="erase">
        <button type="button" class="word wide" :aria-expanded="choosesWhen" @click="choosesWhen = !choosesWhen">{{ atTold }}</button>
      </PadKeys>
      <PadWhen v-if="choosesWhen" v-model="at" class="when" @chosen="choosesWhen = false" />
      <PadWords :understood="understood" :refusal="refusal" />
      <button
        v-for="offer in understood.offers"
        :key="offer.value"
        type="button"
        class="offer"
        @click="understood.field !== null && take(understood.field, offer)"
      >
        <b>{{ tell(offer.said) }}</b> <span class="small">take this; nothing is written yet</span>
      </button>
      <el-button
        v-if="understood.offers.length === 0"
        type="primary"
        class="deed"
        :loading="busy"
        :disabled="contents.length === 0 || blocked"
        @click="save"
        >{{ deed }}</el-button
      >
    </div>
  </MakerDialog>
</template>

<style scoped>
.board {
  display: grid;
  gap: 8px;
}

.drawing {
  border-bottom: 2px solid var(--soot);
}

.offer {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  justify-content: center;
  gap: 2px 14px;
  min-height: 58px;
  padding: 8px 14px;
  border: 2px solid var(--bronze);
  background: var(--paper);
  color: var(--soot);
  cursor: pointer;
}

.offer b {
  font-size: 24px;
}

.deed {
  min-height: 56px;
  font-size: 17px;
}
</style>

<style src="./pad.css"></style>
