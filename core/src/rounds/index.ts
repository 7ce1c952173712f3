export * from './asks.ts';
