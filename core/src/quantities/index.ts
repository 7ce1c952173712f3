export * from './immutable.ts';
export * from './range.ts';
export * from './refusal.ts';
export * from './sentence.ts';
export * from './time.ts';
export * from './typed.ts';
export * from './units.ts';
export * from './working.ts';
