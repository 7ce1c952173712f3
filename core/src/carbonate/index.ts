export * from './gas.ts';
