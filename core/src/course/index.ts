/* The course of a fermentation: one law, and what the readings leave possible of it. */
export { courseFrom, expectedAt, expectedShare, expectedShares, whenGone } from './course.ts';
export type { Course } from './course.ts';
export { DRIFT_SD_C, END_WITHIN_G_PER_L, forecast } from './ensemble.ts';
export type { Forecast, ForecastInput } from './ensemble.ts';
export { forecastInputOf } from './fromLedger.ts';
export type { AnnouncedPour } from './fromLedger.ts';
export { ABV_PER_SUGAR, ferment, gridOf, sugarBasisAt } from './model.ts';
export type { Kinetics, Pulse, Setting } from './model.ts';
