import type { Filling } from '../record/index.ts';
import type { Immutable, Sentence } from '../quantities/index.ts';

export type Verdict = 'open' | 'ask' | 'shut';

/** What is to be closed: into what, with which sugar for gas. */
export type GlassPlan = Immutable<Pick<Filling, 'bottles' | 'primings' | 'each' | 'warmestC' | 'measured'>>;

/** What stands for itself beside a still verdict: a keg or gas may ask, or bar, by their own reasons. */
export interface GasAnswer {
  verdict: Verdict;
  why: Sentence;
}
