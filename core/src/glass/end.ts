import { DRY_SUGAR_G_PER_L, stopsAt, yeastOf } from '../yeast/index.ts';
import { ASSUMPTION_RANGES, honeysPoured, toleranceOf } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { propagate, say, massG as grams } from '../quantities/index.ts';
import type { Ranged, Working } from '../quantities/index.ts';

export interface ExpectedEnd {
  sg: Ranged;
  abv: Ranged;
  sugarGPerL: Ranged;
}

/** Where this batch should stop, as a gravity and the sugar left, with their 10–90 % ranges; null before the pitch. */
export function expectedEnd(ledger: Ledger): ExpectedEnd | null {
  const tolerance = toleranceOf(ledger);
  if (tolerance === null || ledger.liquid.waterG <= 0) return null;
  const known = ends.get(ledger) ?? endOf(ledger, tolerance);
  ends.set(ledger, known);
  return known;
}

/** State, finish and stall all ask for the end of one and the same ledger, which no one changes once it is folded. */
const ends = new WeakMap<Ledger, ExpectedEnd>();

function endOf(ledger: Ledger, toleranceAbv: Ranged): ExpectedEnd {
  const { ethanolYield, glycerolYield, unfermentableScale } = ASSUMPTION_RANGES;
  /** The range is honey’s; what malt and fruit leave, and what the yeast itself made, is no surer or less sure for it. */
  const ofHoneyG = Math.min(
    ledger.liquid.unfermentableG,
    honeysPoured(ledger).reduce((sum, { massG, composition }) => sum + massG * composition.unfermentable, 0),
  );
  const inputs = [toleranceAbv, DRY_SUGAR_G_PER_L, ethanolYield, glycerolYield, unfermentableScale];
  const found = propagate(inputs, ([tolerance = 0, dry = 0, ethanol = 0, glycerol = 0, unfermentable = 1]) => {
    const moved = ofHoneyG * (unfermentable - 1);
    const { liquid } = ledger;
    const start = { ...liquid, unfermentableG: liquid.unfermentableG + moved, sugarG: Math.max(0, liquid.sugarG - moved) };
    const stop = stopsAt(start, tolerance, dry, { ethanolYield: ethanol, glycerolYield: glycerol });
    return { sg: stop.sg, abv: stop.abv, sugarGPerL: stop.sugarGPerL };
  });
  /** A first-order range may reach below nothing. */
  const { sugarGPerL } = found;
  return { ...found, sugarGPerL: { ...sugarGPerL, low: Math.max(0, sugarGPerL.low) } };
}

/** How the expected end comes about; null before the pitch. */
export function endWorking(ledger: Ledger): Working | null {
  const tolerance = toleranceOf(ledger);
  if (ledger.history.pitch === null || tolerance === null) return null;
  const { found, pitch } = ledger.history;
  const { value, low, high } = tolerance;
  return {
    formula: 'ferment the sugar that is there until the alcohol reaches the tolerance or only a dry mead’s sugar is left',
    inputs: [
      { name: 'fermentable sugar now', shown: say`${grams(ledger.liquid.sugarG)}` },
      { name: 'unfermentable extract now', shown: say`${grams(ledger.liquid.unfermentableG)}` },
      {
        name: found === null ? `${yeastOf(pitch).name} tolerates` : 'its yeast tolerates',
        shown:
          found === null
            ? say`${value.toFixed(1)} % vol (${low.toFixed(1)} to ${high.toFixed(1)})`
            : ['nobody wrote it down: taken to have left it dry'],
      },
      {
        name: 'sugar a dry mead keeps',
        shown: say`${String(DRY_SUGAR_G_PER_L.value)} g/L (${String(DRY_SUGAR_G_PER_L.low)} to ${String(DRY_SUGAR_G_PER_L.high)})`,
      },
    ],
    source: 'Mass balance, Balling’s yield; tolerance and dryness are our estimates. Range: first-order propagation, 10–90 %.',
  };
}
