export * from './batches.ts';
export * from './calendar.ts';
export * from './events.ts';
export * from './ingredients.ts';
export * from './practice.ts';
export * from './shelf.ts';
export * from './shown.ts';
