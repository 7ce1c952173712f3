export * from './doubts.ts';
export * from './finish.ts';
export * from './glass.ts';
export * from './readingGap.ts';
export * from './stabilized.ts';
export * from './stall/index.ts';
export * from './state.ts';
export * from './stillness.ts';
