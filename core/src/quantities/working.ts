/** How a figure came about, for whoever presses it. */
export interface Working {
  formula: string;
  /** What was put in, name and shown value. */
  inputs: { name: string; shown: string }[];
  source: string;
  /** The school of makers whose choice this follows, where makers disagree. */
  school?: string;
}
