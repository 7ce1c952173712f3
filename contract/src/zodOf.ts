import { MOMENT_LIMITS, isKeepable, ruleBroken } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { z } from 'zod';
import { misfitOf } from './misfit.ts';
import { SAYS } from './says.ts';

function numberOf(shape: Extract<Shape, { is: 'number' }>): z.ZodNumber {
  const { low, high, whole, above, whenLow, whenHigh } = shape;
  const number = whole ? z.number(SAYS.number).int(SAYS.whole) : z.number(SAYS.number);
  const [low_, high_] = [whenLow ?? SAYS.between(shape), whenHigh ?? SAYS.between(shape)];
  return (above ? number.gt(low, low_) : number.min(low, low_)).max(high, high_);
}

function objectOf({ fields }: Extract<Shape, { is: 'record' }>, isStrict: boolean, kind?: string): z.ZodObject {
  const named = Object.entries(fields).map(([name, field]): [string, z.ZodType] => [
    name,
    'maybe' in field ? schemaOf(field.maybe, isStrict).optional() : schemaOf(field, isStrict),
  ]);
  const all = Object.fromEntries(kind === undefined ? named : [['kind', z.literal(kind)], ...named]);
  const error = (issue: { code?: string; keys?: string[] }): string =>
    issue.code === 'unrecognized_keys' ? SAYS.unknown(issue.keys ?? []) : SAYS.parts;
  return isStrict ? z.strictObject(all, { error }) : z.object(all, { error });
}

const keepingRules = (schema: z.ZodType, shape: Extract<Shape, { is: 'record' }>): z.ZodType =>
  schema.superRefine((value, context) => {
    const message = ruleBroken(shape, value);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });

/** Each shape's schema, strict and not, made once: both cellars are served by the same. */
const made = { strict: new WeakMap<Shape, z.ZodType>(), open: new WeakMap<Shape, z.ZodType>() };

function schemaOf(shape: Shape, isStrict: boolean): z.ZodType {
  const known = isStrict ? made.strict : made.open;
  const schema = known.get(shape) ?? newSchema(shape, isStrict);
  known.set(shape, schema);
  return schema;
}

function newSchema(shape: Shape, isStrict: boolean): z.ZodType {
  switch (shape.is) {
    case 'number':
      return numberOf(shape);
    case 'text': {
      const words = z.string(shape.whenMissing ?? SAYS.words).refine(isKeepable, SAYS.unkeepable);
      const text = words.trim().max(shape.most, shape.whenLong ?? SAYS.long(shape.most));
      return shape.mayBeBlank ? text : text.min(1, shape.whenMissing ?? SAYS.blank);
    }
    case 'known':
      return z.string(shape.says).refine(shape.isKnown, shape.says);
    case 'choice':
      return z.literal(shape.values as readonly (string | number)[], SAYS.choice(shape.values));
    case 'list':
      return z
        .array(schemaOf(shape.each, isStrict), SAYS.list)
        .min(shape.least, shape.whenFew ?? SAYS.few(shape.least))
        .max(shape.most, shape.whenMany ?? SAYS.many(shape.most));
    case 'id':
      return z.uuid(SAYS.id);
    case 'moment':
      return z.number(SAYS.moment).int(SAYS.moment).min(MOMENT_LIMITS.low, SAYS.moment).max(MOMENT_LIMITS.high, SAYS.moment);
    case 'day':
      return z.iso.date(shape.says);
    case 'instant':
      return z.iso.datetime({ offset: true, error: shape.says });
    case 'flag':
      return z.boolean(SAYS.flag);
    case 'nullable':
      return schemaOf(shape.of, isStrict).nullable();
    case 'either':
      return z.union(
        shape.of.map((each) => schemaOf(each, isStrict)),
        { error: ({ input }) => misfitOf(shape, input)?.says },
      );
    case 'kinds': {
      const { of, says } = shape;
      const branches = Object.entries(of).map(([kind, each]) => objectOf(each, isStrict, kind));
      const union = z.discriminatedUnion('kind', branches as [z.ZodObject, ...z.ZodObject[]], says);
      return union.superRefine((value, context) => {
        const each = of[String((value as { kind: unknown }).kind)];
        const message = each === undefined ? null : ruleBroken(each, value);
        if (message !== null) context.addIssue({ code: 'custom', message });
      });
    }
    case 'tuple':
      return z.tuple(shape.each.map((each) => schemaOf(each, isStrict)) as [z.ZodType, ...z.ZodType[]], SAYS.values(shape.each.length));
    case 'own':
      return z
        .custom((value) => value !== undefined && value !== null, SAYS.own(shape.says))
        .meta({ type: 'object', description: shape.says });
    case 'record':
      return keepingRules(objectOf(shape, isStrict), shape);
  }
}

/** What may be sent, as a schema for the server’s door: nothing more than the shape asks for. */
export const bodySchema = <T>(shape: Shape<T>): z.ZodType<T> => schemaOf(shape, true) as z.ZodType<T>;
/** What is answered: more than the shape asks for is left out. */
export const answerSchema = <T>(shape: Shape<T>): z.ZodType<T> => schemaOf(shape, false) as z.ZodType<T>;
