/* Musts of which everything is known, and floats in them, to hold diagnosis and forecast to account. */
export { FLOAT_STORIES, USUAL_WRONGS, floatReadings } from './float.ts';
export type { FloatStory } from './float.ts';
export { probeReadings } from './probe.ts';
export { forecastStudy } from './forecastStudy.ts';
export type { ForecastStudy } from './forecastStudy.ts';
export { stallStudy } from './stallStudy.ts';
export { stallCases } from './stalls.ts';
