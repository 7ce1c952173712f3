import type { ShelfItem, Shelved } from '@hollow-bell/contract';
import { nitrogenMgPerG } from '@hollow-bell/core/nitrogen';
import { chemicalCalled, chemicalOf } from '@hollow-bell/core/record';
import type { EventContent } from '@hollow-bell/core/record';
import { CALIBRATIONS_C } from '@hollow-bell/core/liquid';
import type { PhCalibration } from '@hollow-bell/core/liquid';
import type { Vessel } from '@hollow-bell/core/vessel';
import { USUAL_VESSELS } from '@hollow-bell/core/vessel';
import { defineStore } from 'pinia';
import { computed, ref } from 'vue';
import { api } from '../api/client.ts';
import { useKept } from './kept.ts';
import { loading } from './loading.ts';

const isSame = (a: string, b: string): boolean => a.trim().toLowerCase() === b.trim().toLowerCase();

/** Whether what was given is what a lot holds: honey, fruit and yeast by name, nutrients and powders by what they are. */
function holds({ name, detail }: ShelfItem, content: EventContent): boolean {
  if (detail.kind === 'chemical') {
    const given = chemicalOf(content);
    return given !== null && given === (detail.is ?? chemicalCalled(name));
  }
  switch (content.kind) {
    case 'honey':
      return detail.kind === 'ingredient' && detail.family === 'honey' && isSame(name, content.payload.name);
    case 'ingredient':
      return detail.kind === 'ingredient' && detail.family === content.payload.family && isSame(name, content.payload.name);
    case 'yeast':
      return detail.kind === 'yeast' && isSame(name, content.payload.name);
    case 'nutrient': {
      const wanted = nitrogenMgPerG(content.payload);
      return (
        detail.kind === 'nutrient' &&
        Math.abs(1000 * detail.ammoniumN - wanted.ammonium) < 1 &&
        Math.abs(1000 * detail.aminoN - wanted.amino) < 1
      );
    }
    default:
      return false;
  }
}

/** What stands on the shelf, with what batches have taken of it. */
export const useShelf = defineStore('shelf', () => {
  const shelved = ref<Shelved[]>([]);
  const { loaded, problem, load } = loading(async () => {
    shelved.value = (await api.shelf()).items;
  });

  async function put(item: ShelfItem, afterVersion: number): Promise<void> {
    const written = await useKept().write<Shelved>({ what: 'shelf', item, afterVersion });
    const others = shelved.value.filter((other) => other.item.id !== item.id);
    const at = shelved.value.findIndex((other) => other.item.id === item.id);
    shelved.value = at === -1 ? [...others, written] : others.toSpliced(at, 0, written);
  }

  async function remove(id: string): Promise<void> {
    const name = shelved.value.find(({ item }) => item.id === id)?.item.name ?? 'a lot';
    await useKept().write({ what: 'off the shelf', id, name });
    shelved.value = shelved.value.filter(({ item }) => item.id !== id);
  }

  async function importAll(items: ShelfItem[]): Promise<void> {
    await useKept().write({ what: 'shelf file', items });
    await load();
  }

  const standing = computed(() => shelved.value.filter(({ item }) => !item.putAway));
  const leftG = computed(() => new Map(shelved.value.map(({ item, takenG }) => [item.id, item.stockG - takenG])));
  const yeasts = computed(() =>
    standing.value.flatMap(({ item }) => (item.detail.kind === 'yeast' ? [{ item, detail: item.detail }] : [])),
  );
  /** The maker's own vessels, then the usual ones. */
  const vessels = computed<Vessel[]>(() => {
    const own = standing.value.flatMap(({ item: { name, detail } }) =>
      detail.kind === 'vessel' ? [{ name, kind: detail.shape, capacityL: detail.capacityL }] : [],
    );
    return [...own, ...USUAL_VESSELS.filter(({ name }) => !own.some((vessel) => vessel.name === name))];
  });

  /** How the house’s hydrometer and refractometer are marked, and what they show too much in water: the ones that were checked last. */
  const gravityInstruments = computed(() => {
    const all = standing.value.flatMap(({ item: { name, detail } }) => (detail.kind === 'instrument' ? [{ name, ...detail }] : []));
    const latest = (reads: 'gravity' | 'brix') =>
      all.filter((each) => each.reads === reads).toSorted((a, b) => (b.calibratedOn ?? '').localeCompare(a.calibratedOn ?? ''))[0];
    const [hydrometer, refractometer] = [latest('gravity'), latest('brix')];
    return {
      markedC: CALIBRATIONS_C.find((each) => Math.abs(each - (hydrometer?.calibrationC ?? -1)) < 0.5),
      zeroSg: hydrometer?.inWater === undefined ? 0 : Math.round(1e4 * (hydrometer.inWater - 1)) / 1e4,
      zeroBrix: refractometer?.inWater ?? 0,
    };
  });
  const tareG = (name: string): number | null =>
    standing.value.flatMap(({ item }) => (item.name === name && item.detail.kind === 'vessel' ? [item.detail.tareG ?? null] : []))[0] ??
    null;
  /** How many of a vessel there are; no end of the usual ones, which nobody counted. */
  const vesselCount = (name: string): number =>
    standing.value.find(({ item }) => item.detail.kind === 'vessel' && item.name === name)?.item.stockG ?? Number.POSITIVE_INFINITY;

  /** The house’s pH meter with its last two-point calibration. */
  const phMeter = computed<PhCalibration | null>(() => {
    const calibrations = standing.value.flatMap(({ item: { detail } }): PhCalibration[] => {
      if (detail.kind !== 'instrument' || detail.reads !== 'pH' || detail.buffers === undefined || detail.calibratedOn === null) return [];
      return [{ at: new Date(`${detail.calibratedOn}T12:00`).getTime(), ...detail.buffers }];
    });
    return calibrations.toSorted((a, b) => b.at - a.at)[0] ?? null;
  });
  /** An entry takes from the shelf what it is of: of the lot that it names, of the only one of that name, or of the first that holds the same. */
  function fromLot(content: EventContent): EventContent {
    if (!('massG' in content.payload) || ('lotId' in content.payload && content.payload.lotId !== undefined)) return content;
    const lot = standing.value.find(({ item }) => holds(item, content))?.item.id;
    return lot === undefined ? content : ({ ...content, payload: { ...content.payload, lotId: lot } } as EventContent);
  }

  const loadOnce = async (): Promise<void> => {
    if (!loaded.value) await load();
  };

  return {
    phMeter,
    loadOnce,
    fromLot,
    shelved,
    standing,
    loaded,
    problem,
    leftG,
    yeasts,
    vessels,
    vesselCount,
    tareG,
    gravityInstruments,
    load,
    put,
    remove,
    importAll,
  };
});
