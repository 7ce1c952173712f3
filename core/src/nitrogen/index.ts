/* Nitrogen: what can be fed, what a gram of it brings, and how much a must needs. */
export { DAP_CAP_G_PER_L, HONEY_NITROGEN, N_PER_SUGAR, grapeMustNitrogenMgPerL, nitrogenNeedMgPerL, nitrogenNeedRange } from './need.ts';
export {
  LEAST_DOSE_G,
  checkProduct,
  countedMgPerG,
  fedEvent,
  gPerTeaspoonOf,
  nitrogenMgPerG,
  productCaution,
  productKey,
  productName,
  teaspoonsOf,
} from './products.ts';
export type { Product } from './products.ts';
