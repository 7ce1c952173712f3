import { DAP_CAP_G_PER_L } from '@hollow-bell/core/nitrogen';
import { chemicalCalled } from '@hollow-bell/core/record';
import { doseFor, isComing, weighedParts } from '@hollow-bell/core/feed';
import type * as DipModule from '@hollow-bell/tell/dip';
import type { DipContext, DipProduct } from '@hollow-bell/tell/dip';
import { computed, shallowRef } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { usePractice } from '../stores/practice.ts';
import { useShelf } from '../stores/shelf.ts';
import { useInstruments } from './useInstruments.ts';
import { useReader } from './useReader.ts';

type Dip = typeof DipModule;

/** What the dip line knows of the open batch and the house. Its words are loaded when the line is first used. */
export function useDip() {
  const store = useBatch();
  const shelf = useShelf();
  const house = usePractice();
  const instruments = useInstruments();
  const { typedBy } = useReader();
  const dip = shallowRef<Dip | null>(null);

  async function load(): Promise<void> {
    dip.value ??= await import('@hollow-bell/tell/dip');
    await shelf.loadOnce();
  }

  const plannedDose = computed<DipContext['plannedDose']>(() => {
    const next = store.feedingNow?.doses.find(isComing);
    return next === undefined ? null : { dose: next.dose.number, parts: weighedParts(next) };
  });

  /** The maker's own lots first, then what everybody knows. */
  const products = computed<DipProduct[]>(() => {
    if (dip.value === null) return [];
    const { chemicalProduct, commonProducts, ingredientProduct, nutrientProduct, yeastProduct } = dip.value;
    const own = shelf.standing.flatMap(({ item: { id, name, detail } }): DipProduct[] => {
      switch (detail.kind) {
        case 'nutrient': {
          const { ammoniumN, aminoN, gPerTeaspoon } = detail;
          return [nutrientProduct({ source: 'own', own: { name, ammoniumN, aminoN }, lotId: id, gPerTeaspoon }, true, detail.gPerPacket)];
        }
        case 'yeast':
          return [yeastProduct(name, { yeastId: detail.typeId, own: { ...detail.own, name }, lotId: id }, true, detail.gPerPacket)];
        case 'ingredient':
          return [ingredientProduct({ name, ...detail }, true, id)];
        case 'chemical': {
          const is = detail.is ?? chemicalCalled(name);
          return is === undefined ? [] : [chemicalProduct(is, { ...detail, name, lotId: id })];
        }
        case 'vessel':
        case 'instrument':
        case 'bottle':
        case 'closure':
          return [];
      }
    });
    const must = store.batch?.plan.must;
    const planned = must === undefined ? null : { yeastId: must.yeastId, own: must.own, lotId: must.yeastLotId };
    return [...own, ...commonProducts(planned)];
  });

  const context = computed<DipContext>(() => ({
    ...typedBy.value,
    now: store.now,
    instruments: instruments.value,
    rules: {
      dapCapGPerL: DAP_CAP_G_PER_L[house.practice.region],
      noSulfites: (store.batch?.plan.practice ?? house.practice).noSulfites,
    },
    ledger: store.ledger,
    products: products.value,
    vessels: shelf.vessels,
    plannedDose: plannedDose.value,
    doseFor: (given, at) => (store.feeding === null ? undefined : doseFor(store.feeding, store.ledger, given, at)),
  }));

  return { dip, load, context };
}
