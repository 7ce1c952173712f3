import type { Ledger } from '../ledger/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import type { NitrogenDemand } from '../yeast/index.ts';
import { HONEY_NITROGEN, N_PER_SUGAR, nitrogenNeedMgPerL } from './need.ts';
import { checkProduct, countedMgPerG, nitrogenMgPerG } from './products.ts';
import type { Product } from './products.ts';
import { timesOf } from './schools.ts';
import type { SchoolId } from './schools.ts';
import { NUTRIENTS } from '../ledger/index.ts';

/** Choices on which makers differ. */
export interface FeedingPractice {
  school: SchoolId;
  /** Hours after the pitch, for the school of one's own. */
  ownHours: readonly number[];
  /** 1: organic nitrogen at face value; above: amino nitrogen goes further, one school says two to four times. */
  organicCredit: number;
  /** Share of the need that ammonium may cover, 0 to 1. */
  ammoniumShare: number;
  /** The legal cap on DAP; other ammonium products are held to the same nitrogen. */
  dapCapGPerL: number;
  organic: Product;
  ammonium: Product;
}

export interface DosePart {
  product: Product;
  gPerL: number;
}

export interface PlannedDose {
  number: number;
  /** Hours after the pitch; earlier once this share of the sugar is gone. */
  clockH: number;
  share: number | null;
  parts: DosePart[];
}

export interface FeedingPlan {
  needMgPerL: number;
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

/** The most of an ammonium product: as much ammonium nitrogen as the cap on DAP allows. */
export function ammoniumCapGPerL(product: Product, dapCapGPerL: number): number {
  const { ammonium } = nitrogenMgPerG(product);
  return ammonium > 0 ? (dapCapGPerL * NUTRIENTS.dap.ammoniumN * 1000) / ammonium : Number.POSITIVE_INFINITY;
}

/**
 * A school's plan per liter of must: ammonium up to its share and its cap, organic nutrient for the rest, each in equal parts
 * over the doses in which the school gives it.
 * @throws Refusal for a product without nitrogen, or with more than there can be
 */
export function planFeeding({ sugarGPerL, demand, broughtMgPerL }: ToFeed, practice: FeedingPractice): FeedingPlan {
  const times = timesOf(practice.school, practice.ownHours);
  const creditMgPerL = HONEY_NITROGEN.value + broughtMgPerL;
  const needMgPerL = nitrogenNeedMgPerL(sugarGPerL, demand);
  const toGive = Math.max(0, needMgPerL - creditMgPerL);
  const [organicTimes, ammoniumTimes] = [times.filter(({ organic }) => organic), times.filter(({ ammonium }) => ammonium)];
  const counted = (product: Product): number => countedMgPerG(product, practice.organicCredit);
  const share = ammoniumTimes.length === 0 ? 0 : organicTimes.length === 0 ? 1 : practice.ammoniumShare;
  if (share > 0) checkProduct(practice.ammonium);
  const ammoniumGPerL =
    share === 0 ? 0 : Math.min(ammoniumCapGPerL(practice.ammonium, practice.dapCapGPerL), (toGive * share) / counted(practice.ammonium));
  const rest = Math.max(0, toGive - (share === 0 ? 0 : ammoniumGPerL * counted(practice.ammonium)));
  if (organicTimes.length > 0 && rest > 0) checkProduct(practice.organic);
  const organicGPerL = organicTimes.length === 0 || rest === 0 ? 0 : rest / counted(practice.organic);
  const doses = times.map((time, i): PlannedDose => {
    const parts: DosePart[] = [];
    if (time.organic && organicGPerL > 0) parts.push({ product: practice.organic, gPerL: organicGPerL / organicTimes.length });
    if (time.ammonium && ammoniumGPerL > 0) parts.push({ product: practice.ammonium, gPerL: ammoniumGPerL / ammoniumTimes.length });
    return { number: i + 1, clockH: time.clockH, share: time.share, parts };
  });
  const suppliedMgPerL = doses.reduce((sum, dose) => sum + doseMgPerL(dose, practice), 0);
  return {
    needMgPerL,
    creditMgPerL,
    demandMgPerG: N_PER_SUGAR[demand],
    doses: doses.filter(({ parts }) => parts.length > 0).map((dose, i) => ({ ...dose, number: i + 1 })),
    suppliedMgPerL,
    missingMgPerL: Math.max(0, toGive - suppliedMgPerL),
    practice,
  };
}

/** What a planned dose brings by the school's count, mg N/L. */
export const doseMgPerL = ({ parts }: PlannedDose, { organicCredit }: FeedingPractice): number =>
  parts.reduce((sum, { product, gPerL }) => sum + gPerL * countedMgPerG(product, organicCredit), 0);

/** What a pitched batch is to be fed by, or null before the pitch. */
export function toFeedOf({ pitch }: Ledger): ToFeed | null {
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
