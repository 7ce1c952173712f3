/* What a batch is doing: where it should end and whether it has, where it stands, why it stands still, and whether glass may be closed on it. */
export * from './doubts.ts';
export * from './finish.ts';
export * from './glass.ts';
export * from './phases.ts';
export * from './readingGap.ts';
export * from './stabilized.ts';
export * from './stall/index.ts';
export * from './state.ts';
export * from './stillness.ts';
