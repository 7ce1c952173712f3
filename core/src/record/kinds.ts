/** Kinds of nutrient; `own` is a packet of the maker's with its own figures. */
export type NutrientId = 'organic' | 'dap' | 'complex' | 'cutDap' | 'noAmmonium' | 'rehydration' | 'hulls' | 'own';
/** What a packet says of itself, as fractions of its mass. */
export interface OwnNutrient {
  name: string;
  ammoniumN: number;
  aminoN: number;
}
/** What may have stopped a fermentation. */
export type StallCauseId =
  'cold' | 'swing' | 'strong start' | 'tolerance' | 'gas' | 'nitrogen' | 'sour' | 'addition' | 'preservative' | 'heat';
/** One change that is made for a stall, and judged by a reading. */
export type CureMade = 'warm' | 'cool' | 'rouse' | 'raise pH' | 'feed';
/** What raises a pH and brings potassium. */
export type BaseSalt = 'carbonate' | 'bicarbonate';
export type RemovalReason = 'sample' | 'foam' | 'spill' | 'lees';
/** What a maker judges by eye or nose; each can be part of a gate or a rule. */
export const MARKS = [
  'degassed',
  'stirred',
  'aerated',
  'bubbling',
  'quiet',
  'foam',
  'clear',
  'hazy',
  'sulfur',
  'solvent',
  'vinegar',
  'rubber',
  'geranium',
  'retching',
  'film',
  'mold',
  'tasting',
] as const;
export type Mark = (typeof MARKS)[number];
export type Bottles = { sizeMl: number; count: number }[];
