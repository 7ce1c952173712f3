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
import { degrees, gravity, hours, massG, phValue, say, tempC } from '../../quantities/index.ts';
import type { CureMade, EventContent, Ledger } from '../../record/index.ts';
import type { Sentence } from '../../quantities/index.ts';
import { SORBIC_STOPS_MG_PER_L } from './causes.ts';
import { READ_AGAIN_H, warmedReadAgainH, warmingH } from './cureUnderWay.ts';
import type { RankedCause } from './causes.ts';
import type { StallEvidence } from './evidence.ts';
import type { StallVerdict } from './verdict.ts';

export type CureId = CureMade | 'measure' | 'restart' | 'leave' | 'give up';
/** What is no change made at once is looked at again after so long: a week for what should have ended. */
const LOOK_AGAIN_H: Partial<Record<CureId, number>> = { measure: 24, restart: 72, leave: 168, 'give up': 0 };

/** One change. After it, wait and read, before the next. */
export interface Cure {
  id: CureId;
  sentence: Sentence;
  /** Hours until the reading that tells whether it helped. */
  readAgainH: number;
  /** What one touch writes down once it is done; null where there is more to be said than that. */
  deed: { label: Sentence; events: EventContent[] } | null;
}

const cureOf = (id: CureId, sentence: Sentence, deed: Cure['deed'] = null): Cure => ({
  id,
  sentence,
  readAgainH: LOOK_AGAIN_H[id] ?? READ_AGAIN_H,
  deed,
});
const done = (label: Sentence, payload: { cure: CureMade; toC?: number }, ...more: EventContent[]): Cure['deed'] => ({
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
/** The maker's word that it rests above where it should end. */
const letStay = (sentence: Sentence): Cure =>
  cureOf('leave', sentence, { label: ['It stays here'], events: [{ kind: 'staysHere', payload: {} }] });

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
      kind === 'malt'
        ? letStay(
            say`Leave it, and read it again in a week. Where you judge that it stays here, say so: three readings on one line over two weeks then count as its end, and four weeks of stillness for glass.`,
          )
        : leave(
            say`Leave it. Read it again in a week; level over two weeks, or by a third reading, it has ended, and is stabilized before honey or bottles.`,
          ),
    ];
  if (kind === 'unread') return [measure];
  if (kind === 'lag' || kind === 'moving') return [{ ...leave(say`Leave it alone, warm and closed.`), readAgainH: 24 }];
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
      readAgainH: warmedReadAgainH(now, middle),
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
  cures.push(
    letStay(
      abv >= yeast.toleranceAbv.low - GOOD_ENOUGH_ABV
        ? say`Or leave it as a sweet mead: near its tolerance a restart seldom works. Say that it stays here; three level readings over two weeks prove it, then it is stabilized before it is bottled.`
        : say`Or leave it as it is. Say that it stays here; as much sugar as this wants four weeks of level readings, and stabilizing before any glass.`,
    ),
  );
  cures.push(cureOf('restart', say`Last, a starter that is used to it, grown by doublings. Dry yeast thrown into a stuck mead dies.`));
  return cures;
}

/** The gentlest cure that was not tried since it stood still; to measure is never used up. */
export const nextCure = (cures: readonly Cure[], { care }: Pick<Ledger, 'care'>, stillSince: number): Cure | null =>
  cures.find(({ id }) => id === 'measure' || !care.cures.some(({ cure, at }) => cure === id && at >= stillSince)) ?? null;
