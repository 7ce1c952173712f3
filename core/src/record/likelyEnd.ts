import { DRY_SUGAR_G_PER_L, stopsAt, yeastOf } from '../yeast/index.ts';
import { exactly } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { CENTRAL_ASSUMPTIONS } from './assumptions.ts';
import type { Ledger } from './ledger.ts';
import { abvBeforeSugar } from './sugar.ts';

/** Of a mead without a past nobody knows the yeast; its alcohol says where it ended, so that none is held to have stopped it. */
const NO_LIMIT_ABV = 30;

/** The most alcohol that its yeast has shown at a reading, % vol; 0 before any. What thins it later takes nothing from that. */
export const mostMadeAbv = ({ history: { pitch, readings } }: Pick<Ledger, 'history'>): number =>
  pitch === null ? 0 : Math.max(0, ...readings.filter(({ at, verdict }) => verdict === 'follows' && at >= pitch.at).map(({ abv }) => abv));

/** What its yeast is said to bear, % vol: the packet's or its type's, of several the hardiest; null before the pitch. */
export function toleranceSaid({ history: { pitch, found, yeasts } }: Pick<Ledger, 'history'>): Ranged | null {
  if (pitch === null) return null;
  if (found !== null) return exactly(NO_LIMIT_ABV);
  return [pitch, ...yeasts].map((each) => yeastOf(each).toleranceAbv).reduce((a, b) => (b.value > a.value ? b : a));
}

/** The same, and at least what it had made before sugar last went to it. */
export function toleranceOf(ledger: Ledger): Ranged | null {
  const hardiest = toleranceSaid(ledger);
  if (hardiest === null) return null;
  const made = abvBeforeSugar(ledger);
  const shown = (abv: number): number => Math.max(abv, made);
  return { value: shown(hardiest.value), low: shown(hardiest.low), high: shown(hardiest.high) };
}

/** SG at which what is in the vessel should stop; null where nothing is pitched or there. */
export function likelyEndSg(ledger: Ledger): number | null {
  const tolerance = toleranceOf(ledger);
  if (tolerance === null || ledger.liquid.waterG <= 0) return null;
  return stopsAt(ledger.liquid, tolerance.value, DRY_SUGAR_G_PER_L.value, CENTRAL_ASSUMPTIONS).sg;
}
