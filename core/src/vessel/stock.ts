import type { Vessel } from './shape.ts';

/** Usual vessels to begin with. */
export const USUAL_VESSELS: readonly Vessel[] = [
  { kind: 'jug', name: '5 L jug', capacityL: 5.3 },
  { kind: 'jug', name: '1 gal jug', capacityL: 3.95 },
  { kind: 'bucket', name: '10 L bucket', capacityL: 10.5 },
  { kind: 'carboy', name: '10 L carboy', capacityL: 10.8 },
  { kind: 'bucket', name: '15 L bucket', capacityL: 15.5 },
  { kind: 'carboy', name: '23 L carboy', capacityL: 23.8 },
  { kind: 'bucket', name: '30 L bucket', capacityL: 31 },
  { kind: 'keg', name: '19 L keg', capacityL: 19.3 },
];
