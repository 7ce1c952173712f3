import { misfitOf, shelfItemShape } from '@hollow-bell/contract';
import type { ShelfItem, ShelfKind, Shelved } from '@hollow-bell/contract';
import { INGREDIENTS, MEAN_HONEY, honeyComposition } from '@hollow-bell/core/ingredients';
import { NUTRIENTS } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { computed, ref } from 'vue';

const FRESH: Record<ShelfKind, () => ShelfItem['detail']> = {
  ingredient: () => ({
    kind: 'ingredient',
    family: 'honey',
    makes: 'honey',
    composition: honeyComposition(MEAN_HONEY.moisture, MEAN_HONEY.unfermentable),
    sugarSpread: 0,
  }),
  yeast: () => ({ kind: 'yeast', typeId: 'allround', own: {} }),
  nutrient: () => ({ kind: 'nutrient', ammoniumN: 0, aminoN: NUTRIENTS.organic.aminoN, gPerTeaspoon: NUTRIENTS.organic.gPerTeaspoon }),
  chemical: () => ({ kind: 'chemical', use: '' }),
  vessel: () => ({ kind: 'vessel', shape: 'jug', capacityL: 5, material: 'glass', neckMm: null }),
  instrument: () => ({ kind: 'instrument', reads: 'gravity', calibrationC: 20, resolution: 0.001, calibratedOn: null }),
  bottle: () => ({ kind: 'bottle', sizeMl: 750, is: 'wine', closure: 'cork' }),
  closure: () => ({ kind: 'closure', is: 'cork' }),
};

const COUNTED: readonly ShelfKind[] = ['vessel', 'instrument', 'bottle', 'closure'];
export const isCounted = (kind: ShelfKind): boolean => COUNTED.includes(kind);

/** A lot being written down or changed. What is counted is what is left; the stock is that and what batches took. */
export function useShelfDraft(from: Shelved | ShelfKind) {
  const isNew = typeof from === 'string';
  const takenG = isNew ? 0 : from.takenG;
  const item = ref<ShelfItem>(
    isNew
      ? {
          id: crypto.randomUUID(),
          name: '',
          stockG: isCounted(from) ? 1 : 0,
          pricePerKg: null,
          expiresOn: null,
          note: '',
          putAway: false,
          detail: FRESH[from](),
        }
      : (JSON.parse(JSON.stringify(from.item)) as ShelfItem),
  );
  const leftG = computed({
    get: () => Math.max(0, item.value.stockG - takenG),
    set: (left: number) => {
      item.value.stockG = left + takenG;
    },
  });

  /** The figures of a row of the reference table, as a place to begin. */
  function beLike(rowId: string): void {
    const row = INGREDIENTS.find(({ id }) => id === rowId);
    if (row === undefined) return;
    const { family, makes, composition, sugarSpread } = row;
    item.value.detail = { kind: 'ingredient', family, makes, composition: { ...composition }, sugarSpread };
    if (item.value.name === '') item.value.name = row.name;
  }

  /** The item as it may be written. @throws Refusal with what is wrong */
  function checked(): ShelfItem {
    const whole = { ...item.value, name: item.value.name.trim(), note: item.value.note.trim() };
    const misfit = misfitOf(shelfItemShape, whole);
    if (misfit !== null) throw new Refusal(misfit.says);
    return whole;
  }

  return { item, isNew, takenG, leftG, version: isNew ? 0 : from.version, beLike, checked };
}
