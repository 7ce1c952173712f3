/* Where a ferment is heading: a kinetic model, and an ensemble of it weighed by the readings. */
export { DRIFT_SD_C, END_WITHIN_G_PER_L, forecast } from './ensemble.ts';
export type { Forecast, ForecastInput } from './ensemble.ts';
export { forecastInputOf } from './fromLedger.ts';
export { ABV_PER_SUGAR, ferment, gridOf } from './model.ts';
export type { Course, Kinetics } from './model.ts';
export { WARMER_C, askWhatIf, dosesAhead, gravityFan } from './whatIf.ts';
export type { FanPoint, WhatIf } from './whatIf.ts';
