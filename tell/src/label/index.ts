/* Labels for bottles and vessels: what they say, and the pages that they are printed on. */
export { containsLine, eachBottleMl, labelLines, vesselLines } from './lines.ts';
export type { LabelChoice } from './lines.ts';
export { labelPages } from './pages.ts';
export type { LabelSheet, PrintedLabel } from './pages.ts';
export { SHEET_FACE } from '../page.ts';
