import type { Ledger } from '../record/index.ts';
import {
  BOUND_SHARE,
  HIGHEST_PH_FOR_SULFITE,
  TOTAL_SO2_CAP,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  so2ToAddMgPerL,
  sorbateDose,
  withinPhOfMead,
} from '../preservatives/index.ts';
import type { SulfiteSalt } from '../preservatives/index.ts';
import type { PhKnown } from './phKnown.ts';
import { DAY_MS, mgPerL, phValue, say, verdict } from '../quantities/index.ts';
import type { Ranged, Verdict } from '../quantities/index.ts';

type Region = 'us' | 'eu';

export interface StabilizeInput {
  volumeL: number;
  abv: number;
  /** By meter, strip or kind of mead. */
  known: PhKnown;
  molecularMgPerL: number;
  salt: SulfiteSalt;
  region: Region;
  /** SO2 already added, mg/L of this volume. */
  so2MgPerL: number;
  /** Free SO2 that is there, mg/L, measured or reckoned; 0 where none is known of. */
  freeThereMgPerL: number;
  /** Sorbic acid that is in it, mg/L. */
  sorbicThereMgPerL?: number;
}

/** Free SO2 binds and goes with time; a reading older than this tells no more of it (our estimate). */
const FREE_HOLDS_DAYS = 7;
/** How far a home test of free SO2 may be off, mg/L (our estimate). */
export const FREE_PLUS_MINUS_MG_PER_L = 5;

/** Free SO2 as last measured, mg/L, where nothing that changes it came since and it is fresh; otherwise null. */
export function freeSo2There(ledger: Ledger, now: number): number | null {
  const { freeSo2, sulfites, pours, transfers, rackedAt } = ledger.history;
  if (freeSo2 === null || now - freeSo2.at > FREE_HOLDS_DAYS * DAY_MS) return null;
  const changes = [...sulfites, ...pours, ...transfers.filter(({ direction }) => direction !== 'out')].map(({ at }) => at);
  return [...changes, rackedAt ?? Number.NEGATIVE_INFINITY].some((at) => at > freeSo2.at) ? null : freeSo2.value;
}

export interface StabilizePlan {
  freeMgPerL: number;
  /** More than the free target: part binds. */
  addMgPerL: Ranged;
  sulfiteG: Ranged;
  sorbicMgPerL: number;
  sorbateG: number;
  /** To dissolve the sorbate in. */
  waterMl: number;
  verdicts: Verdict[];
}

/** Sulfite and sorbate for a finished, clear, degassed mead (the chemical school), with what speaks against it. */
export function planStabilizing(input: StabilizeInput): StabilizePlan {
  const { volumeL, abv, known, region, freeThereMgPerL } = input;
  const ph = known.plannedPh;
  const freeAt = (at: number): number => freeSo2NeededMgPerL(input.molecularMgPerL, withinPhOfMead(at));
  const freeMgPerL = freeAt(ph);
  const off = freeThereMgPerL > 0 ? Math.min(freeThereMgPerL, FREE_PLUS_MINUS_MG_PER_L) : 0;
  const addMgPerL = {
    value: so2ToAddMgPerL(freeMgPerL, freeThereMgPerL, BOUND_SHARE.value),
    low: so2ToAddMgPerL(Math.min(freeMgPerL, freeAt(known.ph.low)), freeThereMgPerL + off, BOUND_SHARE.low),
    high: so2ToAddMgPerL(Math.max(freeMgPerL, freeAt(known.ph.high)), freeThereMgPerL - off, BOUND_SHARE.high),
  };
  const grams = (mg: number): number => metabisulfiteG(mg, volumeL, input.salt);
  const sorbate = sorbateDose(Math.min(25, abv), volumeL, region);
  const lacks = Math.max(0, 1 - (input.sorbicThereMgPerL ?? 0) / sorbate.sorbicMgPerL);
  const verdicts: Verdict[] = [];
  if (known.by === 'measured' && ph > HIGHEST_PH_FOR_SULFITE) {
    verdicts.push(
      verdict(
        'ph',
        'stop',
        say`At pH ${phValue(ph)} it would take ${mgPerL(addMgPerL.value)} of sulfite to protect it, and it would taste of it. Lower the pH below ${phValue(HIGHEST_PH_FOR_SULFITE)} first: tartaric acid in a glass by halves, measured each time, then scaled up.`,
      ),
    );
  }
  if (known.by !== 'measured')
    verdicts.push(
      verdict(
        'ph-assumed',
        'care',
        say`${known.by === 'strip' ? 'A strip reads' : 'Nobody measured the pH. Meads of this kind mostly lie'} between ${phValue(known.ph.low)} and ${phValue(known.ph.high)}, by our estimate. The dose is for ${phValue(ph)}, the safe end: more sulfite than may be needed, and it costs some taste.`,
      ),
    );
  if (known.by !== 'measured' && known.ph.high > HIGHEST_PH_FOR_SULFITE)
    verdicts.push(
      verdict(
        'ph-may-be-high',
        'care',
        say`It may lie above pH ${phValue(HIGHEST_PH_FOR_SULFITE)}, where sulfite guards little. A strip tells; with acid by taste, half at a time, it comes down.`,
      ),
    );
  if (input.so2MgPerL + addMgPerL.value > TOTAL_SO2_CAP[region]) {
    verdicts.push(
      verdict(
        'so2-cap',
        'stop',
        say`Together with what is in, that makes ${mgPerL(input.so2MgPerL + addMgPerL.value)} of SO₂; the limit is ${mgPerL(TOTAL_SO2_CAP[region])}.`,
      ),
    );
  }
  verdicts.push(
    verdict(
      'sorbate-alone',
      'note',
      say`Sorbate goes in with sulfite, never alone: bacteria turn it into a smell of geraniums that nothing removes.`,
    ),
  );
  verdicts.push(
    verdict('sorbate-limits', 'note', say`Sorbate stops yeast from budding; it does not kill. A cloudy mead full of yeast ferments on.`),
  );
  verdicts.push(
    verdict(
      'sulfite-fumes',
      'care',
      say`Sulfite fumes bite: weigh it with the window open, and not at all if you have asthma. Say “contains sulfites” on the label.`,
    ),
  );
  return {
    freeMgPerL,
    addMgPerL,
    sulfiteG: { value: grams(addMgPerL.value), low: grams(addMgPerL.low), high: grams(addMgPerL.high) },
    sorbicMgPerL: sorbate.sorbicMgPerL,
    sorbateG: sorbate.saltG * lacks,
    waterMl: sorbate.waterMl * lacks,
    verdicts,
  };
}
