export * from './batches.ts';
export * from './events.ts';
export * from './practice.ts';
