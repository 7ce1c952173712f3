import type { Sentence } from './sentence.ts';

/** How a figure came about, for whoever presses it. */
export interface Working {
  formula: string;
  /** What was put in, in the maker’s own units. */
  inputs: { name: string; shown: Sentence }[];
  source: string;
  /** The school of makers whose choice this follows, where makers disagree. */
  school?: string;
}
