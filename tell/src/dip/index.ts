export { DipAsk } from './ask.ts';
export type { Candidate } from './ask.ts';
export type { DipContext, DipReading } from './context.ts';
export { readDipLine } from './line.ts';
export { takeBatchName } from './names.ts';
export { chemicalProduct, commonProducts, ingredientProduct, nutrientProduct, yeastProduct } from './products.ts';
export type { DipProduct } from './products.ts';
export { readWhen } from './time.ts';
