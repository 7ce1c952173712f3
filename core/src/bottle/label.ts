import { requireWithin } from '../quantities/index.ts';

/**
 * How exact a label's strength must be, % vol. EU: Regulation 1169/2011, Annex XII, one decimal, honey's ferments ± 1.0, with fruit or
 * plants macerated in ± 1.5. US: 27 CFR 4.36, ± 1.5 to 14 % vol and ± 1.0 above, not across that line. Mead for one's own table need not follow them.
 */
export type LabelRule = 'eu mead' | 'eu fruit mead' | 'us';
const EU_TOLERANCE = { 'eu mead': 1, 'eu fruit mead': 1.5 } as const;
const US = { line: 14, below: 1.5, above: 1 } as const;

export interface LabelAbv {
  shown: number;
  tolerance: number;
  low: number;
  high: number;
}

/** The figure for a label, and within what it must be true. @param abv 0 to 25 % vol */
export function labelAbv(abv: number, rule: LabelRule): LabelAbv {
  const shown = Math.floor(10 * requireWithin('The alcohol', abv, 0, 25, '% vol') + 0.5 + 1e-9) / 10;
  const isBelow = shown <= US.line;
  const tolerance = rule === 'us' ? (isBelow ? US.below : US.above) : EU_TOLERANCE[rule];
  const [low, high] = [shown - tolerance, shown + tolerance];
  if (rule !== 'us') return { shown, tolerance, low, high };
  return isBelow ? { shown, tolerance, low, high: Math.min(high, US.line) } : { shown, tolerance, low: Math.max(low, US.line), high };
}
