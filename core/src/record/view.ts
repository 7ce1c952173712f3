import { mix } from '../liquid/index.ts';
import type { Liquid, Mixed } from '../liquid/index.ts';
import { afterSugar, liquidOf } from '../masses/index.ts';
import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import type { Ledger, ReadingPoint, Temperature } from './ledger.ts';

/** The last mixture that was asked for: readings ask for the same one before and after. */
let last: { liquid: Liquid; mixed: Mixed } | null = null;

/** Volume, gravity and strength of what the ledger holds, or null for an empty vessel. */
export function mixedOf(ledger: Ledger): Mixed | null {
  const liquid = liquidOf(ledger.liquid);
  if (liquid.waterG + liquid.extractG + liquid.ethanolG <= 1e-6) return null;
  const isLast =
    last !== null &&
    last.liquid.waterG === liquid.waterG &&
    last.liquid.extractG === liquid.extractG &&
    last.liquid.ethanolG === liquid.ethanolG;
  last = isLast && last !== null ? last : { liquid, mixed: mix(liquid) };
  return last.mixed;
}

export interface LedgerView extends Mixed {
  sugarGPerL: number;
  /** 0 to 1, of the fermentable sugar. */
  shareGone: number;
  /** mg N/L given and still in this liquid or its yeast. */
  nitrogenMgPerL: number;
}

/** The figures of a batch as it stands, or null for an empty vessel. */
export function viewOf(ledger: Ledger): LedgerView | null {
  const mixed = mixedOf(ledger);
  if (mixed === null) return null;
  return {
    ...mixed,
    sugarGPerL: ledger.liquid.sugarG / mixed.volumeL,
    shareGone: shareGone(ledger),
    nitrogenMgPerL: (ledger.liquid.ammoniumNMg + ledger.liquid.aminoNMg) / mixed.volumeL,
  };
}

/** Temperatures of what ferments: a sample of the unpitched must, warm from mixing, tells nothing of it. */
export const tempsSincePitch = ({ history: { temps, pitch } }: Pick<Ledger, 'history'>): readonly Temperature[] =>
  pitch === null ? [] : temps.filter(({ at }) => at >= pitch.at);

/** 0 to 1, of the fermentable sugar that this liquid holds or held. */
export const shareGone = (ledger: Ledger): number =>
  ledger.liquid.sugarBasisG > 0 ? 1 - ledger.liquid.sugarG / ledger.liquid.sugarBasisG : 0;

/** SG at which this share of the fermentable sugar is gone, forward or back from where the ledger stands. */
export function sgAtShare(ledger: Ledger, share: number): number {
  const { ethanolYield, glycerolYield } = CENTRAL_ASSUMPTIONS;
  /** Before its first alcohol there is nothing to go back to; rounding must not reach beyond it. */
  const mostBackG = ((1 - 1e-9) * ledger.liquid.ethanolG) / (ethanolYield * (1 - glycerolYield));
  const consumeG = Math.max(-mostBackG, ledger.liquid.sugarG - (1 - share) * ledger.liquid.sugarBasisG);
  return afterSugar(ledger.liquid, consumeG, CENTRAL_ASSUMPTIONS).sg;
}

/** % vol once every gram of the sugar there is has fermented. */
export const abvWhenDry = (ledger: Ledger): number => afterSugar(ledger.liquid, ledger.liquid.sugarG, CENTRAL_ASSUMPTIONS).abv;

type Poured = Ledger['history']['pours'];
export const honeysPoured = ({ history }: Pick<Ledger, 'history'>): Poured => history.pours.filter(({ family }) => family === 'honey');
/** Everything but honey. */
export const othersPoured = ({ history }: Pick<Ledger, 'history'>): Poured => history.pours.filter(({ family }) => family !== 'honey');

/** The names of what colors it: fruit and juice first, then honeys. */
export const colorsOf = (ledger: Pick<Ledger, 'history'>): string[] =>
  [...othersPoured(ledger).filter(({ family }) => family === 'fruit' || family === 'juice'), ...honeysPoured(ledger)].map(
    ({ name }) => name,
  );

/** Bottles of it that nobody opened, gave away or broke. */
export const bottlesLeft = ({ history: { bottled, bottlesOut, bottlesFound } }: Pick<Ledger, 'history'>): number =>
  bottlesIn(bottled?.bottles ?? []) - bottlesIn(bottlesOut) + bottlesIn(bottlesFound);
const bottlesIn = (some: readonly { readonly count: number }[]): number => some.reduce((sum, { count }) => sum + count, 0);

/** All of it is in bottles: nothing is left in a vessel to look after. */
export const isAllBottled = ({ history: { bottled }, liquid }: Pick<Ledger, 'history' | 'liquid'>): boolean =>
  bottled !== null && (!bottled.stays || liquid.waterG <= 1e-6);

/** The mead that was closed last, as it was just before; null where none was. */
export const meadBottled = ({ history: { bottled } }: Pick<Ledger, 'history'>): Ledger | null => bottled?.fillings.at(-1)?.mead ?? null;

/** So far above what was expected a reading may be the scatter of two, SG (our estimate). */
const SCATTER_SG = 0.006;
/** A reading that the ledger follows, or lies so near to what it expected that it may well be so. */
export const mayBeSo = ({ verdict, sg, expectedSg }: Pick<ReadingPoint, 'verdict' | 'sg' | 'expectedSg'>): boolean =>
  verdict === 'follows' || Math.abs(sg - expectedSg) <= SCATTER_SG;
