export * from './causes.ts';
export * from './cures.ts';
export { cureUnderWay } from './cureUnderWay.ts';
export * from './evidence.ts';
export * from './starter.ts';
export * from './verdict.ts';
