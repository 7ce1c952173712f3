export * from './adjust.ts';
export * from './ethanol.ts';
export * from './fermentation.ts';
export * from './hydrometer.ts';
export * from './mixture.ts';
export * from './sucrose.ts';
export * from './water.ts';
