/* What things are made of, and what a mass of each brings. */
export {
  HELD_BACK_G_PER_G,
  INSOLUBLE_KG_PER_L,
  OTHER_FAMILIES,
  STAGES,
  broughtBy,
  checkComposition,
  drippingRange,
  honeyComposition,
  juiceComposition,
  waterShare,
} from './composition.ts';
export type { Composition, Family, Ingredient, Stage, StyleMark, Trait } from './composition.ts';
export { kgPerL, pieceG } from './measures.ts';
export { HONEY_MOISTURE, MEAN_HONEY, honeyBrings, honeyName } from './honey.ts';
export { compositionShape, familyShape, styleMarkShape, traitsShape } from './shape.ts';
export { INGREDIENTS, SOURCE_NAMES, referenceIngredient } from './table.ts';
export type { ReferenceIngredient } from './table.ts';
