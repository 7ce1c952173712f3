import { NUTRIENTS } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { Refusal } from '../quantities/index.ts';
import type { Ranged, ScaleG } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import type { NitrogenDemand } from '../yeast/index.ts';
import { HONEY_NITROGEN, N_PER_SUGAR, nitrogenNeedRange } from '../nitrogen/index.ts';
import { checkProduct, countedMgPerG, nitrogenMgPerG, productKey, productName } from '../nitrogen/index.ts';
import type { Product } from '../nitrogen/index.ts';
import type { LaterPour } from '../must/index.ts';
import { FIRST_AMMONIUM_H, THIRD_BREAK } from '../yeast/index.ts';
import { timesOf } from './schools.ts';
import type { SchoolId } from './schoolIds.ts';

export interface DosePart {
  product: Product;
  gPerL: number;
}

/** A dose before it has its number in the row. */
export interface SetDose {
  /** Hours after the pitch; earlier once this share of the sugar is gone. */
  clockH: number;
  share: number | null;
  parts: DosePart[];
}

export interface PlannedDose extends SetDose {
  number: number;
}

/** Choices on which makers differ. */
export interface FeedingPractice {
  school: SchoolId;
  /** Hours after the pitch, for the school of one's own. */
  ownHours: readonly number[];
  /** What was worked out from the shelf, for the school that follows it. */
  setDoses: readonly SetDose[];
  /** 1: organic nitrogen at face value; above: amino nitrogen goes further, one school says two to four times. */
  organicCredit: number;
  /** Share of the need that ammonium may cover, 0 to 1. */
  ammoniumShare: number;
  /** The legal cap on DAP; other ammonium products are held to the same nitrogen. */
  dapCapGPerL: number;
  organic: Product;
  ammonium: Product;
  /** What the house's scale tells apart, g. */
  scaleG?: ScaleG | undefined;
  /** What the batch’s plan says of its room, °C, and of what is still to be poured in. */
  expects?: { roomTempC: number; pours: readonly LaterPour[] } | undefined;
}

export interface FeedingPlan {
  needMgPerL: number;
  /** From low to high where the yeast's demand is not known. */
  needRange: Ranged;
  /** What honey, fruit and juice bring of themselves. */
  creditMgPerL: number;
  demandMgPerG: number;
  doses: PlannedDose[];
  /** What the doses bring by this school's count. */
  suppliedMgPerL: number;
  /** What the rules leave uncovered. */
  missingMgPerL: number;
  practice: FeedingPractice;
}

/** What the yeast is to work on. */
export interface ToFeed {
  sugarGPerL: number;
  demand: NitrogenDemand;
  /** mg N/L that fruit, juice and malt bring. */
  broughtMgPerL: number;
}

/** mg N/L that ammonium may bring: as much as the cap on DAP allows of DAP itself. */
export const ammoniumCapMgPerL = (dapCapGPerL: number): number => dapCapGPerL * NUTRIENTS.dap.ammoniumN * 1000;

/** The most of a product over the whole feeding, g/L: its packet's cap, and the cap on ammonium for what it holds of it. */
function productCapGPerL(product: Product, dapCapGPerL: number): number {
  const { ammonium } = nitrogenMgPerG(product);
  return Math.min(product.capGPerL ?? Number.POSITIVE_INFINITY, ammonium > 0 ? ammoniumCapMgPerL(dapCapGPerL) / ammonium : Infinity);
}

/** What is still to be given, mg N/L by the school's count: the need less what the must brings. */
const toGiveMgPerL = (needMgPerL: number, broughtMgPerL: number): number => Math.max(0, needMgPerL - HONEY_NITROGEN.value - broughtMgPerL);

/** Ammonium may go in between the first hours and the third break. */
export const mayHoldAmmonium = ({ clockH, share }: Pick<SetDose, 'clockH' | 'share'>): boolean =>
  clockH >= FIRST_AMMONIUM_H && (share === null || share < THIRD_BREAK);

/** What a school would give of its two products. */
function schoolDoses(toGive: number, practice: FeedingPractice): SetDose[] {
  const times = timesOf(practice.school, practice.ownHours);
  const [organicTimes, ammoniumTimes] = [times.filter(({ organic }) => organic), times.filter(({ ammonium }) => ammonium)];
  const counted = (product: Product): number => countedMgPerG(product, practice.organicCredit);
  const gramsOf = (product: Product, mgPerL: number): number => {
    if (mgPerL <= 0) return 0;
    checkProduct(product);
    return Math.min(productCapGPerL(product, practice.dapCapGPerL), mgPerL / counted(product));
  };
  const share = ammoniumTimes.length === 0 ? 0 : organicTimes.length === 0 ? 1 : practice.ammoniumShare;
  const ammoniumGPerL = gramsOf(practice.ammonium, toGive * share);
  const rest = toGive - ammoniumGPerL * counted(practice.ammonium);
  const organicGPerL = organicTimes.length === 0 ? 0 : gramsOf(practice.organic, rest);
  return times.map(({ clockH, share: at, organic, ammonium }): SetDose => {
    const parts: DosePart[] = [];
    if (organic && organicGPerL > 0) parts.push({ product: practice.organic, gPerL: organicGPerL / organicTimes.length });
    if (ammonium && ammoniumGPerL > 0) parts.push({ product: practice.ammonium, gPerL: ammoniumGPerL / ammoniumTimes.length });
    return { clockH, share: at, parts };
  });
}

/**
 * Refuses doses that break a rule: ammonium for waking yeast or at the third break, more than a cap allows, before the pitch.
 * @throws Refusal naming the dose and the rule
 */
export function checkDoses(doses: readonly SetDose[], { dapCapGPerL }: Pick<FeedingPractice, 'dapCapGPerL'>): void {
  doses.forEach((dose, i) => {
    if (!(dose.clockH >= 0)) throw new Refusal(`Dose ${i + 1} would come before the pitch; doses come from hour 0 on.`);
    for (const { product } of dose.parts) {
      checkProduct(product);
      if (nitrogenMgPerG(product).ammonium > 0 && !mayHoldAmmonium(dose))
        throw new Refusal(
          `Dose ${i + 1} holds ${productName(product)}: ammonium goes in from hour ${FIRST_AMMONIUM_H} on and before the third break, not here.`,
        );
    }
  });
  const capMgPerL = ammoniumCapMgPerL(dapCapGPerL);
  const totals = totalsOf(doses);
  const ammoniumMgPerL = totals.reduce((sum, { product, gPerL }) => sum + gPerL * nitrogenMgPerG(product).ammonium, 0);
  if (ammoniumMgPerL > capMgPerL * (1 + CAP_SLACK))
    throw new Refusal(`These doses bring ${ammoniumMgPerL.toFixed(0)} mg/L of ammonium nitrogen; the cap allows ${capMgPerL.toFixed(0)}.`);
  for (const { product, gPerL } of totals)
    if (gPerL > (product.capGPerL ?? Infinity) * (1 + CAP_SLACK))
      throw new Refusal(`${gPerL.toFixed(2)} g/L of ${productName(product)} are more than its packet allows.`);
}
/** Rounding of a sum. */
const CAP_SLACK = 1e-6;

/** Grams per liter of each product over all doses. */
export function totalsOf(doses: readonly SetDose[]): DosePart[] {
  const totals: DosePart[] = [];
  for (const { product, gPerL } of doses.flatMap(({ parts }) => parts)) {
    const found = totals.find((total) => productKey(total.product) === productKey(product));
    if (found === undefined) totals.push({ product, gPerL });
    else found.gPerL += gPerL;
  }
  return totals;
}

/**
 * A school's plan per liter of must: ammonium up to its share and its cap, organic nutrient for the rest, each in equal parts
 * over the doses in which the school gives it; or the doses that were worked out, as they are.
 * @throws Refusal for a product without nitrogen or with more than there can be, and for set doses that break a rule
 */
export function planFeeding({ sugarGPerL, demand, broughtMgPerL }: ToFeed, practice: FeedingPractice): FeedingPlan {
  const needRange = nitrogenNeedRange(sugarGPerL, demand);
  const toGive = toGiveMgPerL(needRange.value, broughtMgPerL);
  if (practice.school === 'set') checkDoses(practice.setDoses, practice);
  const doses = practice.school === 'set' ? practice.setDoses : schoolDoses(toGive, practice);
  const suppliedMgPerL = doses.reduce((sum, dose) => sum + doseMgPerL(dose, practice), 0);
  return {
    needMgPerL: needRange.value,
    needRange,
    creditMgPerL: HONEY_NITROGEN.value + broughtMgPerL,
    demandMgPerG: N_PER_SUGAR[demand],
    doses: doses.filter(({ parts }) => parts.length > 0).map((dose, i) => ({ ...dose, number: i + 1 })),
    suppliedMgPerL,
    missingMgPerL: Math.max(0, toGive - suppliedMgPerL),
    practice,
  };
}

/** What a planned dose brings by the school's count, mg N/L. */
export const doseMgPerL = ({ parts }: SetDose, { organicCredit }: Pick<FeedingPractice, 'organicCredit'>): number =>
  parts.reduce((sum, { product, gPerL }) => sum + gPerL * countedMgPerG(product, organicCredit), 0);

/** What a pitched batch is to be fed by, or null before the pitch. */
export function toFeedOf({ history: { pitch } }: Ledger): ToFeed | null {
  return pitch === null ? null : { sugarGPerL: pitch.sugarGPerL, demand: yeastOf(pitch).demand, broughtMgPerL: pitch.broughtNMgPerL };
}

/** The plan for a batch that is pitched, by the sugar and the yeast it was pitched with; null before. */
export function feedingPlanOf(ledger: Ledger, practice: FeedingPractice): FeedingPlan | null {
  const toFeed = toFeedOf(ledger);
  return toFeed === null ? null : planFeeding(toFeed, practice);
}

/** Fruit's own nitrogen is known within half of it (our estimate). */
const FRUIT_NITROGEN_SPREAD = 0.5;

/** What the must brings of itself, mg N/L, honey and fruit together, with its range. */
export function mustNitrogenOf({ creditMgPerL }: Pick<FeedingPlan, 'creditMgPerL'>): Ranged {
  const fruit = creditMgPerL - HONEY_NITROGEN.value;
  const spread = FRUIT_NITROGEN_SPREAD * fruit;
  return {
    value: creditMgPerL,
    low: creditMgPerL - Math.hypot(HONEY_NITROGEN.value - HONEY_NITROGEN.low, spread),
    high: creditMgPerL + Math.hypot(HONEY_NITROGEN.high - HONEY_NITROGEN.value, spread),
  };
}
