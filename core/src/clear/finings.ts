import { DAY_MS, say, tempC } from '../quantities/index.ts';
import type { Sentence } from '../quantities/index.ts';
import type { Ledger, FiningId } from '../record/index.ts';

type Charge = '−' | '+' | 'none';

export interface FiningTold {
  id: Exclude<FiningId, 'other'>;
  charge: Charge;
  /** Usual range, g for a liter of mead (enology handbooks; the packet’s own dose comes first); kieselsol’s is ml of a 30 % solution. */
  gPerL: { low: number; high: number };
  unit: 'g' | 'ml';
  takes: string;
  /** How it is made up. */
  madeUp: Sentence;
  /** What it comes from, for the label and for vegans; null where it is neither. */
  allergen: string | null;
  /** What a label has to name for it. */
  labels: 'fish' | 'egg' | 'milk' | 'shellfish' | null;
  isAnimal: boolean;
  strips: string;
  /** Days until it has settled. */
  clearsDays: { low: number; high: number };
}

/** Usual finings by enology handbooks; waits by trade practice. */
export const FININGS: readonly FiningTold[] = [
  {
    id: 'bentonite',
    charge: '−',
    gPerL: { low: 0.25, high: 0.75 },
    unit: 'g',
    takes: 'protein, and much of the yeast',
    madeUp: ['Swell it in twenty times its weight of hot water for some hours, better a day; stir until smooth.'],
    allergen: null,
    labels: null,
    isAnimal: false,
    strips: 'a little color and aroma; leaves deep lees',
    clearsDays: { low: 5, high: 14 },
  },
  {
    id: 'chitosan',
    charge: '+',
    gPerL: { low: 0.01, high: 0.1 },
    unit: 'g',
    takes: 'yeast and fruit haze',
    madeUp: ['Ready in its bottle; dry, dissolve it in a little warm, acid water.'],
    allergen: 'shellfish, unless the packet says it is from fungi',
    labels: 'shellfish',
    isAnimal: true,
    strips: 'little',
    clearsDays: { low: 1, high: 7 },
  },
  {
    id: 'kieselsol',
    charge: '−',
    gPerL: { low: 0.25, high: 1 },
    unit: 'ml',
    takes: 'protein; it is the first half of a pair',
    madeUp: ['As it is, stirred in; gelatin or chitosan follows an hour to a day later.'],
    allergen: null,
    labels: null,
    isAnimal: false,
    strips: 'little',
    clearsDays: { low: 2, high: 7 },
  },
  {
    id: 'gelatin',
    charge: '+',
    gPerL: { low: 0.02, high: 0.12 },
    unit: 'g',
    takes: 'tannin and what kieselsol left',
    madeUp: say`Soften it in cold water for half an hour, dissolve it below ${tempC(60)}, pour it in warm in a thin stream. An hour to a day after kieselsol.`,
    allergen: null,
    labels: null,
    isAnimal: true,
    strips: 'tannin and some color',
    clearsDays: { low: 2, high: 10 },
  },
  {
    id: 'isinglass',
    charge: '+',
    gPerL: { low: 0.01, high: 0.1 },
    unit: 'g',
    takes: 'yeast, gently',
    madeUp: say`Stir it into cold water, let it swell, never above ${tempC(20)}.`,
    allergen: 'fish',
    labels: 'fish',
    isAnimal: true,
    strips: 'very little',
    clearsDays: { low: 7, high: 21 },
  },
  {
    id: 'egg white',
    charge: '+',
    gPerL: { low: 0.03, high: 0.15 },
    unit: 'g',
    takes: 'rough tannin',
    madeUp: ['Dry, in a little water with a pinch of salt; do not beat it to foam.'],
    allergen: 'egg',
    labels: 'egg',
    isAnimal: true,
    strips: 'tannin',
    clearsDays: { low: 5, high: 14 },
  },
  {
    id: 'casein',
    charge: '+',
    gPerL: { low: 0.05, high: 0.25 },
    unit: 'g',
    takes: 'browning and bitterness',
    madeUp: ['In cold water, stirred in fast: it curdles where it meets acid.'],
    allergen: 'milk',
    labels: 'milk',
    isAnimal: true,
    strips: 'color',
    clearsDays: { low: 5, high: 14 },
  },
  {
    id: 'carbon',
    charge: 'none',
    gPerL: { low: 0.1, high: 0.5 },
    unit: 'g',
    takes: 'off smells and color, and all others too',
    madeUp: ['Stirred in wet, for a day; last of all, and after a trial.'],
    allergen: null,
    labels: null,
    isAnimal: false,
    strips: 'aroma and color, much of both',
    clearsDays: { low: 2, high: 7 },
  },
  {
    id: 'pectic enzyme',
    charge: 'none',
    gPerL: { low: 0.02, high: 0.1 },
    unit: 'g',
    takes: 'pectin, which no fining takes',
    madeUp: ['In a little cool water; it works in days where it is warm, and not beside bentonite.'],
    allergen: null,
    labels: null,
    isAnimal: false,
    strips: 'nothing',
    clearsDays: { low: 4, high: 14 },
  },
];

/** A dose for so much mead, by the packet where it is known. */
export const finingG = (gPerL: number, volumeL: number): number => gPerL * volumeL;

/** Glasses of a bench trial, g/L: none, and three steps through the usual range. */
export function trialGlasses({ gPerL: { low, high } }: Pick<FiningTold, 'gPerL'>): number[] {
  return [0, low, (low + high) / 2, high];
}

/** What was fined last and when it has had its time; null where nothing was, or it was racked since. */
export function finedUntil({ history: { finings, rackedAt } }: Ledger): { name: string; at: number; settledAt: number } | null {
  const last = finings.findLast(({ fining }) => fining !== 'pectic enzyme');
  if (last === undefined || (rackedAt !== null && rackedAt > last.at)) return null;
  const days = FININGS.find(({ id }) => id === last.fining)?.clearsDays.high ?? USUAL_DAYS;
  return { name: last.name, at: last.at, settledAt: last.at + days * DAY_MS };
}
/** One to two weeks (trade practice). */
const USUAL_DAYS = 14;
