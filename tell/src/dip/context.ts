import type { HouseRules } from '@hollow-bell/core/check';
import type { Product } from '@hollow-bell/core/nitrogen';
import type { EventContent, HouseInstruments, Ledger, Payloads, Seen } from '@hollow-bell/core/record';
import type { Sentence, TypedBy } from '@hollow-bell/core/quantities';
import type { Vessel } from '@hollow-bell/core/vessel';
import type { DipProduct } from './products.ts';

/** What the line needs to know about here and now; nothing is taken from a clock. */
export interface DipContext extends TypedBy {
  now: number;
  instruments: HouseInstruments;
  rules: HouseRules;
  ledger: Ledger;
  products: readonly DipProduct[];
  vessels: readonly Vessel[];
  /** What “fed” alone means now: the dose that the plan wants. */
  plannedDose: { dose: number; parts: { product: Product; massG: number }[] } | null;
  /** To which dose of the plan so much of a nutrient belongs, given then. */
  doseFor: (given: Payloads['nutrient'], at: number) => number | undefined;
}

export interface DipReading {
  at: number;
  events: EventContent[];
  /** Parts that go into vessels of their own: each becomes a batch. */
  splits: SplitOff[];
  understood: Sentence;
  /** What wants a second look before it is written down. */
  doubts: Sentence[];
}

interface SplitOff {
  volumeL: number;
  vessel: Vessel;
}

/** What one part of a line says: something read, something done, or both. */
export interface Part {
  seen?: Seen;
  events?: EventContent[];
  splits?: SplitOff[];
  told?: Sentence;
}
