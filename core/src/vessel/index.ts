/* Vessels as sections to scale, and how full they are. */
export { fillOf, smallestHolding } from './fill.ts';
export type { Fill } from './fill.ts';
export { VESSEL_KINDS, levelCm, litersAt, sectionOf } from './shape.ts';
export type { Section, Vessel, VesselKind } from './shape.ts';
export { USUAL_VESSELS } from './stock.ts';
