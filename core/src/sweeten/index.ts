export * from './sweeten.ts';
export * from './working.ts';
