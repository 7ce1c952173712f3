/** Kinds of nutrient; `own` is a packet of the maker's with its own figures. */
export const NUTRIENT_IDS = ['organic', 'dap', 'complex', 'cutDap', 'noAmmonium', 'rehydration', 'hulls', 'own'] as const;
export type NutrientId = (typeof NUTRIENT_IDS)[number];
/** What a packet says of itself, as fractions of its mass. */
export interface OwnNutrient {
  name: string;
  ammoniumN: number;
  aminoN: number;
}
/** What may have stopped a fermentation. */
export const STALL_CAUSES = [
  'cold',
  'swing',
  'strong start',
  'tolerance',
  'gas',
  'nitrogen',
  'sour',
  'addition',
  'preservative',
  'heat',
] as const;
export type StallCauseId = (typeof STALL_CAUSES)[number];
/** One change that is made for a stall, and judged by a reading. */
export const CURES_MADE = ['warm', 'cool', 'rouse', 'raise pH', 'feed'] as const;
export type CureMade = (typeof CURES_MADE)[number];
/** What raises a pH and brings potassium. */
export const BASE_SALT_IDS = ['carbonate', 'bicarbonate'] as const;
export type BaseSalt = (typeof BASE_SALT_IDS)[number];
export const REMOVAL_REASONS = ['sample', 'foam', 'spill', 'lees', 'drunk', 'dumped'] as const;
export type RemovalReason = (typeof REMOVAL_REASONS)[number];
/** What a maker judges by eye or nose; each can be part of a gate or a rule. */
export const MARKS = [
  'degassed',
  'stirred',
  'punched',
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
  'pectin',
  'no pectin',
] as const;
export type Mark = (typeof MARKS)[number];
/** What is seen of a lamp and a printed word through a glass of it, from the darkest. */
export const LOOKS = ['dark', 'glow', 'edge', 'blur', 'print'] as const;
export type Look = (typeof LOOKS)[number];
/** What may be seen beside a haze. */
export const SEEN_BESIDE = ['streaks', 'floating pulp', 'sediment on the wall'] as const;
export type SeenBeside = (typeof SEEN_BESIDE)[number];
/** Gas on the tongue. */
export const PRICKLES = ['strong', 'some', 'none'] as const;
export type Prickle = (typeof PRICKLES)[number];
/** Gates that a maker's word may open: nobody is hurt by a haze, or by a little gas before fining. */
export const GATES_BY_WORD = ['clear', 'degassed'] as const;
export type GateByWord = (typeof GATES_BY_WORD)[number];
/** What becomes of a bottle. */
export const BOTTLE_ENDS = ['opened', 'given', 'broken'] as const;
export type BottleEnd = (typeof BOTTLE_ENDS)[number];
/** What clears a mead, and the enzyme that lets it; none of it stays in measurably. */
export const FINING_IDS = [
  'bentonite',
  'chitosan',
  'kieselsol',
  'gelatin',
  'isinglass',
  'egg white',
  'casein',
  'carbon',
  'pectic enzyme',
  'other',
] as const;
export type FiningId = (typeof FINING_IDS)[number];
export type Bottles = readonly { readonly sizeMl: number; readonly count: number }[];
