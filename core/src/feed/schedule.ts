import { NUTRIENTS } from '../ledger/index.ts';
import type { Ledger } from '../ledger/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { yeastOf } from '../yeast/index.ts';
import type { NitrogenDemand } from '../yeast/index.ts';
import { HONEY_NITROGEN, nitrogenNeedMgPerL } from './need.ts';

/** Choices on which makers differ. */
export interface FeedingPractice {
  /** 1: organic nitrogen at face value; above: amino nitrogen goes further, one school says two to four times. */
  organicCredit: number;
  /** Share of the need that DAP may cover, 0 to 1. */
  dapShare: number;
  dapCapGPerL: number;
}

export interface PlannedDose {
  number: number;
  /** Hours after the pitch; the last one comes at the third break if that is earlier. */
  clockH: number;
  atThirdBreak: boolean;
  organicGPerL: number;
  dapGPerL: number;
}

export interface FeedingPlan {
  needMgPerL: number;
  creditMgPerL: number;
  doses: PlannedDose[];
  /** What the doses bring by this school's count. */
  suppliedMgPerL: number;
  practice: FeedingPractice;
}

/** 24, 48, 72 h and the third break, or day 7 where the break is not seen (one school of timing: by the clock). */
const CLOCK_H = [24, 48, 72, 168] as const;
/** Ammonium stops before the third break: the last dose is organic alone. */
const DAP_DOSES = 3;

/**
 * The clock school's plan per liter of must: organic nutrient in four equal parts, DAP in the first three within its cap.
 * @param sugarGPerL fermentable sugar at the pitch
 * @param broughtMgPerL mg N/L that fruit, juice and malt brought
 */
export function planFeeding(sugarGPerL: number, demand: NitrogenDemand, practice: FeedingPractice, broughtMgPerL = 0): FeedingPlan {
  const creditMgPerL = HONEY_NITROGEN.value + broughtMgPerL;
  const needMgPerL = nitrogenNeedMgPerL(sugarGPerL, demand);
  const toGive = Math.max(0, needMgPerL - creditMgPerL);
  const dapMgPerG = NUTRIENTS.dap.ammoniumN * 1000;
  const organicMgPerG = NUTRIENTS.organic.aminoN * 1000 * practice.organicCredit;
  const dapGPerL = Math.min(practice.dapCapGPerL, (toGive * practice.dapShare) / dapMgPerG);
  const organicGPerL = (toGive - dapGPerL * dapMgPerG) / organicMgPerG;
  const doses = CLOCK_H.map((clockH, i) => ({
    number: i + 1,
    clockH,
    atThirdBreak: i === CLOCK_H.length - 1,
    organicGPerL: organicGPerL / CLOCK_H.length,
    dapGPerL: i < DAP_DOSES ? dapGPerL / DAP_DOSES : 0,
  }));
  return { needMgPerL, creditMgPerL, doses, suppliedMgPerL: dapGPerL * dapMgPerG + organicGPerL * organicMgPerG, practice };
}

/** The plan for a batch that is pitched, by the sugar and the yeast it was pitched with; null before. */
export function feedingPlanOf(ledger: Ledger, practice: FeedingPractice): FeedingPlan | null {
  const { pitch } = ledger;
  return pitch === null ? null : planFeeding(pitch.sugarGPerL, yeastOf(pitch).demand, practice, pitch.broughtNMgPerL);
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
