import { HIGHEST_PH_FOR_SULFITE } from '../preservatives/index.ts';
import type { Ranged } from '../quantities/index.ts';
import { STRIP_PLUS_MINUS, othersPoured } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';

/** Where nobody measured: melomels and traditionals mostly lie so (our estimate). */
const BY_KIND = {
  fruit: { value: 3.4, low: 3.2, high: 3.6 },
  honey: { value: 3.7, low: 3.5, high: 3.9 },
} as const;

/** How the pH of a mead is known for a dose. */
export type PhBy = 'measured' | 'strip' | 'kind';

export interface PhKnown {
  by: PhBy;
  ph: Ranged;
  /** Planned for: the upper end, where more is needed, and never beyond where sulfite still makes sense. */
  plannedPh: number;
}

const planned = (by: PhBy, ph: Ranged): PhKnown => ({
  by,
  ph,
  plannedPh: by === 'measured' ? ph.value : Math.min(ph.high, Math.max(HIGHEST_PH_FOR_SULFITE, ph.value)),
});

/** A pH by meter as it reads, by a strip or by the kind of mead with the safe end of what it may be. @param strip as read; null without one */
export function phKnown(ledger: Ledger, measuredPh: number | null, strip: number | null): PhKnown {
  if (measuredPh !== null) return planned('measured', { value: measuredPh, low: measuredPh, high: measuredPh });
  if (strip !== null) return planned('strip', { value: strip, low: strip - STRIP_PLUS_MINUS, high: strip + STRIP_PLUS_MINUS });
  const hasFruit = othersPoured(ledger).some(({ family }) => family === 'fruit' || family === 'juice' || family === 'dried');
  return planned('kind', BY_KIND[hasFruit ? 'fruit' : 'honey']);
}
