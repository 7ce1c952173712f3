import { bottleSizesMl, checkMeasured, planCrate, planPriming, warmestSinceEnd } from '@hollow-bell/core/bottle';
import type { CratePlan, CrateRow, PartEnd, PrimePlan } from '@hollow-bell/core/bottle';
import { CLOSURES_OF, GAS_STYLES, gasStyleOf, primingSugarOf, ratingOf, volumesFromPieces } from '@hollow-bell/core/carbonate';
import { waterShare } from '@hollow-bell/core/ingredients';
import { Refusal } from '@hollow-bell/core/quantities';
import type { Sentence } from '@hollow-bell/core/quantities';
import type { EventContent, PrimingId } from '@hollow-bell/core/record';
import { bubblingOf, wantsFreshYeast, whyNoGas, whyNotPrime } from '@hollow-bell/core/glass';
import { computed, inject, provide, ref } from 'vue';
import type { InjectionKey } from 'vue';
import { useBatch } from '../stores/batch.ts';
import { usePractice } from '../stores/practice.ts';
import { useShelf } from '../stores/shelf.ts';

/** A kind of bottle that stands ready; those that nobody counted stand there without end. */
interface ReadyRow extends CrateRow {
  key: string;
  name: string;
  isCounted: boolean;
}

export interface PrimeChoice {
  key: string;
  label: string;
  what: PrimingId;
  name: string;
  fermentable?: number;
  lotId?: string;
}

const UNCOUNTED = 999;
const TABLE_SUGAR: PrimeChoice = { key: 'sucrose', label: 'table sugar', what: 'sucrose', name: 'table sugar' };
const SUGARS: PrimeChoice[] = [
  TABLE_SUGAR,
  { key: 'monohydrate', label: 'dextrose, as sold', what: 'dextrose monohydrate', name: 'dextrose' },
  { key: 'anhydrous', label: 'dextrose without water', what: 'dextrose anhydrous', name: 'dextrose' },
];
const LOSS_L = 0.1;

function planned(word: () => string | null) {
  const store = useBatch();
  const shelf = useShelf();
  const house = usePractice();
  void shelf.loadOnce();

  const isSparkling = ref(false);
  const measuredL = ref<number | null>(null);
  const isAgain = ref(false);
  const lostL = ref<number | null>(LOSS_L);
  const typedWarmestC = ref<number | null>(null);
  const volumes = ref(GAS_STYLES.find(({ id }) => id === 'lively')?.usual ?? 2.4);
  const sugarKey = ref('sucrose');
  const where = ref<'bulk' | 'each'>('bulk');
  const pieceG = ref<number | null>(null);
  const otherCost = ref<number | null>(null);
  const partEnd = ref<PartEnd>('drunk');
  const counts = ref<Record<string, number | null>>({});

  const sweet = computed<Sentence | null>(() => whyNotPrime(store.ledger));
  const dead = computed<Sentence | null>(() => whyNoGas(store.ledger));
  const fresh = computed(() => wantsFreshYeast(store.ledger, store.now));
  const warmest = computed(() => warmestSinceEnd(store.ledger, store.batch?.plan.must.roomTempC ?? house.practice.roomTempC));
  const warmestC = computed({
    get: () => typedWarmestC.value ?? warmest.value.tempC,
    set: (value: number | null) => {
      typedWarmestC.value = value;
    },
  });
  const plannedL = computed(() => store.figures?.volumeL ?? null);
  const volumeL = computed(() => measuredL.value ?? store.view?.volumeL ?? 0);

  const sugars = computed<PrimeChoice[]>(() => [
    ...SUGARS,
    ...shelf.standing.flatMap(({ item: { id, name, detail } }): PrimeChoice[] => {
      if (detail.kind !== 'ingredient' || (detail.family !== 'honey' && detail.family !== 'juice')) return [];
      const label =
        detail.family === 'honey'
          ? `${name} honey, ${Math.round(1000 * waterShare(detail.composition)) / 10} % water`
          : `${name}, ${Math.round(1000 * detail.composition.sugar) / 10} % sugar`;
      return [{ key: id, label, what: detail.family, name, fermentable: detail.composition.sugar, lotId: id }];
    }),
  ]);
  const sugar = computed(() => sugars.value.find(({ key }) => key === sugarKey.value) ?? TABLE_SUGAR);

  const ready = computed<ReadyRow[]>(() => {
    const own = shelf.standing.flatMap(({ item: { id, name, stockG, detail }, takenG }): ReadyRow[] => {
      const left = Math.max(0, Math.round(stockG - takenG));
      if (detail.kind !== 'bottle' || left === 0) return [];
      const { sizeMl, is: kind, closure, ratedVolumes } = detail;
      const closureLotId = shelf.standing.find(({ item }) => item.detail.kind === 'closure' && item.detail.is === closure)?.item.id;
      return [
        {
          key: id,
          name,
          sizeMl,
          kind,
          closure,
          ratedVolumes,
          lotId: id,
          closureLotId,
          have: left,
          wanted: counts.value[id] ?? null,
          isCounted: true,
        },
      ];
    });
    if (own.length > 0) return own.toSorted((a, b) => (ratingOf(b) ?? 0) - (ratingOf(a) ?? 0) || b.sizeMl - a.sizeMl);
    return bottleSizesMl(house.practice.units).map((sizeMl): ReadyRow => {
      const kind = sizeMl === 750 || sizeMl === 375 ? ('wine' as const) : ('used beer' as const);
      const key = `any ${sizeMl}`;
      return {
        key,
        name: '',
        sizeMl,
        kind,
        closure: CLOSURES_OF[kind][0],
        have: UNCOUNTED,
        wanted: counts.value[key] ?? 0,
        isCounted: false,
      };
    });
  });

  /** What comes of a plan, or why nothing does. */
  function tried<T>(deed: () => T): { done: T | null; why: Sentence | null } {
    try {
      return { done: deed(), why: null };
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      return { done: null, why: error.said };
    }
  }

  const capacityL = computed(() => store.stands.reduce((sum, { vessel }) => sum + vessel.capacityL, 0));
  const measured = computed(() => tried(() => checkMeasured(volumeL.value, capacityL.value)));
  const priming = computed(() =>
    !isSparkling.value || volumeL.value <= 0
      ? { done: null, why: null }
      : tried(() =>
          planPriming(store.ledger, {
            volumes: volumes.value,
            volumeL: volumeL.value,
            warmestC: warmestC.value,
            sugar: primingSugarOf(sugar.value),
            where: where.value,
          }),
        ),
  );
  const prime = computed<PrimePlan | null>(() => priming.value.done);
  const bubbling = computed(() =>
    prime.value === null
      ? null
      : bubblingOf(store.ledger, Math.max(volumes.value, prime.value.residualVolumes), volumeL.value, warmestC.value),
  );
  /** Whole pieces for a bottle; null where it is by the gram. */
  const piecesFor = (sizeMl: number): number | null =>
    prime.value === null || where.value === 'bulk' || pieceG.value === null || pieceG.value <= 0
      ? null
      : Math.max(0, Math.round((prime.value.gPerL * sizeMl) / 1000 / pieceG.value));
  const gramsFor = (sizeMl: number): number => {
    const pieces = piecesFor(sizeMl);
    return pieces === null ? ((prime.value?.gPerL ?? 0) * sizeMl) / 1000 : pieces * (pieceG.value ?? 0);
  };
  const gasIn = ({ sizeMl }: CrateRow): number => {
    const pieces = piecesFor(sizeMl);
    return pieces === null
      ? (bubbling.value?.volumes ?? 0)
      : volumesFromPieces(pieces, pieceG.value ?? 0, sizeMl, warmestC.value, primingSugarOf(sugar.value));
  };

  const fillL = computed(() => Math.max(0, volumeL.value - (lostL.value ?? 0) + (prime.value?.syrupWaterL ?? 0)));
  const filling = computed(() => tried(() => planCrate(fillL.value, ready.value, bubbling.value, isAgain.value, gasIn)));
  const crate = computed<CratePlan<ReadyRow> | null>(() => filling.value.done);
  const refused = computed(() => measured.value.why ?? priming.value.why ?? filling.value.why);
  const wantsAgain = computed(() => crate.value?.rows.some(({ holds, row }) => holds === 'again' && row.have > 0) === true);

  /** As many as fit of one kind, beside the others. */
  function fillWith(key: string): void {
    const all = ready.value.map((row) => ({ ...row, wanted: row.key === key ? null : (counts.value[row.key] ?? 0) }));
    const plan = planCrate(fillL.value, all, bubbling.value, isAgain.value, gasIn);
    const i = all.findIndex((row) => row.key === key);
    counts.value = { ...counts.value, [key]: plan.rows[i]?.count ?? 0 };
  }

  const leftL = computed(() => Math.max(0, (crate.value?.overMl ?? 0) / 1000));
  const events = computed<EventContent[]>(() => {
    const filled = (crate.value?.rows ?? []).filter(({ count }) => count > 0);
    const bottles = filled.map(({ row: { sizeMl, kind, closure, ratedVolumes, lotId, closureLotId }, count }) => ({
      sizeMl,
      count,
      kind,
      closure,
      ...(ratedVolumes === undefined ? {} : { ratedVolumes }),
      ...(lotId === undefined ? {} : { lotId }),
      ...(closureLotId === undefined ? {} : { closureLotId }),
      ...(prime.value === null || where.value === 'bulk' ? {} : { primeG: Math.round(100 * gramsFor(sizeMl)) / 100 }),
    }));
    const { what, name, fermentable, lotId } = sugar.value;
    const eachG = bottles.reduce((sum, { count, sizeMl }) => sum + count * gramsFor(sizeMl), 0);
    const massG = Math.round(10 * (where.value === 'bulk' ? (prime.value?.sugarG.value ?? 0) : eachG)) / 10;
    const primed =
      prime.value === null || massG <= 0
        ? {}
        : {
            prime: {
              what,
              name,
              massG,
              where: where.value,
              volumeL: where.value === 'bulk' ? volumeL.value + prime.value.syrupWaterL : volumeL.value,
              warmestC: warmestC.value,
              ...(fermentable === undefined ? {} : { fermentable }),
              ...(lotId === undefined ? {} : { lotId }),
              ...(where.value === 'bulk' ? { waterL: prime.value.syrupWaterL } : {}),
              ...(isAgain.value ? { again: true } : {}),
            },
          };
    const bottling: EventContent = {
      kind: 'bottling',
      payload: {
        bottles,
        ...primed,
        leftL: leftL.value + (lostL.value ?? 0),
        ...(otherCost.value === null ? {} : { otherCost: otherCost.value }),
        ...(partEnd.value === 'stays' ? { stays: true } : {}),
        ...(word() === null ? {} : { word: word() ?? '' }),
      },
    };
    const part: EventContent[] =
      partEnd.value === 'drunk' && leftL.value >= 0.02
        ? [{ kind: 'removal', payload: { volumeL: Math.round(1000 * leftL.value) / 1000, reason: 'drunk' } }]
        : [];
    return [bottling, ...part];
  });

  return {
    isSparkling,
    measuredL,
    isAgain,
    lostL,
    warmest,
    warmestC,
    volumes,
    style: computed(() => gasStyleOf(volumes.value)),
    sugarKey,
    sugars,
    sugar,
    where,
    pieceG,
    otherCost,
    partEnd,
    counts,
    sweet,
    dead,
    fresh,
    plannedL,
    awaits: computed(() => isSparkling.value && measuredL.value === null),
    ready,
    prime,
    crate,
    refused,
    wantsAgain,
    fillWith,
    gramsFor,
    piecesFor,
    events,
  };
}

type Bottling = ReturnType<typeof planned>;
const KEY: InjectionKey<Bottling> = Symbol('the bottling that is planned');

/** The bottling that is planned for the batch that is open, for this part and those within it. @param word what its maker said yes to */
export function useBottling(word: () => string | null): Bottling {
  const bottling = planned(word);
  provide(KEY, bottling);
  return bottling;
}

/** The same, within a part of it. */
export function useBottlingHere(): Bottling {
  const bottling = inject(KEY);
  if (bottling === undefined) throw new Error('no bottling is planned around this part');
  return bottling;
}
