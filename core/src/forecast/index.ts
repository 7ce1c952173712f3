export * from './ensemble.ts';
export * from './fromLedger.ts';
export * from './model.ts';
export * from './whatIf.ts';
