export * from './float.ts';
export * from './forecastStudy.ts';
export * from './play.ts';
export * from './stalls.ts';
export * from './stallStudy.ts';
export * from './world.ts';
