import { abvPct, degrees, gravity, hours, mgPerL, percent, phValue, say, tempC } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import type { Ledger, StallCauseId } from '../../record/index.ts';
import type { StallEvidence } from './evidence.ts';

/** One thing in the record that speaks for a cause or against it. Weights are points; they only set the order. */
export interface Finding {
  weight: number;
  sentence: Sentence;
}

/** A rule that a maker can read and argue with. */
export interface StallCause {
  id: StallCauseId;
  name: string;
  /** How often it is this, before anything is known (our estimate). */
  usual: number;
  /** What the record says for it (above 0) and against it. */
  weigh: (evidence: StallEvidence) => Finding[];
  /** The cheapest look that would settle it. */
  check: Sentence;
}

const finding = (weight: number, sentence: Sentence): Finding => ({ weight, sentence });
const NOT_KNOWN = 0;
/** Sorbic acid that stops yeast where alcohol helps it, mg/L: the least of Peynaud’s, at 14 % vol. */
export const SORBIC_STOPS_MG_PER_L = 50;
/** SO2 given in all, bound or free, that yeast labors under, mg/L (our estimate). */
const SO2_HINDERS_MG_PER_L = 60;

/** What it had of its nitrogen while that was of use, and when each part came. */
function nitrogenTold({ nitrogenShare, nitrogenCame: came, needMg, volumeL }: StallEvidence): Sentence {
  const parts: [number, string][] = [
    [came.inMustMg, ' in the must'],
    [came.toThirdMg, ' fed before a third of the sugar was gone'],
    [came.toHalfMg, ' before half of it was'],
    [came.lateMg, ' too late to be of use'],
  ];
  const told = parts
    .filter(([mg]) => mg / volumeL >= LEAST_TOLD_MG_PER_L)
    .flatMap(([mg, where], i): Sentence => [i === 0 ? '' : ', ', mgPerL(mg / volumeL), where]);
  return [
    ...say`It had ${percent(100 * nitrogenShare)} of the ${mgPerL(needMg / volumeL)} that it needs, while that was of use`,
    ...(told.length > 0 ? [': ', ...told] : []),
    '.',
  ];
}
/** Less is not worth a word. */
const LEAST_TOLD_MG_PER_L = 1;

/** The rules. Every weight is our own estimate from how such causes show themselves. */
export const STALL_CAUSES: readonly StallCause[] = [
  {
    id: 'cold',
    name: 'Too cold',
    usual: 1.2,
    weigh: ({ tempC: now, yeast }) => {
      if (now === null) return [finding(NOT_KNOWN, say`No temperature is on record.`)];
      const under = yeast.tempC.low - now;
      if (under >= 0.5)
        return [
          finding(under >= 2 ? 4 : 2.5, say`${tempC(now)}, and this yeast wants ${tempC(yeast.tempC.low)} to ${tempC(yeast.tempC.high)}.`),
        ];
      return [finding(-4, say`${tempC(now)} is warm enough for it.`)];
    },
    check: say`Measure the temperature in the must itself, in the early morning.`,
  },
  {
    id: 'swing',
    name: 'A sudden chill',
    usual: 0.2,
    weigh: ({ largestFallC, tempC: now, yeast }) => {
      if (largestFallC === null) return [finding(-0.5, say`Too few temperatures to tell of a swing.`)];
      if (largestFallC >= 4)
        return [
          finding(
            now !== null && now < yeast.tempC.low ? 1 : 3,
            say`It fell by ${degrees(largestFallC)} within three days before it stopped; yeast then sinks.`,
          ),
        ];
      return [finding(-2, say`No fall of more than a few degrees before it stopped.`)];
    },
    check: say`Ask what the room did in the nights before it stopped.`,
  },
  {
    id: 'strong start',
    name: 'Too strong from the start',
    usual: 0.3,
    weigh: ({ startSg, shareGone }) => {
      if (startSg < 1.118) return [finding(-3, say`${gravity(startSg)} is a start that yeast can bear.`)];
      return [
        finding(startSg > 1.13 ? 2.5 : 1, say`It began at ${gravity(startSg)}: so much sugar presses on yeast from the first hour.`),
        ...(shareGone < 0.5 ? [finding(0.5, say`It stopped in its first half.`)] : []),
      ];
    },
    check: say`Look whether it was slow from the first days on.`,
  },
  {
    id: 'tolerance',
    name: 'Near what its yeast tolerates',
    usual: 0.3,
    weigh: ({ abv, yeast }) => {
      const { low, high } = yeast.toleranceAbv;
      if (abv >= low - 1) return [finding(1.5, say`${abvPct(abv)}, and this yeast gives up between ${abvPct(low)} and ${abvPct(high)}.`)];
      if (abv >= low - 3) return [finding(-1, say`${abvPct(abv)} is short of the ${abvPct(low)} at which this yeast may give up.`)];
      return [finding(-4, say`${abvPct(abv)} is far from the ${abvPct(low)} at which this yeast may give up.`)];
    },
    check: say`Read on the packet what this yeast tolerates, and whether the first gravity was read well mixed.`,
  },
  {
    id: 'gas',
    name: 'Full of gas',
    usual: 0.1,
    weigh: ({ gassyDays }) => {
      if (gassyDays >= 7)
        return [finding(0.5, say`Nothing stirred its gas out for ${hours(24 * gassyDays)}; in so much of it yeast labors.`)];
      return [finding(gassyDays <= 3 ? -3 : -1, say`It has gathered gas for ${hours(24 * gassyDays)} only.`)];
    },
    check: say`Stir a glass of it, and see how much it foams.`,
  },
  {
    id: 'nitrogen',
    name: 'Too little nitrogen',
    usual: 0.9,
    weigh: (evidence) => {
      const { nitrogenShare } = evidence;
      const weight = nitrogenShare < 0.4 ? 3.5 : nitrogenShare < 0.7 ? 1.5 : nitrogenShare < 0.85 ? -0.5 : -3.5;
      return [finding(weight, nitrogenTold(evidence))];
    },
    check: say`Look through the record for doses that were given and not written down.`,
  },
  {
    id: 'sour',
    name: 'Too sour',
    usual: 0.7,
    weigh: ({ ph, yeast }) => {
      if (ph === null)
        return [
          finding(NOT_KNOWN, say`No pH on record still holds; honey buffers little, and it can fall below ${phValue(yeast.phFloor)}.`),
        ];
      if (ph < yeast.phFloor + 0.02) return [finding(4, say`pH ${phValue(ph)}, and this yeast labors below ${phValue(yeast.phFloor)}.`)];
      if (ph < yeast.phFloor + 0.15)
        return [finding(0.5, say`pH ${phValue(ph)} is near what this yeast bears, ${phValue(yeast.phFloor)}.`)];
      return [finding(-4, say`pH ${phValue(ph)} is well above what this yeast bears.`)];
    },
    check: say`Measure the pH with a meter that saw two buffers this week.`,
  },
  {
    id: 'addition',
    name: 'Acid or sugar added at once',
    usual: 0.2,
    weigh: ({ addedBefore }) =>
      addedBefore.length > 0
        ? [finding(3.5, [`Within two days before it stopped went in: ${addedBefore.join(' and ')}.`])]
        : [finding(-4, say`Nothing went in within two days before it stopped.`)],
    check: say`Look whether something went in that was not written down.`,
  },
  {
    id: 'preservative',
    name: 'A preservative',
    usual: 0.3,
    weigh: ({ sorbicMgPerL, so2MgPerL, hasJuice, shareGone }) => {
      if (sorbicMgPerL >= SORBIC_STOPS_MG_PER_L)
        return [finding(4.5, say`${mgPerL(sorbicMgPerL)} of sorbic acid are in it: it hardly goes on.`)];
      if (so2MgPerL > SO2_HINDERS_MG_PER_L) return [finding(3.5, say`${mgPerL(so2MgPerL)} of sulfite, as SO₂, went into it.`)];
      if (sorbicMgPerL > 0) return [finding(1, say`${mgPerL(sorbicMgPerL)} of sorbic acid are in it: they hinder it.`)];
      if (hasJuice && shareGone < 0.15) return [finding(3, say`It holds bought juice or syrup and never got going.`)];
      return [finding(hasJuice ? -2 : -4, say`${hasJuice ? 'It holds bought juice, but got going.' : 'Nothing in it comes preserved.'}`)];
    },
    check: say`Read the labels of juice, syrup and fruit for sorbate, benzoate or sulfite.`,
  },
  {
    id: 'heat',
    name: 'Too hot',
    usual: 0.4,
    weigh: ({ temps, yeast, abv }) => {
      const hottest = Math.max(...temps.map((point) => point.tempC));
      if (!Number.isFinite(hottest)) return [finding(NOT_KNOWN, say`No temperature is on record.`)];
      if (hottest <= yeast.tempC.high + 1) return [finding(-4, say`It was never above ${tempC(hottest)}.`)];
      return [
        finding(3, say`It stood at ${tempC(hottest)}, and this yeast bears ${tempC(yeast.tempC.high)}.`),
        ...(abv > 7 ? [finding(1, say`Heat and alcohol together kill yeast.`)] : []),
      ];
    },
    check: say`Ask how warm the room was, and whether the vessel stood in the sun.`,
  },
];

export interface RankedCause {
  cause: StallCause;
  findings: Finding[];
  score: number;
}

/** From so many points on a cause is called likely, below none unlikely (our estimate). */
export const LIKELY_SCORE = 2;
/** What the maker found out outweighs all else. */
const SETTLED = 6;

/** The causes, likeliest first, each with what speaks for and against it. */
export function rankCauses(evidence: StallEvidence, found: Ledger['care']['findings'] = {}): RankedCause[] {
  return STALL_CAUSES.map((cause): RankedCause => {
    const findings = cause.weigh(evidence);
    const answer = found[cause.id];
    if (answer !== undefined)
      findings.unshift(finding(answer ? SETTLED : -SETTLED, answer ? say`You looked, and it is so.` : say`You looked, and it is not so.`));
    return { cause, findings, score: cause.usual + findings.reduce((sum, { weight }) => sum + weight, 0) };
  }).sort((a, b) => b.score - a.score);
}
