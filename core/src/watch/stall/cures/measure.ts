import { gravity, say, tempC } from '../../../quantities/index.ts';
import { cureOf } from './cure.ts';
import type { CureRule } from './cure.ts';

/** A reading older than this is taken again before anything else. */
const STALE_H = 36;
/** So near to a dry mead on an uncorrected refractometer, SG, it may be one (our estimate). */
const LOOKS_DRY_SG = 0.003;
export const measure = cureOf(
  'measure',
  say`Measure again: stir, take a sample at ${tempC(20)}, spin the hydrometer. Every other step costs more than this one.`,
);

/** First of all, where it is due: every other step costs more. */
export const measureFirst: CureRule = ({ evidence: { last, dryByRefractometerSg, hoursSinceReading } }) => {
  if (last?.instrument === 'hydrometer' && Math.abs(last.sg - dryByRefractometerSg) <= LOOKS_DRY_SG)
    return cureOf(
      'measure',
      say`Was it read with a refractometer? A dry mead of this must would show about ${gravity(dryByRefractometerSg)} on one. Then write it as °Bx; if not, stir, and read the hydrometer again.`,
    );
  return last === null || last.tempC === null || hoursSinceReading > STALE_H ? measure : null;
};
