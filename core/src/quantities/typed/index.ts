export { readMassG, readVolumeL, takeParts } from './amounts.ts';
export type { TypedBy } from './amounts.ts';
export { FIELD_KINDS, readField } from './fields.ts';
export type { FieldKind } from './fields.ts';
export { takeFigure, tidied } from './figures.ts';
export { TypedRefusal } from './refused.ts';
export type { Offer } from './refused.ts';
export { meantSg, readBrix, readNumber, readPh, readSg, readTempC } from './scales.ts';
export { takeMeasure } from './units.ts';
