export { FLOAT_STORIES, USUAL_WRONGS, floatReadings } from './float.ts';
export type { FloatStory } from './float.ts';
export { forecastStudy } from './forecastStudy.ts';
export type { ForecastStudy } from './forecastStudy.ts';
export { stallStudy } from './stallStudy.ts';
export { stallCases } from './stalls.ts';
