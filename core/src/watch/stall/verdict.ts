import { abvPct, gPerL, gravity, hours, percent, say, tempC } from '../../quantities/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { EQUAL_SG } from '../../glass/index.ts';
import { MALT_LEAVES_SG, MALT_SHARE } from './malt.ts';
import type { StallEvidence } from './evidence.ts';
import { LAG_H } from './limits.ts';
import type { ReadingPoint } from '../../record/index.ts';

/** Unchanged for so long it is worth a look. */
const STANDS_DAYS = 2;
/** Less than this has not begun, in SG: two readings' error. */
const BEGUN_SG = 0.003;
/** Two reckonings of one strength differ by as much, % vol (our estimate). */
const ABV_ERROR = 0.2;
/** A thermometer’s own error. */
const THERMOMETER_C = 0.5;
/** So little below its range it only slows down, and for so long (our estimates). */
const COOL_C = 3;
const COOL_DAYS = 7;
export type StallKind = 'lag' | 'unread' | 'moving' | 'slow' | 'tolerance' | 'malt' | 'near its end' | 'misread' | 'suspect' | 'stuck';

export interface StallVerdict {
  kind: StallKind;
  sentence: Sentence;
}

/** Rules in order; the first that fits is the verdict. What only looks like a stall comes before the stall. */
const RULES: readonly { kind: StallKind; fits: (e: StallEvidence) => Sentence | null }[] = [
  {
    kind: 'tolerance',
    /** A yeast that made more before honey thinned it tolerates more. */
    fits: ({ abv, abvBeforeSugar, yeast, stillDays, sugarLeftGPerL }) =>
      stillDays >= STANDS_DAYS && abv >= yeast.toleranceAbv.low && abv >= abvBeforeSugar - ABV_ERROR
        ? say`${abvPct(abv)} is what this yeast tolerates. With ${gPerL(sugarLeftGPerL)} of sugar left it has ended, not stuck.`
        : null,
  },
  {
    kind: 'malt',
    fits: ({ maltShare, last, endHighSg, stillDays }) =>
      stillDays >= STANDS_DAYS && maltShare >= MALT_SHARE && last !== null && last.sg <= endHighSg + MALT_LEAVES_SG
        ? say`Malt made ${percent(100 * maltShare)} of it and leaves sugars that no mead yeast eats: ${gravity(last.sg)} may be its end. Leave it alone; until it lies where it should stop, closed glass wants your word for it.`
        : null,
  },
  {
    kind: 'near its end',
    fits: ({ last, sgNow, endHighSg }) =>
      last !== null && sgNow <= endHighSg + EQUAL_SG
        ? say`${gravity(sgNow)} lies where it should stop. Leave it, and read it again.`
        : null,
  },
  {
    kind: 'misread',
    fits: ({ unexplained, last }) => {
      const strange = unexplained.at(-1);
      return strange !== undefined && (last === null || strange.at >= last.at)
        ? say`${gravity(strange.sg)} cannot be what is in there: a warm sample, bubbles, a refractometer in alcohol, or honey that was not mixed in. Read again at ${tempC(20)} before doing anything.`
        : null;
    },
  },
  {
    kind: 'lag',
    fits: ({ hoursSincePitch, last, startSg, showsLife }) =>
      hoursSincePitch < LAG_H && !showsLife && (last === null || startSg - last.sg < BEGUN_SG)
        ? say`${hours(hoursSincePitch)} since the pitch: silence before ${hours(LAG_H)} is lag.`
        : null,
  },
  {
    kind: 'unread',
    fits: ({ last, showsLife }) =>
      last !== null
        ? null
        : showsLife
          ? say`It shows life, but was not read since the pitch. Read the gravity.`
          : say`Not read since the pitch: silence proves nothing. Read the gravity.`,
  },
  {
    kind: 'slow',
    fits: ({ stands, stillDays, hasCrept, tempC: now, yeast, hoursSincePitch, last, startSg, abv }) => {
      if (last === null) return null;
      const isCool = now !== null && now < yeast.tempC.low + THERMOMETER_C && now >= yeast.tempC.low - COOL_C;
      const isLateStart = startSg - last.sg < BEGUN_SG && hoursSincePitch < 3 * LAG_H;
      if (isCool && (isLateStart || (stillDays >= STANDS_DAYS && stillDays < COOL_DAYS)))
        return say`${tempC(now)} is cool for it, and slow is not stuck. Warm it a little, and give it a week.`;
      if (stillDays >= STANDS_DAYS && stillDays < COOL_DAYS && abv >= yeast.toleranceAbv.low - 1)
        return say`${abvPct(abv)} is near what this yeast tolerates: it slows before it ends. Give it a week.`;
      return !stands && stillDays >= STANDS_DAYS && hasCrept ? say`It still falls, slowly. Slow is not stuck.` : null;
    },
  },
  {
    kind: 'stuck',
    fits: ({ stands, last, readings, unexplained, startSg, readAfterH, showsLife, hoursSincePitch, sugarLeftGPerL, endHighSg }) => {
      if (last === null) return null;
      /** What was poured may not be what was reckoned; a fall from reading to reading is one all the same. */
      const [first = last] = [...readings, ...unexplained].sort((a, b) => a.at - b.at);
      const neverBegan = Math.max(startSg, first.sg) - last.sg < BEGUN_SG && readAfterH > LAG_H && !showsLife;
      if (!stands && !neverBegan) return null;
      return neverBegan
        ? say`${hours(hoursSincePitch)} since the pitch, and it has not begun.`
        : say`Stopped at ${gravity(last.sg)} with ${gPerL(sugarLeftGPerL)} of sugar left, above the ${gravity(endHighSg)} expected at most.`;
    },
  },
  {
    kind: 'suspect',
    fits: ({ stillDays, last }) =>
      last !== null && stillDays >= STANDS_DAYS
        ? say`${gravity(last.sg)} for ${hours(24 * stillDays)}. Stir it, and read it again tomorrow.`
        : null,
  },
];

/** A still airlock beside a proven fall tells of the lid, not of the yeast. */
export const LID_LEAKS = ' The airlock stands still all the same: its gas goes out beside it, by a leak at the lid.';

/** Whether a pitched must is stuck, or what only makes it look so. */
export function stallVerdict(evidence: StallEvidence): StallVerdict {
  for (const { kind, fits } of RULES) {
    const sentence = fits(evidence);
    if (sentence !== null) return { kind, sentence };
  }
  const { last, startSg, leaksAtLid, wrongFirst } = evidence;
  return {
    kind: 'moving',
    sentence: [
      ...say`It falls: ${gravity(startSg)} to ${gravity(last?.sg ?? startSg)}.`,
      ...(leaksAtLid ? [LID_LEAKS] : []),
      ...(wrongFirst === null ? [] : firstWasWrong(wrongFirst)),
    ],
  };
}

/** Said where what was read later fits what was poured, and the first gravity does not. */
export const firstWasWrong = ({ sg, expectedSg }: Pick<ReadingPoint, 'sg' | 'expectedSg'>): Sentence =>
  say` The first gravity, ${gravity(sg)}, was wrong${sg < expectedSg ? ', perhaps with honey on the bottom' : ''}: what was poured makes ${gravity(expectedSg)}, and that is reckoned with.`;
