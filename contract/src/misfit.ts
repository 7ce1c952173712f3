import { MOMENT_LIMITS, ruleBroken } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';

/** Where a value does not fit, and what is wrong there, as a sentence. */
export interface Misfit {
  path: readonly (string | number)[];
  says: string;
}

const UUID = /^[0-9a-f]{8}-(?:[0-9a-f]{4}-){3}[0-9a-f]{12}$/i;
const DAY = /^\d{4}-(?:0[1-9]|1[0-2])-(?:0[1-9]|[12]\d|3[01])$/;

const isObject = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

function numberMisfit({ low, high, whole, above, whenLow, whenHigh }: Extract<Shape, { is: 'number' }>, value: unknown): string | null {
  if (typeof value !== 'number' || !Number.isFinite(value)) return 'A number is wanted.';
  if (whole && !Number.isInteger(value)) return 'It is counted in whole ones.';
  const between = `It must lie ${above ? 'above' : 'between'} ${low} and ${above ? 'be at most ' : ''}${high}.`;
  if (value < low || (above && value === low)) return whenLow ?? between;
  return value > high ? (whenHigh ?? between) : null;
}

function textMisfit({ mayBeBlank, most, whenMissing, whenLong }: Extract<Shape, { is: 'text' }>, value: unknown): string | null {
  if (typeof value !== 'string') return whenMissing ?? 'Words are wanted.';
  const { length } = value.trim();
  if (length === 0 && !mayBeBlank) return whenMissing ?? 'Something has to stand here.';
  return length > most ? (whenLong ?? `At most ${most} letters fit here.`) : null;
}

function listMisfit({ each, least, most, whenFew, whenMany }: Extract<Shape, { is: 'list' }>, value: unknown): Misfit | null {
  if (!Array.isArray(value)) return { path: [], says: 'A list is wanted.' };
  if (value.length < least) return { path: [], says: whenFew ?? `At least ${least} must be listed.` };
  if (value.length > most) return { path: [], says: whenMany ?? `At most ${most} can be listed.` };
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
  if (!isObject(value)) return here('Something with named parts is wanted.');
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
      return here(shape.values.includes(value) ? null : `It must be ${shape.values.join(', ')}.`);
    case 'list':
      return listMisfit(shape, value);
    case 'id':
      return here(typeof value === 'string' && UUID.test(value) ? null : 'An id is wanted.');
    case 'moment': {
      const { low, high } = MOMENT_LIMITS;
      return here(
        Number.isInteger(value) && Number(value) >= low && Number(value) <= high ? null : 'A moment is wanted, between 2000 and 2200.',
      );
    }
    case 'day':
      return here(typeof value === 'string' && DAY.test(value) && !Number.isNaN(Date.parse(value)) ? null : shape.says);
    case 'instant':
      return here(
        typeof value === 'string' && /T.*(?:Z|[+-]\d\d:\d\d)$/.test(value) && !Number.isNaN(Date.parse(value)) ? null : shape.says,
      );
    case 'flag':
      return here(typeof value === 'boolean' ? null : 'Yes or no is wanted.');
    case 'nullable':
      return value === null ? null : misfitOf(shape.of, value);
    case 'either': {
      const misfits = shape.of.map((each) => misfitOf(each, value));
      return misfits.includes(null) ? null : (misfits[0] ?? null);
    }
    case 'kinds': {
      const of = isObject(value) ? shape.of[String(value['kind'])] : undefined;
      return of === undefined ? { path: ['kind'], says: shape.says } : misfitOf(of, value);
    }
    case 'tuple':
      if (!Array.isArray(value) || value.length !== shape.each.length) return here(`${shape.each.length} values are wanted.`);
      return first(shape.each, (each, i) => under(i, misfitOf(each, value[i])));
    case 'own':
      return here(value !== undefined && value !== null ? null : `What is wanted is ${shape.says}.`);
    case 'record':
      return recordMisfit(shape, value);
  }
}
