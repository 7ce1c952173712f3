import { Refusal } from '../quantities/index.ts';
import type { Ranged } from '../quantities/index.ts';

/** `unknown` where the packet does not say. */
export type NitrogenDemand = 'low' | 'medium' | 'high' | 'unknown';

/** A kind of yeast with honest ranges. The packet's own figures come first where the maker has them. */
export interface YeastType {
  id: string;
  name: string;
  /** % vol at which it gives up, with the range within which it does four times out of five. */
  toleranceAbv: Ranged;
  tempC: { low: number; high: number };
  demand: NitrogenDemand;
  /** Below this pH it labors. */
  phFloor: number;
  foaming: 'little' | 'much';
}

/** What a packet says of its own yeast; it comes before the type's figures. */
type OwnFigure = 'name' | 'toleranceAbv' | 'tempC' | 'demand' | 'phFloor';
export type OwnYeast = { [F in OwnFigure]?: YeastType[F] | undefined };

/** Neutral types; all figures are our estimates from what packets of each kind usually promise. */
export const YEAST_TYPES: readonly YeastType[] = [
  {
    id: 'ale',
    name: 'ale type',
    toleranceAbv: { value: 10, low: 9, high: 11.5 },
    tempC: { low: 16, high: 22 },
    demand: 'medium',
    phFloor: 3.2,
    foaming: 'much',
  },
  {
    id: 'white',
    name: 'aromatic white-wine type',
    toleranceAbv: { value: 13, low: 12, high: 14.5 },
    tempC: { low: 14, high: 20 },
    demand: 'high',
    phFloor: 3.2,
    foaming: 'much',
  },
  {
    id: 'allround',
    name: 'even-tempered wine type',
    toleranceAbv: { value: 14, low: 13, high: 15 },
    tempC: { low: 15, high: 25 },
    demand: 'medium',
    phFloor: 3.1,
    foaming: 'little',
  },
  {
    id: 'strong',
    name: 'strong wine type',
    toleranceAbv: { value: 16.5, low: 15, high: 18 },
    tempC: { low: 18, high: 26 },
    demand: 'high',
    phFloor: 3.1,
    foaming: 'much',
  },
  {
    id: 'sparkling',
    name: 'cold-hardy sparkling type',
    toleranceAbv: { value: 17.5, low: 16.5, high: 18.5 },
    tempC: { low: 10, high: 28 },
    demand: 'low',
    phFloor: 3.0,
    foaming: 'little',
  },
];

/** Every type's name on record. */
const YEAST_IDS = YEAST_TYPES.map(({ id }) => id);
export const isYeastId = (id: string): boolean => YEAST_IDS.includes(id);

/** The type with this id; throws Refusal for an unknown id. */
export function yeastType(id: string): YeastType {
  const found = YEAST_TYPES.find((type) => type.id === id);
  if (found === undefined) throw new Refusal(`“${id}” is no yeast type of this program.`);
  return found;
}

/** The yeast of a plan or a pitch: its type, with the packet's own figures in place of the type's. */
export function yeastOf({ yeastId, own }: { yeastId: string; own?: OwnYeast | undefined }): YeastType {
  const type = yeastType(yeastId);
  if (own === undefined) return type;
  return {
    ...type,
    name: own.name ?? type.name,
    toleranceAbv: own.toleranceAbv ?? type.toleranceAbv,
    tempC: own.tempC ?? type.tempC,
    demand: own.demand ?? type.demand,
    phFloor: own.phFloor ?? type.phFloor,
  };
}

/**
 * Dry yeast to pitch, g: 0.5 g/L up to SG 1.100, rising to 1 g/L at 1.130 and no further (trade habit, our straight line between).
 */
export function yeastToPitchG(volumeL: number, og: number): number {
  const strength = Math.min(1, Math.max(0, (og - 1.1) / 0.03));
  return volumeL * (0.5 + 0.5 * strength);
}
