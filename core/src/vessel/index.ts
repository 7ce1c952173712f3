export * from './fill.ts';
export * from './shape.ts';
export * from './stock.ts';
