import type { Ledger } from '../record/index.ts';
import {
  BOUND_SHARE,
  HIGHEST_PH_FOR_SULFITE,
  SORBIC_CAP,
  TOTAL_SO2_CAP,
  freeSo2NeededMgPerL,
  metabisulfiteG,
  potassiumSorbateG,
  sorbicNeededMgPerL,
} from '../preservatives/index.ts';
import type { SulfiteSalt } from '../preservatives/index.ts';
import { DAY_MS, mgPerL, phValue, say, verdict } from '../quantities/index.ts';
import type { Ranged, Verdict } from '../quantities/index.ts';

type Region = 'us' | 'eu';

export interface StabilizeInput {
  volumeL: number;
  abv: number;
  ph: number;
  molecularMgPerL: number;
  salt: SulfiteSalt;
  region: Region;
  /** SO2 already added, mg/L of this volume. */
  so2MgPerL: number;
  /** Free SO2 that was measured in it, mg/L, and still counts; 0 where none was. */
  freeThereMgPerL: number;
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
  verdicts: Verdict[];
}

/** Sulfite and sorbate for a finished, clear, degassed mead (the chemical school), with what speaks against it. */
export function planStabilizing(input: StabilizeInput): StabilizePlan {
  const { volumeL, abv, ph, region } = input;
  const freeMgPerL = freeSo2NeededMgPerL(input.molecularMgPerL, ph);
  const { freeThereMgPerL } = input;
  const off = freeThereMgPerL > 0 ? Math.min(freeThereMgPerL, FREE_PLUS_MINUS_MG_PER_L) : 0;
  const toAdd = (bound: number, there: number): number => Math.max(0, freeMgPerL - there) / (1 - bound);
  const addMgPerL = {
    value: toAdd(BOUND_SHARE.value, freeThereMgPerL),
    low: toAdd(BOUND_SHARE.low, freeThereMgPerL + off),
    high: toAdd(BOUND_SHARE.high, freeThereMgPerL - off),
  };
  const grams = (mg: number): number => metabisulfiteG(mg, volumeL, input.salt);
  const sorbic = Math.min(sorbicNeededMgPerL(abv), SORBIC_CAP[region]);
  const verdicts: Verdict[] = [];
  if (ph > HIGHEST_PH_FOR_SULFITE) {
    verdicts.push(
      verdict(
        'ph',
        'stop',
        say`At pH ${phValue(ph)} it would take ${mgPerL(addMgPerL.value)} of sulfite to protect it, and it would taste of it. Lower the pH below ${phValue(HIGHEST_PH_FOR_SULFITE)} first.`,
      ),
    );
  }
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
    sorbicMgPerL: sorbic,
    sorbateG: potassiumSorbateG(sorbic, volumeL),
    verdicts,
  };
}
