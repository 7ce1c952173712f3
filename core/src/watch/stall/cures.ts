import {
  AMMONIUM_CUTOFF_ABV,
  DAP_CAP_G_PER_L,
  HIGHEST_PH,
  LEAST_DOSE_G,
  THIRD_BREAK,
  TOO_LATE_SHARE,
  WARM_C_A_DAY,
  countedMgPerG,
} from '../../feed/index.ts';
import { HOUR_MS, degrees, gravity, hours, massG, phValue, say, tempC, volumeL } from '../../quantities/index.ts';
import type { CureId, EventContent, Ledger } from '../../ledger/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { SORBIC_STOPS_MG_PER_L } from './causes.ts';
import type { RankedCause } from './causes.ts';
import type { StallEvidence } from './evidence.ts';
import type { StallVerdict } from './verdict.ts';

/** One change. After it, wait and read, before the next. */
export interface Cure {
  id: CureId;
  sentence: Sentence;
  /** Hours until the reading that tells whether it helped. */
  readAgainH: number;
  /** What one touch writes down once it is done; null where there is more to be said than that. */
  deed: { label: Sentence; events: EventContent[] } | null;
}

/** How long each takes to show in the gravity (our estimates, after the usual 24 to 72 hours). */
const READ_AGAIN_H: Record<CureId, number> = {
  measure: 24,
  warm: 48,
  cool: 48,
  rouse: 48,
  'raise pH': 48,
  feed: 48,
  restart: 72,
  leave: 168,
  'give up': 0,
};

/** Hours that warming takes where no day brings more than it should. */
const warmingH = (fromC: number, toC: number): number => (24 * Math.max(0, toC - fromC)) / WARM_C_A_DAY;
const waitH = (cure: CureId, fromC: number | null, toC: number | null): number =>
  cure === 'warm' && fromC !== null && toC !== null ? Math.max(READ_AGAIN_H.warm, warmingH(fromC, toC)) : READ_AGAIN_H[cure];
/** A reading so little before its time judges a cure as well. */
const EARLY_H = 6;

/** What was done, as the log and Rounds say it. */
export function cureTold({ cure, toC }: { cure: CureId; toC?: number | null | undefined }): Sentence {
  switch (cure) {
    case 'warm':
      return toC === undefined || toC === null ? ['warming it'] : say`warming it to ${tempC(toC)}`;
    case 'cool':
      return toC === undefined || toC === null ? ['cooling it'] : say`cooling it to ${tempC(toC)}`;
    case 'measure':
      return ['measured again'];
    case 'rouse':
      return ['degassed and roused'];
    case 'raise pH':
      return ['raised its pH by the first half'];
    case 'feed':
      return ['fed for the stall'];
    case 'restart':
      return ['restarted'];
    case 'leave':
      return ['left alone'];
    case 'give up':
      return ['given up'];
  }
}

/** The last thing that was tried and that no reading has judged yet: one change at a time. */
export function cureUnderWay({ cures, readings, temps }: Ledger): { at: number; readAt: number; told: Sentence } | null {
  const last = cures.at(-1);
  if (last === undefined) return null;
  const fromC = temps.findLast(({ at }) => at <= last.at)?.tempC ?? null;
  const readAt = last.at + waitH(last.cure, fromC, last.toC) * HOUR_MS;
  const isJudged = readings.some(({ at }) => at >= readAt - EARLY_H * HOUR_MS);
  return isJudged ? null : { at: last.at, readAt, told: cureTold(last) };
}

/** The gentlest cure that was not tried since it stood still; to measure is never used up. */
export const nextCure = (cures: readonly Cure[], { cures: tried }: Pick<Ledger, 'cures'>, stillSince: number): Cure | null =>
  cures.find(({ id }) => id === 'measure' || !tried.some(({ cure, at }) => cure === id && at >= stillSince)) ?? null;

const cureOf = (id: CureId, sentence: Sentence, deed: Cure['deed'] = null): Cure => ({ id, sentence, readAgainH: READ_AGAIN_H[id], deed });
const done = (label: Sentence, payload: { cure: CureId; toC?: number }, ...more: EventContent[]): Cure['deed'] => ({
  label,
  events: [{ kind: 'cure', payload }, ...more],
});

/** A reading older than this is taken again before anything else. */
const STALE_H = 36;
/** So near to a dry mead on an uncorrected refractometer, SG, it may be one (our estimate). */
const LOOKS_DRY_SG = 0.003;
/** g/L of hulls where feeding is past its time (our estimate of a usual dose). */
const HULLS_G_PER_L = 0.25;
/** Nitrogen is brought to this part of the need, half of what is lacking at a time (our estimates). */
const ENOUGH_NITROGEN = 0.9;
/** A pH to aim for: not below this, nor nearer than the other to what the yeast bears (our estimates). */
const AIM_PH = { least: 3.3, aboveFloor: 0.25 } as const;
/** Nearer to its tolerance than this, a restart is hard and the mead good as it is, % vol (our estimate). */
const GOOD_ENOUGH_ABV = 2;
/** A must this weak does not keep by its alcohol, % vol (our estimate). */
const KEEPS_ABV = 8;

const measure = cureOf(
  'measure',
  say`Measure again: stir, take a sample at ${tempC(20)}, spin the hydrometer. Every other step costs more than this one.`,
);
const leave = (sentence: Sentence): Cure => cureOf('leave', sentence);

/** Sulfite or sorbate in it: nothing that lives can be helped. */
function givingUp({ abv, sorbicMgPerL }: StallEvidence): Cure {
  const safe =
    abv >= KEEPS_ABV
      ? say`It is strong enough to keep cold and closed with a lock, and may be blended into a mead that ferments, a tenth at a time.`
      : say`It is too weak to keep: blend it, a tenth at a time, into a must that ferments well, or give it up. Do not bottle it.`;
  const why =
    sorbicMgPerL > SORBIC_STOPS_MG_PER_L
      ? say`No yeast grows in this much sorbic acid; a restart would fail too. `
      : say`What keeps it from spoiling keeps yeast out too. `;
  return cureOf('give up', [...why, ...safe]);
}

/** Feeding by its own rules: ammonium only early and up to its cap, nothing but hulls past half of the sugar; null where nothing lacks. */
function feeding({ abv, shareGone, nitrogenShare, needMg, organicCredit, volumeL: liters, dapG }: StallEvidence): Cure | null {
  const fed = (source: 'hulls' | 'organic', grams: number): Cure['deed'] =>
    done(say`Fed ${massG(grams)}`, { cure: 'feed' }, { kind: 'nutrient', payload: { source, massG: grams } });
  if (shareGone >= TOO_LATE_SHARE) {
    const hullsG = HULLS_G_PER_L * liters;
    return cureOf(
      'feed',
      say`Too late for nutrient: stir in ${massG(hullsG)} of yeast hulls, which bind what poisons it and give it sterols.`,
      fed('hulls', hullsG),
    );
  }
  const halfMg = (Math.max(0, ENOUGH_NITROGEN - nitrogenShare) * needMg) / 2;
  const organicG = halfMg / countedMgPerG({ source: 'organic' }, organicCredit);
  if (organicG < LEAST_DOSE_G) return null;
  const ammoniumG = Math.min(halfMg / countedMgPerG({ source: 'dap' }, organicCredit), DAP_CAP_G_PER_L.us * liters - dapG);
  const isEarly = abv < AMMONIUM_CUTOFF_ABV && shareGone <= THIRD_BREAK;
  const told = [
    ...say`Degas, then ${massG(organicG)} of organic nutrient: half of what is lacking.`,
    ...(isEarly && ammoniumG >= LEAST_DOSE_G ? say` So early it may be ${massG(ammoniumG)} of diammonium phosphate instead.` : []),
    ...(isEarly ? [] : say` No ammonium any more.`),
  ];
  return cureOf('feed', told, fed('organic', organicG));
}

/**
 * What may be done, gentlest first, one change at a time. What is not stuck is left alone.
 */
export function curesFor(verdict: StallVerdict, evidence: StallEvidence, ranked: readonly RankedCause[]): Cure[] {
  const { kind } = verdict;
  if (kind === 'tolerance' || kind === 'malt' || kind === 'near its end')
    return [
      leave(
        kind === 'malt'
          ? say`Leave it, and read it again in a week. It is not bottled and not stabilized while it may still hold sugar that yeast eats.`
          : say`Leave it. Read it again in a week; equal then, it has ended, and is stabilized before honey or bottles.`,
      ),
    ];
  if (kind === 'lag' || kind === 'moving') return [{ ...leave(say`Leave it alone, warm and closed.`), readAgainH: READ_AGAIN_H.measure }];
  if (kind === 'misread') return [measure];
  const [first] = ranked;
  const likely = (id: RankedCause['cause']['id']): boolean => ranked.some(({ cause, score }) => cause.id === id && score >= 1);
  if (first?.cause.id === 'preservative' && first.score > 2) return [measure, givingUp(evidence)];
  const { tempC: now, yeast, ph, last, abv } = evidence;
  const middle = Math.round((yeast.tempC.low + yeast.tempC.high) / 2);
  const cures: Cure[] = [];
  if (last?.instrument === 'hydrometer' && Math.abs(last.sg - evidence.dryByRefractometerSg) <= LOOKS_DRY_SG)
    cures.push(
      cureOf(
        'measure',
        say`Was it read with a refractometer? A dry mead of this must would show about ${gravity(evidence.dryByRefractometerSg)} on one. Then write it as °Bx; otherwise stir, and read the hydrometer again.`,
      ),
    );
  else if (last === null || last.tempC === null || evidence.hoursSinceReading > STALE_H) cures.push(measure);
  if (now !== null && now < yeast.tempC.low + 1)
    cures.push({
      ...cureOf(
        'warm',
        say`Warm it to ${tempC(middle)}, by no more than ${degrees(WARM_C_A_DAY)} a day: some ${hours(warmingH(now, middle))}.`,
        done(say`Warming it to ${tempC(middle)}`, { cure: 'warm', toC: middle }),
      ),
      readAgainH: waitH('warm', now, middle),
    });
  if (now !== null && now > yeast.tempC.high)
    cures.push(
      cureOf(
        'cool',
        say`Bring it down to ${tempC(middle)}, a wet towel round it.`,
        done(say`Cooling it to ${tempC(middle)}`, { cure: 'cool', toC: middle }),
      ),
    );
  if (kind === 'slow' || kind === 'suspect') return [...cures, measure].slice(0, 2);
  cures.push(
    cureOf(
      'rouse',
      say`Degas it, and stir the yeast up from the bottom, gently and without splashing.`,
      done(['Degassed and roused'], { cure: 'rouse' }, { kind: 'note', payload: { text: 'Degassed', mark: 'degassed' } }),
    ),
  );
  if ((likely('sour') && (ph === null || ph < HIGHEST_PH)) || (likely('addition') && ph === null)) {
    const begin = ph === null ? say`Measure the pH. Below ${phValue(yeast.phFloor)}, raise it` : say`Raise the pH`;
    const aim = phValue(Math.max(AIM_PH.least, yeast.phFloor + AIM_PH.aboveFloor));
    cures.push(
      cureOf('raise pH', [
        ...begin,
        ...say` toward ${aim}: half of the potassium salt that a glass of it takes, then measure, then the rest.`,
      ]),
    );
  }
  const fed = evidence.nitrogenShare < ENOUGH_NITROGEN || likely('nitrogen') ? feeding(evidence) : null;
  if (fed !== null) cures.push(fed);
  if (abv >= yeast.toleranceAbv.low - GOOD_ENOUGH_ABV)
    cures.push(leave(say`Or leave it as a sweet mead: near its tolerance a restart seldom works. Stabilize it before it is bottled.`));
  cures.push(cureOf('restart', say`Last, a starter that is used to it, grown by doublings. Dry yeast thrown into a stuck mead dies.`));
  return cures;
}

/** What a starter for so much stuck mead brings into it besides the mead itself, written down when all is one again. */
export function starterPours(liters: number): EventContent[] {
  const starterL = liters / FIRST_PART;
  return [
    { kind: 'water', payload: { volumeL: starterL / 2 } },
    {
      kind: 'yeast',
      payload: { yeastId: 'strong', name: 'starter for what was stuck', massG: Math.max(LEAST_YEAST_G, YEAST_G_PER_L * liters) },
    },
    { kind: 'nutrient', payload: { source: 'organic', massG: starterL * STARTER_NUTRIENT_G_PER_L } },
  ];
}

export interface RestartStep {
  /** Days after its beginning, at the soonest. */
  day: number;
  sentence: Sentence;
  /** What the starter measures after this step, L. */
  starterL: number;
}

/** The starter begins as so small a part of it; a gram of dry yeast for each liter that is stuck, two at least (trade habit). */
const FIRST_PART = 16;
const YEAST_G_PER_L = 1;
const LEAST_YEAST_G = 2;
/** What feeds the starter, g/L (our estimate). */
const STARTER_NUTRIENT_G_PER_L = 2;
/** What the last doubling may take more than its part, so that no drop is left over. */
const LAST_BIT = 0.2;

/**
 * A starter that is brought to the stuck mead by doublings, each when its gravity above 1.000 has halved.
 * @param liters what is stuck, above 0
 */
export function restartPlan(liters: number, sg: number): RestartStep[] {
  const points = (at: number): number => 1 + at / 1000;
  const stuck = (sg - 1) * 1000;
  let starterL = liters / FIRST_PART;
  let has = stuck / 2;
  const steps: RestartStep[] = [
    {
      day: 0,
      starterL,
      sentence: say`Rehydrate ${massG(Math.max(LEAST_YEAST_G, YEAST_G_PER_L * liters))} of the strongest yeast you have, with rehydration nutrient. Bring it to ${volumeL(starterL)}: half of it the stuck mead, half water, with ${massG(starterL * STARTER_NUTRIENT_G_PER_L)} of organic nutrient. It reads about ${gravity(points(has))}.`,
    },
  ];
  let leftL = liters - starterL / 2;
  for (let day = 1; leftL > 0; day++) {
    const addL = leftL <= starterL * (1 + LAST_BIT) ? leftL : starterL;
    leftL -= addL;
    steps.push({
      day,
      starterL: starterL + addL,
      sentence: say`When it reads ${gravity(points(has / 2))} or less, add ${volumeL(addL)} of the stuck mead. Not before; if it takes more than three days, stop: the mead is beyond this yeast.`,
    });
    has = ((has / 2) * starterL + stuck * addL) / (starterL + addL);
    starterL += addL;
  }
  return steps;
}
