/* Vessels as sections to scale, and how full they are. */
export { fillAcross, fillOf, smallestHolding } from './fill.ts';
export type { Fill } from './fill.ts';
export { VESSEL_KINDS, levelCm, litersAt, sectionOf, vesselShape } from './shape.ts';
export type { Section, Vessel, VesselKind } from './shape.ts';
export { filledNow, levelIn } from './standing.ts';
export type { Filled, Level } from './standing.ts';
export { USUAL_VESSELS } from './stock.ts';
