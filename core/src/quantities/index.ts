export { daysBefore, isDay, momentOf, wallTime } from './clock.ts';
export type { WallTime } from './clock.ts';
export * from './immutable.ts';
export { READING_LIMITS, SG_RANGE } from './limits.ts';
export type { Limits } from './limits.ts';
export * from './range.ts';
export * from './refusal.ts';
export * from './sentence.ts';
export {
  MOMENT_LIMITS,
  choice,
  day,
  either,
  flag,
  id,
  instant,
  kinds,
  known,
  list,
  maybe,
  moment,
  nameShape,
  number,
  numberAbove,
  orNull,
  own,
  record,
  ruleBroken,
  text,
  textOrNone,
  tuple,
  whole,
} from './shape.ts';
export type { Field, Fields, Fit, FitOf, Maybe, RecordShape, Shape } from './shape.ts';
export * from './time.ts';
export {
  FIELD_KINDS,
  TypedRefusal,
  meantSg,
  takeFigure,
  takeMeasure,
  takeParts,
  tidied,
  readBrix,
  readField,
  readMassG,
  readNumber,
  readPh,
  readPlain,
  readSg,
  readTempC,
  readVolumeL,
} from './typed/index.ts';
export type { FieldKind, FieldWish, Offer, TypedBy } from './typed/index.ts';
export * from './units.ts';
export * from './working.ts';
