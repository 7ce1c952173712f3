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
  'vented',
  'pectin',
  'no pectin',
  'next time',
  'verdict',
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
export const BOTTLE_ENDS = ['opened', 'given', 'broken', 'burst', 'gushed', 'leaked'] as const;
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
/** What mead is closed into. */
export const CONTAINER_IDS = ['wine', 'used beer', 'new beer', 'sparkling', 'swing-top', 'plastic', 'other', 'keg'] as const;
export type ContainerId = (typeof CONTAINER_IDS)[number];
export const CLOSURE_IDS = ['cork', 'screw cap', 'crown cap', 'swing-top', 'wired cork', 'lid'] as const;
export type ClosureId = (typeof CLOSURE_IDS)[number];
/** What makes the gas in a closed bottle. */
export const PRIMING_IDS = ['sucrose', 'dextrose anhydrous', 'dextrose monohydrate', 'honey', 'juice'] as const;
export type PrimingId = (typeof PRIMING_IDS)[number];
/** Bottles of one kind, filled at one time. Of those written down long ago only the size is known. */
export interface BottleRow {
  sizeMl: number;
  count: number;
  kind?: ContainerId | undefined;
  closure?: ClosureId | undefined;
  /** What its maker says that it bears, volumes of CO2. */
  ratedVolumes?: number | undefined;
  /** Of the priming sugar, into each. */
  primeG?: number | undefined;
  lotId?: string | undefined;
  closureLotId?: string | undefined;
}
/** Priming sugar in a mead. `fermentable` is the share of honey or juice that is sugar; of a sugar its kind says so. */
export interface Priming {
  what: PrimingId;
  fermentable?: number | undefined;
  gPerL: number;
}
/** How a mead drinks, by who tasted it. */
export const DRINKS = ['too young', 'ready', 'at its best', 'fading', 'gone'] as const;
export type Drinks = (typeof DRINKS)[number];
/** What a sheet asks of a tasting. */
export const SHEET_PARTS = ['look', 'nose', 'taste', 'acid', 'sweet', 'body', 'finish'] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];
