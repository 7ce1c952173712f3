export * from './sweeten.ts';
