export * from './root.ts';
