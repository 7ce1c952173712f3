/* What labels for bottles and vessels say; the pages that they are printed on stand apart, and are loaded when they are wanted. */
export { eachBottleMl, labelLines, vesselLines } from './lines.ts';
