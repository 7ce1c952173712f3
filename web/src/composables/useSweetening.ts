import { honeyName } from '@hollow-bell/core/ingredients';
import { Refusal, exactly } from '@hollow-bell/core/quantities';
import { bearsHoney, firstShutGate } from '@hollow-bell/core/stabilize';
import {
  MAKERS_WORDS,
  SWEETNESS,
  additionsOf,
  gramsToReach,
  sugarRange,
  sweeten,
  whatItWouldBecome,
  wordOfGravity,
  wordOfSugar,
} from '@hollow-bell/core/sweeten';
import type { SweetTarget } from '@hollow-bell/core/sweeten';
import { fillAcross } from '@hollow-bell/core/vessel';
import { stabilizedAt } from '@hollow-bell/core/record';
import { yeastOf } from '@hollow-bell/core/yeast';
import { computed, ref } from 'vue';
import { SWEET, isUnfermentable, sweetenersOf, toldAs } from '../parts/sweeten/sweeteners.ts';
import type { Sweetener } from '../parts/sweeten/sweeteners.ts';
import { useBatch } from '../stores/batch.ts';
import { useShelf } from '../stores/shelf.ts';
import { useReader } from './useReader.ts';

/** What sweetens, and in what ratio by mass. */
export interface BlendRow {
  key: string;
  share: number | null;
}

/** What is to sweeten the batch that is open, by how much, and what becomes of it. */
export function useSweetening() {
  const store = useBatch();
  const { show, showFigure, number } = useReader();
  const shelf = useShelf();
  void shelf.loadOnce();

  const sweeteners = computed(() =>
    sweetenersOf(
      shelf.standing.map(({ item }) => item),
      SWEET,
    ),
  );
  const begunWith = store.batch?.plan.must.ingredients.find(({ family }) => family === 'honey');
  /** What the must was made with, where the shelf still has it; else what does not ferment, where that is the school. */
  const usual = computed<Sweetener | undefined>(() => {
    if (store.school === 'sweetener') return sweeteners.value.find(({ key }) => key === 'table erythritol');
    const honeys = sweeteners.value.filter(({ family }) => family === 'honey');
    return honeys.find(({ lotId, name }) => (lotId !== undefined && lotId === begunWith?.lotId) || name === begunWith?.name) ?? honeys[0];
  });
  const chosenRows = ref<BlendRow[] | null>(null);
  const rows = computed<BlendRow[]>({
    get: () => chosenRows.value ?? [{ key: usual.value?.key ?? '', share: 1 }],
    set: (value) => {
      chosenRows.value = value;
      glassG.value = null;
    },
  });
  const parts = computed(() =>
    rows.value.flatMap(({ key, share }) => {
      const of = sweeteners.value.find((each) => each.key === key);
      return of === undefined ? [] : [{ of, share: rows.value.length === 1 ? 1 : (share ?? 0), composition: of.composition }];
    }),
  );
  const names = computed(() => parts.value.map(({ of }) => toldAs(of)));
  const isSafe = computed(() => parts.value.length > 0 && parts.value.every(({ of }) => isUnfermentable(of)));

  type Way = 'sg' | 'sugar' | 'word' | 'own';
  const by = ref<Way>('sg');
  const WAYS: { value: Way; label: string }[] = [
    { value: 'sg', label: 'a gravity' },
    { value: 'sugar', label: 'grams of sugar per liter' },
    { value: 'word', label: 'a word' },
    { value: 'own', label: 'so much of it' },
  ];
  const WORDS = MAKERS_WORDS.map(({ word, toSg }) => ({ value: toSg, label: `${word}, to ${number(toSg, 3)}` }));
  const wantedSg = ref<number | null>(null);
  const wantedSugar = ref<number | null>(null);
  const wordSg = ref<number>(WORDS[1]?.value ?? 1.015);
  const ownG = ref<number | null>(null);
  const glassG = ref<number | null>(null);
  const target = computed<SweetTarget | null>(() => {
    if (by.value === 'sg') return wantedSg.value === null ? null : { sg: wantedSg.value };
    if (by.value === 'word') return { sg: wordSg.value };
    return wantedSugar.value === null ? null : { sugarGPerL: wantedSugar.value };
  });
  const answer = computed<{ totalG: number; refusal: string } | null>(() => {
    if (parts.value.length === 0 || store.view === null) return null;
    if (glassG.value !== null) return { totalG: glassG.value, refusal: '' };
    if (by.value === 'own') return ownG.value === null ? null : { totalG: ownG.value, refusal: '' };
    if (target.value === null) return null;
    try {
      return { totalG: gramsToReach(store.ledger.liquid, parts.value, target.value), refusal: '' };
    } catch (error) {
      if (error instanceof Refusal) return { totalG: 0, refusal: error.message };
      throw error;
    }
  });
  const additions = computed(() => {
    if (answer.value === null || answer.value.totalG <= 0) return null;
    try {
      return additionsOf(parts.value, answer.value.totalG);
    } catch (error) {
      if (error instanceof Refusal) return null;
      throw error;
    }
  });
  const now = computed(() => sweeten(store.ledger.liquid, []));
  const result = computed(() => (additions.value === null ? null : sweeten(store.ledger.liquid, additions.value)));
  const shut = computed(() => (isSafe.value ? null : firstShutGate(store.gates)));
  const isBarred = computed(
    () => !isSafe.value && (shut.value !== null || (!bearsHoney(store.school) && stabilizedAt(store.ledger) === null)),
  );
  const fits = computed(() => (result.value === null ? null : fillAcross(store.stands, result.value.volumeL)));
  const overflows = computed(() => fits.value !== null && fits.value.overflowL > 0);
  const fate = computed(() => {
    const { pitch } = store.ledger.history;
    if (additions.value === null || pitch === null || isSafe.value) return null;
    return whatItWouldBecome(store.ledger.liquid, additions.value, yeastOf(pitch).toleranceAbv.high);
  });
  const sugar = computed(() => store.figures?.sugarGPerL ?? exactly(store.view?.sugarGPerL ?? 0));
  const isStable = computed(() => stabilizedAt(store.ledger) !== null);
  const sweetness = computed(() =>
    result.value === null
      ? ''
      : `${wordOfGravity(result.value.sg)} to makers; ${wordOfSugar(result.value.sugarGPerL, store.ledger.history.ta?.value ?? null)} by the EU’s words for wine`,
  );
  /** As sweet as so much sugar, where it is no sugar. */
  const asSugar = computed(() => {
    const [first] = parts.value;
    const known = first === undefined ? undefined : SWEETNESS[first.of.name as keyof typeof SWEETNESS];
    if (parts.value.length !== 1 || known === undefined || answer.value === null || result.value === null) return null;
    const perL = answer.value.totalG / result.value.volumeL;
    return { value: perL * known.value, low: perL * known.low, high: perL * known.high };
  });
  const harmsDogs = computed(() => parts.value.some(({ of }) => of.traits?.includes('harms dogs') === true));
  const tellsGlass = (batchG: number): string => {
    if (parts.value.length === 0) return '';
    const glass = sweeten(store.ledger.liquid, additionsOf(parts.value, batchG));
    return `${show('sg', glass.sg)} · ${showFigure('gPerL', sugarRange(glass, sugar.value))}`;
  };
  /** So that the fifth glass is sweet: to 1.025, in halves of a gram; the maker sets it otherwise. */
  const usualStepG = computed(() => {
    try {
      const wholeG = gramsToReach(store.ledger.liquid, parts.value, { sg: 1.025 });
      return Math.max(0.5, Math.round((2 * wholeG) / (10 * (store.view?.volumeL ?? 1)) / 4) / 2);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return 1;
    }
  });
  /** By the shelf’s prices, where all of it has one. */
  const cost = computed(() => {
    const prices = parts.value.map(({ of }) => shelf.standing.find(({ item }) => item.id === of.lotId)?.item.pricePerKg ?? null);
    if (additions.value === null || prices.some((price) => price === null)) return null;
    return additions.value.reduce((sum, { massG }, i) => sum + (massG / 1000) * (prices[i] ?? 0), 0);
  });
  const shelfNote = computed(() => {
    const [first] = parts.value;
    if (first?.of.lotId === undefined) return '';
    const left = shelf.leftG.get(first.of.lotId);
    return left === undefined ? '' : `${honeyName(first.of.name)}, ${show('massG', left)} on the shelf`;
  });

  return {
    sweeteners,
    rows,
    parts,
    names,
    isSafe,
    by,
    WAYS,
    WORDS,
    wantedSg,
    wantedSugar,
    wordSg,
    ownG,
    glassG,
    answer,
    additions,
    now,
    result,
    shut,
    isBarred,
    fits,
    overflows,
    fate,
    sugar,
    isStable,
    sweetness,
    asSugar,
    harmsDogs,
    tellsGlass,
    usualStepG,
    shelfNote,
    cost,
  };
}
