import { MOMENT_LIMITS, ruleBroken } from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { z } from 'zod';

function numberOf({ low, high, whole, above }: Extract<Shape, { is: 'number' }>): z.ZodNumber {
  const number = whole ? z.number().int() : z.number();
  return (above ? number.gt(low) : number.min(low)).max(high);
}

function schemaOf(shape: Shape): z.ZodType {
  switch (shape.is) {
    case 'number':
      return numberOf(shape);
    case 'text':
      return z.string().trim().min(1, shape.whenMissing).max(shape.most, shape.whenLong);
    case 'known':
      return z.string().refine(shape.isKnown, shape.says);
    case 'choice':
      return z.literal(shape.values as readonly (string | number)[]);
    case 'list':
      return z.array(schemaOf(shape.each)).min(shape.least).max(shape.most);
    case 'id':
      return z.uuid();
    case 'moment':
      return z.number().int().min(MOMENT_LIMITS.low).max(MOMENT_LIMITS.high);
    case 'flag':
      return z.boolean();
    case 'own':
      return z.custom((value) => typeof value === 'object' && value !== null).meta({ type: 'object', description: shape.says });
    case 'record': {
      const fields = Object.entries(shape.fields).map(([name, field]): [string, z.ZodType] => [
        name,
        'maybe' in field ? schemaOf(field.maybe).optional() : schemaOf(field),
      ]);
      return z.strictObject(Object.fromEntries(fields)).superRefine((value, context) => {
        const message = ruleBroken(shape, value);
        if (message !== null) context.addIssue({ code: 'custom', message });
      });
    }
  }
}

/** What core says of a thing it keeps, as a schema for the wire: the limits stand in core alone. */
export const zodOf = <T>(shape: Shape<T>): z.ZodType<T> => schemaOf(shape) as z.ZodType<T>;
