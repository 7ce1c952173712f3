<script setup lang="ts">
import { INGREDIENTS, MEAN_HONEY, SOURCE_NAMES, honeyComposition } from '@hollow-bell/core/ingredients';
import type { Family, StyleMark } from '@hollow-bell/core/ingredients';
import type { PlannedIngredient } from '@hollow-bell/core/must';
import { computed, nextTick, ref, watch } from 'vue';
import { useReader } from '../../composables/useReader.ts';
import { liquidColor } from '../../look/liquidColor.ts';
import { lineOf, lineOfLot } from './lines.ts';
import { useShelf } from '../../stores/shelf.ts';
import MakerDialog from '../fields/MakerDialog.vue';

const open = defineModel<boolean>({ required: true });
const emit = defineEmits<{ pick: [ingredient: PlannedIngredient] }>();

const { show } = useReader();
const shelf = useShelf();
const sought = ref('');
const at = ref(0);
const box = ref<HTMLInputElement | null>(null);

interface Choice {
  key: string;
  group: string;
  name: string;
  about: string;
  make: () => PlannedIngredient;
}
const GROUPS: Record<Family, string> = {
  honey: 'Honey',
  fruit: 'Fruit',
  juice: 'Juice',
  dried: 'Dried fruit',
  sugar: 'Sugar',
  syrup: 'Syrup',
  malt: 'Malt',
  zest: 'Zest, spice, tea',
  tea: 'Zest, spice, tea',
  spice: 'Zest, spice, tea',
  herb: 'Herbs and flowers',
  sweetener: 'Sweeteners that do not ferment',
  tannin: 'Tannin and acid',
  acid: 'Tannin and acid',
};
const OWN: { family: Family; label: string }[] = [
  { family: 'fruit', label: 'fruit' },
  { family: 'honey', label: 'a honey' },
  { family: 'juice', label: 'a juice' },
  { family: 'syrup', label: 'a syrup' },
  { family: 'malt', label: 'malt' },
  { family: 'spice', label: 'a spice' },
  { family: 'herb', label: 'a herb or flower' },
  { family: 'acid', label: 'an acid' },
  { family: 'sweetener', label: 'a sweetener that does not ferment' },
];
const MAKES: Partial<Record<Family, StyleMark>> = { fruit: 'fruit', honey: 'honey', malt: 'malt', spice: 'spice', herb: 'spice' };
const choices = computed<Choice[]>(() => [
  ...shelf.standing.flatMap(({ item, takenG }) => {
    const line = lineOfLot(item);
    if (line === null) return [];
    const left = show('massG', Math.max(0, item.stockG - takenG));
    return [{ key: item.id, group: 'From the shelf', name: item.name, about: `${left} left`, make: () => line }];
  }),
  ...INGREDIENTS.map((row) => ({
    key: row.id,
    group: GROUPS[row.family],
    name: row.name,
    about: `${show('percent', 100 * row.composition.sugar)} sugar`,
    make: () => lineOf(row),
  })),
]);
const found = computed(() => {
  const words = sought.value.toLowerCase().split(/\s+/).filter(Boolean);
  const holds = (text: string): boolean => words.every((word) => text.toLowerCase().includes(word));
  /** What is called so comes before what only stands in a group of that name. */
  const byName = choices.value.filter(({ name }) => holds(name));
  const byGroup = choices.value.filter((choice) => holds(`${choice.name} ${choice.group}`) && !byName.includes(choice));
  return [...byName, ...byGroup];
});

watch(sought, () => {
  at.value = 0;
});
watch(open, async (isOpen) => {
  if (!isOpen) return;
  sought.value = '';
  if (!shelf.loaded) await shelf.load();
  await nextTick();
  box.value?.focus();
});
watch(at, async () => {
  await nextTick();
  document.getElementById(`choice-${at.value}`)?.scrollIntoView({ block: 'nearest' });
});

function pick(choice: Choice | undefined): void {
  if (choice === undefined) return;
  emit('pick', choice.make());
  open.value = false;
}

/** Own figures, of the family that the maker names: only fruit begins fresh and in a bag. */
function own(family: Family): void {
  const composition = { sugar: 0.1, unfermentable: 0.02, insoluble: 0.02, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 };
  pick({
    key: '',
    group: '',
    name: '',
    about: '',
    make: () =>
      lineOf({
        name: sought.value.trim() || 'own ingredient',
        family,
        makes: MAKES[family] ?? 'none',
        composition: family === 'honey' ? honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable) : composition,
        sugarSpread: 0.3,
      }),
  });
}
</script>

<template>
  <MakerDialog v-model="open" title="Add to the must" width="min(520px, 94vw)">
    <input
      ref="box"
      v-model="sought"
      class="seek"
      placeholder="honey, gooseberries, maple, cloves…"
      role="combobox"
      aria-expanded="true"
      aria-controls="choices"
      aria-label="Ingredient"
      :aria-activedescendant="`choice-${at}`"
      @keydown.down.prevent="at = Math.min(found.length - 1, at + 1)"
      @keydown.up.prevent="at = Math.max(0, at - 1)"
      @keydown.enter.prevent="pick(found[at])"
    />
    <ul id="choices" role="listbox" aria-label="Ingredients" class="choices">
      <template v-for="(choice, i) in found" :key="choice.key">
        <li v-if="choice.group !== found[i - 1]?.group" role="presentation" class="group small">{{ choice.group }}</li>
        <li :id="`choice-${i}`" role="option" :aria-selected="i === at" :class="{ at: i === at }" @click="pick(choice)" @mousemove="at = i">
          <i class="swatch" :style="{ background: liquidColor([choice.name]) }" /><span>{{ choice.name }}</span
          ><span class="small quiet">{{ choice.about }}</span>
        </li>
      </template>
    </ul>
    <p v-if="found.length === 0" class="quiet">
      Nothing of that name. Add “{{ sought }}” with your own figures, as
      <template v-for="{ family, label } in OWN" :key="family"
        ><button type="button" class="link" @click="own(family)">{{ label }}</button>{{ ' ' }}</template
      >
    </p>
    <p class="small quiet">The table: {{ SOURCE_NAMES.composition }}. Every figure can be changed in the pour list.</p>
  </MakerDialog>
</template>

<style scoped>
.seek {
  width: 100%;
  height: 44px;
  padding: 0 6px;
  border: 0;
  border-bottom: 2px solid var(--bronze);
  background: none;
  color: inherit;
  font-size: 17px;
}

.seek:focus-visible {
  outline: none;
}

.choices {
  max-height: 46vh;
  margin: 6px 0;
  overflow-y: auto;
}

.group {
  padding: 8px 6px 2px;
  color: var(--soot-2);
}

li[role='option'] {
  display: grid;
  grid-template-columns: 14px 1fr auto;
  align-items: center;
  gap: 10px;
  min-height: 36px;
  padding: 2px 6px;
  cursor: pointer;
}

.at {
  background: var(--bronze-soft);
}

.swatch {
  height: 20px;
  border: 1px solid var(--soot-3);
}

@media (max-width: 720px) {
  li[role='option'] {
    min-height: 44px;
  }
}
</style>
