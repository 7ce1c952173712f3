import { MOMENT_LIMITS, isKeepable, ruleBroken } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { SAYS } from './says.ts';

/** Where a value does not fit, and what is wrong there, as a sentence. */
export interface Misfit {
  path: readonly (string | number)[];
  says: string;
}

const UUID = /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/i;
const DAY = /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

function numberMisfit(shape: Extract<Shape, { is: 'number' }>, value: unknown): string | null {
  const { low, high, whole, above, whenLow, whenHigh } = shape;
  if (typeof value !== 'number' || !Number.isFinite(value)) return SAYS.number;
  if (whole && !Number.isInteger(value)) return SAYS.whole;
  if (value < low || (above && value === low)) return whenLow ?? SAYS.between(shape);
  return value > high ? (whenHigh ?? SAYS.between(shape)) : null;
}

function textMisfit({ mayBeBlank, most, whenMissing, whenLong }: Extract<Shape, { is: 'text' }>, value: unknown): string | null {
  if (typeof value !== 'string') return whenMissing ?? SAYS.words;
  const { length } = value.trim();
  if (length === 0 && !mayBeBlank) return whenMissing ?? SAYS.blank;
  if (!isKeepable(value)) return SAYS.unkeepable;
  return length > most ? (whenLong ?? SAYS.long(most)) : null;
}

function listMisfit({ each, least, most, whenFew, whenMany }: Extract<Shape, { is: 'list' }>, value: unknown): Misfit | null {
  if (!Array.isArray(value)) return { path: [], says: SAYS.list };
  if (value.length < least) return { path: [], says: whenFew ?? SAYS.few(least) };
  if (value.length > most) return { path: [], says: whenMany ?? SAYS.many(most) };
  return first(value, (part, i) => under(i, misfitOf(each, part)));
}

/** The first that is wrong; values themselves may be null. */
function first<T>(values: readonly T[], ask: (value: T, i: number) => Misfit | null): Misfit | null {
  for (const [i, value] of values.entries()) {
    const found = ask(value, i);
    if (found !== null) return found;
  }
  return null;
}

const under = (step: string | number, misfit: Misfit | null): Misfit | null =>
  misfit === null ? null : { ...misfit, path: [step, ...misfit.path] };
const here = (says: string | null): Misfit | null => (says === null ? null : { path: [], says });

function recordMisfit(shape: Extract<Shape, { is: 'record' }>, value: unknown): Misfit | null {
  if (!isObject(value)) return here(SAYS.parts);
  const wrong = first(Object.entries(shape.fields), ([name, field]) => {
    const given = value[name];
    if ('maybe' in field) return given === undefined ? null : under(name, misfitOf(field.maybe, given));
    return under(name, misfitOf(field, given));
  });
  return wrong ?? here(ruleBroken(shape, value));
}

/** What keeps a value from fitting a shape; null where it fits. More than the shape asks for does no harm. */
export function misfitOf(shape: Shape, value: unknown): Misfit | null {
  switch (shape.is) {
    case 'number':
      return here(numberMisfit(shape, value));
    case 'text':
      return here(textMisfit(shape, value));
    case 'known':
      return here(typeof value === 'string' && shape.isKnown(value) ? null : shape.says);
    case 'choice':
      return here(shape.values.includes(value) ? null : SAYS.choice(shape.values));
    case 'list':
      return listMisfit(shape, value);
    case 'id':
      return here(typeof value === 'string' && UUID.test(value) ? null : SAYS.id);
    case 'moment': {
      const { low, high } = MOMENT_LIMITS;
      return here(Number.isInteger(value) && Number(value) >= low && Number(value) <= high ? null : SAYS.moment);
    }
    case 'day':
      return here(typeof value === 'string' && DAY.test(value) && !Number.isNaN(Date.parse(value)) ? null : shape.says);
    case 'instant':
      return here(
        typeof value === 'string' && /T.*(?:Z|[+-]\d\d:\d\d)$/.test(value) && !Number.isNaN(Date.parse(value)) ? null : shape.says,
      );
    case 'flag':
      return here(typeof value === 'boolean' ? null : SAYS.flag);
    case 'nullable':
      return value === null ? null : misfitOf(shape.of, value);
    case 'either': {
      const misfits = shape.of.map((each) => misfitOf(each, value));
      return misfits.includes(null) ? null : (misfits[0] ?? null);
    }
    case 'kinds': {
      const kind = isObject(value) ? String(value['kind']) : '';
      const of = Object.hasOwn(shape.of, kind) ? shape.of[kind] : undefined;
      return of === undefined ? { path: ['kind'], says: shape.says } : misfitOf(of, value);
    }
    case 'tuple':
      if (!Array.isArray(value) || value.length !== shape.each.length) return here(SAYS.values(shape.each.length));
      return first(shape.each, (each, i) => under(i, misfitOf(each, value[i])));
    case 'own':
      return here(value !== undefined && value !== null ? null : SAYS.own(shape.says));
    case 'record':
      return recordMisfit(shape, value);
  }
}
