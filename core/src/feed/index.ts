export { compareSchools } from './compare.ts';
export { doseFor } from './doseFor.ts';
export { doseNowMg, isComing, weighedParts } from './doseNow.ts';
export type { DoseNow, PartNow } from './doseNow.ts';
export { feedingFaults } from './faults.ts';
export { DAP_CAP_G_PER_L, HONEY_NITROGEN, N_PER_SUGAR } from './need.ts';
export { workOutFeeding } from './optimize.ts';
export type { Bound, FeedingWish, Stocked } from './optimize.ts';
export { USUAL_BREAK_H, USUAL_TEMP_C, expectedAt, paceOf, usualBreakH } from './pace.ts';
export { HIGHEST_PH, baseAsSalt, baseFromPoints, baseFromTrial } from './ph.ts';
export type { BaseDose } from './ph.ts';
export {
  LEAST_DOSE_G,
  checkProduct,
  countedMgPerG,
  fedEvent,
  gPerTeaspoonOf,
  nitrogenMgPerG,
  productCaution,
  productName,
  teaspoonsOf,
} from './products.ts';
export type { Product } from './products.ts';
export { feedingNow } from './progress.ts';
export type { FeedingNow } from './progress.ts';
export { ammoniumCapMgPerL, checkDoses, feedingPlanOf, mustNitrogenOf, toFeedOf } from './schedule.ts';
export type { FeedingPlan, FeedingPractice } from './schedule.ts';
export { AMMONIUM_CUTOFF_ABV, FIRST_AMMONIUM_H, SCHOOLS, SCHOOL_IDS, THIRD_BREAK, readDoseHours } from './schools.ts';
export type { SchoolId } from './schools.ts';
export { WARM_C_A_DAY, smellCauses, smellsOfSulfur } from './smell.ts';
export type { SmellCause } from './smell.ts';
export { nitrogenStaircase } from './staircase.ts';
export type { Mark, Stair, Staircase } from './staircase.ts';
export { TOO_LATE_SHARE, shareSeenAt } from './timetable.ts';
export { feedingWorkings } from './working.ts';
