export * from './causes.ts';
export * from './cures.ts';
export * from './evidence.ts';
export * from './verdict.ts';
