import { AMMONIUM_CUTOFF_ABV, THIRD_BREAK, TOO_LATE_SHARE } from '../../../yeast/index.ts';
import { DAP_CAP_G_PER_L } from '../../../nitrogen/index.ts';
import { LEAST_DOSE_G, countedMgPerG } from '../../../nitrogen/index.ts';
import { massG, say } from '../../../quantities/index.ts';
import { cureOf, deed, isLikely } from './cure.ts';
import type { Cure, CureRule } from './cure.ts';
import type { StallEvidence } from '../evidence.ts';

/** g/L of hulls where feeding is past its time (our estimate of a usual dose). */
const HULLS_G_PER_L = 0.25;
/** Nitrogen is brought to this part of the need, half of what is lacking at a time (our estimates). */
const ENOUGH_NITROGEN = 0.9;
/** Feeding by its own rules: ammonium only early and up to its cap, nothing but hulls past half of the sugar; null where nothing lacks. */
function feedingOf({ abv, ph, yeast, shareGone, nitrogenShare, needMg, organicCredit, volumeL: liters, dapG }: StallEvidence): Cure | null {
  const fed = (source: 'hulls' | 'organic', grams: number): Cure['deed'] =>
    deed(say`Fed ${massG(grams)}`, { cure: 'feed' }, { kind: 'nutrient', payload: { source, massG: grams } });
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
  /** Taking ammonium up, yeast gives acid off: never into a must that is too sour already. */
  const isSour = ph !== null && ph < yeast.phFloor;
  const isEarly = abv < AMMONIUM_CUTOFF_ABV && shareGone <= THIRD_BREAK && !isSour;
  const told = [
    ...say`Degas, then ${massG(organicG)} of organic nutrient: half of what is lacking.`,
    ...(isEarly && ammoniumG >= LEAST_DOSE_G ? say` So early it may be ${massG(ammoniumG)} of diammonium phosphate instead.` : []),
    ...(isEarly ? [] : isSour ? say` No ammonium: it would make it sourer yet.` : say` No ammonium any more.`),
  ];
  return cureOf('feed', told, fed('organic', organicG));
}

export const feed: CureRule = (ailing) =>
  ailing.evidence.nitrogenShare < ENOUGH_NITROGEN || isLikely(ailing, 'nitrogen') ? feedingOf(ailing.evidence) : null;
