export * from './assumptions.ts';
export * from './check.ts';
export * from './events.ts';
export * from './figures.ts';
export * from './fold.ts';
export * from './honey.ts';
export * from './ledger.ts';
export * from './salts.ts';
