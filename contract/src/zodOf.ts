import { MOMENT_LIMITS, ruleBroken } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { z } from 'zod';

function numberOf({ low, high, whole, above, whenLow, whenHigh }: Extract<Shape, { is: 'number' }>): z.ZodNumber {
  const number = whole ? z.number().int() : z.number();
  return (above ? number.gt(low, whenLow) : number.min(low, whenLow)).max(high, whenHigh);
}

function objectOf({ fields }: Extract<Shape, { is: 'record' }>, isStrict: boolean, kind?: string): z.ZodObject {
  const named = Object.entries(fields).map(([name, field]): [string, z.ZodType] => [
    name,
    'maybe' in field ? schemaOf(field.maybe, isStrict).optional() : schemaOf(field, isStrict),
  ]);
  const all = Object.fromEntries(kind === undefined ? named : [['kind', z.literal(kind)], ...named]);
  return isStrict ? z.strictObject(all) : z.object(all);
}

const keepingRules = (schema: z.ZodType, shape: Extract<Shape, { is: 'record' }>): z.ZodType =>
  schema.superRefine((value, context) => {
    const message = ruleBroken(shape, value);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });

function schemaOf(shape: Shape, isStrict: boolean): z.ZodType {
  switch (shape.is) {
    case 'number':
      return numberOf(shape);
    case 'text': {
      const text = z.string().trim().max(shape.most, shape.whenLong);
      return shape.mayBeBlank ? text : text.min(1, shape.whenMissing);
    }
    case 'known':
      return z.string().refine(shape.isKnown, shape.says);
    case 'choice':
      return z.literal(shape.values as readonly (string | number)[]);
    case 'list':
      return z.array(schemaOf(shape.each, isStrict)).min(shape.least, shape.whenFew).max(shape.most, shape.whenMany);
    case 'id':
      return z.uuid();
    case 'moment':
      return z.number().int().min(MOMENT_LIMITS.low).max(MOMENT_LIMITS.high);
    case 'day':
      return z.iso.date(shape.says);
    case 'instant':
      return z.iso.datetime({ offset: true, error: shape.says });
    case 'flag':
      return z.boolean();
    case 'nullable':
      return schemaOf(shape.of, isStrict).nullable();
    case 'either':
      return z.union(shape.of.map((each) => schemaOf(each, isStrict)));
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
      return z.tuple(shape.each.map((each) => schemaOf(each, isStrict)) as [z.ZodType, ...z.ZodType[]]);
    case 'own':
      return z.custom((value) => value !== undefined && value !== null).meta({ type: 'object', description: shape.says });
    case 'record':
      return keepingRules(objectOf(shape, isStrict), shape);
  }
}

/** What may be sent, as a schema for the server’s door: nothing more than the shape asks for. */
export const bodySchema = <T>(shape: Shape<T>): z.ZodType<T> => schemaOf(shape, true) as z.ZodType<T>;
/** What is answered: more than the shape asks for is left out. */
export const answerSchema = <T>(shape: Shape<T>): z.ZodType<T> => schemaOf(shape, false) as z.ZodType<T>;
