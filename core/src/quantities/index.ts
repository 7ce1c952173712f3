/* Units, what is typed into a field, ranges, limits and shapes, and sentences with quantities in them. */
export { daysBefore, isDay, momentOf, wallTime } from './clock.ts';
export type { Immutable } from './immutable.ts';
export { READING_LIMITS, SG_RANGE } from './limits.ts';
export type { Limits } from './limits.ts';
export { RANGE_SD, exactly, isRough, propagate, within } from './range.ts';
export type { Ranged } from './range.ts';
export { Refusal, requireWithin } from './refusal.ts';
export {
  abvPct,
  bottleMl,
  brix,
  day as onDay,
  degrees,
  gPerL,
  gravity,
  hours,
  massG,
  mgPerL,
  mm,
  percent,
  phValue,
  plainly,
  points,
  say,
  teaspoons,
  tempC,
  verdict,
  volumeL,
  volumes,
  when,
} from './sentence.ts';
export type { Quantity, Sentence, Verdict, Weight } from './sentence.ts';
export {
  MOMENT_LIMITS,
  choice,
  day,
  either,
  flag,
  id,
  instant,
  isKeepable,
  keepable,
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
export type { Fit, RecordShape, Shape } from './shape.ts';
export { DAY_MS, HOUR_MS, MINUTE_MS, MONTH_MS } from './time.ts';
export {
  FIELD_KINDS,
  TypedRefusal,
  meantSg,
  readBrix,
  readField,
  readMassG,
  readNumber,
  readPh,
  readSg,
  readTempC,
  readVolumeL,
  takeFigure,
  takeMeasure,
  takeParts,
  tidied,
} from './typed/index.ts';
export type { FieldKind, Offer, TypedBy } from './typed/index.ts';
export {
  GRAMS_PER,
  LITERS_PER,
  SCALES_G,
  SHOWN_UNITS,
  UNIT_SYMBOL,
  celsiusToF,
  massFromG,
  tempToC,
  volumeFromL,
  weighedG,
} from './units.ts';
export type { MassUnit, ScaleG, TempUnit, UnitSystem, VolumeUnit } from './units.ts';
export type { Working } from './working.ts';
