import type { Ingredient, Stage } from '../ingredients/index.ts';
import type { Vessel } from '../vessel/index.ts';
import type { OwnYeast } from '../yeast/index.ts';

export type FruitForm = 'fresh' | 'frozen' | 'purée';
/** How an amount moves when the must is solved: with the other free ones, not at all, or with the volume. */
type Lock = 'free' | 'mass' | 'perLiter';

export interface PlannedIngredient extends Ingredient {
  /** Stable within the plan. */
  id: string;
  massG: number;
  stage: Stage;
  lock: Lock;
  /** With `perLiter`: g per liter of must at the pitch. */
  gPerL?: number | undefined;
  form?: FruitForm | undefined;
  /** Whether it holds sorbate, benzoate or much sulfite; undefined until somebody read the label. */
  preserved?: boolean | undefined;
  /** In a bag that comes out after this many days. */
  bagDays?: number | undefined;
  pricePerKg?: number | undefined;
  lotId?: string | undefined;
}

/** What may be held fixed. `abv` and `sweetnessGPerL` are what the yeast ends with; `rackedL` is what is left after the lees. */
export interface Holds {
  volumeL?: number | undefined;
  rackedL?: number | undefined;
  og?: number | undefined;
  abv?: number | undefined;
  sweetnessGPerL?: number | undefined;
  honeyG?: number | undefined;
  waterL?: number | undefined;
  cost?: number | undefined;
}
export type Hold = keyof Holds;

export interface PlannedLosses {
  /** Share of the mead that stays with the lees. */
  leesShare: number;
  /** Drawn for readings and tasting. */
  samplesL: number;
}

/** What the maker means to do, before it is poured. */
export interface MustPlan {
  ingredients: PlannedIngredient[];
  waterL: number;
  yeastId: string;
  own?: OwnYeast | undefined;
  yeastLotId?: string | undefined;
  vessel: Vessel;
  roomTempC: number;
  losses: PlannedLosses;
  /** Yeast, nutrients, corks: what is paid beside the ingredients. */
  otherCost: number;
  wanted: Holds;
  /** So much of the water is poured only after so many days, once the first foam is over. */
  heldBack?: { waterL: number; days: number } | undefined;
  /** Two free honeys may change their ratio, so that a third thing can be held. */
  ratioFree?: boolean | undefined;
}

/** Of a 5 L jug the lees take some 6 cm³ in a hundred, and readings a glass (our estimate; the maker's own comes first). */
export const USUAL_LOSSES: PlannedLosses = { leesShare: 0.06, samplesL: 0.2 };

/** The plan without the water that is held back: what is mixed on the brew day. */
export const asMixed = (plan: MustPlan): MustPlan =>
  plan.heldBack === undefined ? plan : { ...plan, waterL: Math.max(0, plan.waterL - plan.heldBack.waterL), heldBack: undefined };

export const honeysOf = (plan: Pick<MustPlan, 'ingredients'>): PlannedIngredient[] =>
  plan.ingredients.filter((ingredient) => ingredient.family === 'honey');

export const totalG = (ingredients: readonly PlannedIngredient[]): number =>
  ingredients.reduce((sum, ingredient) => sum + ingredient.massG, 0);
