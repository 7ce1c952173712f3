export * from './dipLine.ts';
export * from './finish.ts';
export * from './state.ts';
