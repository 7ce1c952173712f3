import type { Must, Setting } from './law.ts';

/** What the learner does not see: the must, what works in it, and what is wrong. */
export interface Hidden {
  must: Must;
  setting: Setting;
  /** Of the air, at an hour after the pitch. */
  roomC: (hour: number) => number;
  tauH: number;
  /** What the nutrient brings of what its jar says. */
  nutrientShare: number;
  /** Acid thrown in by somebody else, in units of pH. */
  acids: { hour: number; drop: number }[];
  /** g of sugar that lie on the floor, unmixed, at the pitch. */
  floorG: number;
  /** The hydrometer shows so much more than the truth. */
  scaleSg: number;
  /** The lid lets gas by, so that the airlock says nothing. */
  lidLeaks: boolean;
}
