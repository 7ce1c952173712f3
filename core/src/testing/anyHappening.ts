/* For the tests: whatever may happen, drawn from the shapes of the happenings; examples beside it. */
import fc from 'fast-check';
import { ruleBroken } from '../quantities/index.ts';
import type { Shape } from '../quantities/index.ts';
import type { Field } from '../quantities/shape.ts';
import { HAPPENINGS, RECORDED_KINDS } from '../record/index.ts';
import type { EventContent, Ledger, RecordedKind } from '../record/index.ts';

const WORDS = ['rain', 'linden', 'x'];

/**
 * Whatever fits a shape, drawn from what is usual of it; what only this program writes is an empty thing.
 *
 * @param keepsRules false for what may break the rules between fields, which some draws never keep
 */
export function fitting(shape: Shape, keepsRules = true): fc.Arbitrary<unknown> {
  const inside = (part: Shape) => fitting(part, keepsRules);
  switch (shape.is) {
    case 'number': {
      const [min, max] = shape.usual;
      return shape.whole ? fc.integer({ min, max }) : fc.double({ min, max, noNaN: true });
    }
    case 'text':
      return fc.constantFrom(...WORDS);
    case 'known':
      return fc.constant(shape.such);
    case 'choice':
      return fc.constantFrom(...shape.values);
    case 'list':
      return fc.array(inside(shape.each), { minLength: shape.least, maxLength: Math.min(3, shape.most) });
    case 'id':
      return fc.uuid();
    case 'moment':
      return fc.integer({ min: Date.UTC(2026, 0, 1), max: Date.UTC(2027, 0, 1) });
    case 'flag':
      return fc.boolean();
    case 'day':
      return fc.constant('2026-09-01');
    case 'instant':
      return fc.constant('2026-09-01T10:00:00Z');
    case 'nullable':
      return fc.option(inside(shape.of));
    case 'either':
      return fc.oneof(...shape.of.map(inside));
    case 'kinds':
      return fc.oneof(...Object.entries(shape.of).map(([kind, of]) => inside(of).map((value) => ({ kind, ...(value as object) }))));
    case 'tuple':
      return fc.tuple(...shape.each.map(inside));
    case 'own':
      return fc.constant({});
    case 'record': {
      const fields = Object.entries(shape.fields);
      const draw = (field: Field) => inside('maybe' in field ? field.maybe : field);
      const requiredKeys = fields.filter(([, field]) => !('maybe' in field)).map(([name]) => name);
      return fc
        .record(Object.fromEntries(fields.map(([name, field]) => [name, draw(field)])), { requiredKeys })
        .filter((value) => !keepsRules || ruleBroken(shape, value) === null);
    }
  }
}

const kindsOf = (isWanted: (kind: RecordedKind) => boolean): fc.Arbitrary<EventContent>[] =>
  RECORDED_KINDS.filter(isWanted).map((kind) => fitting(HAPPENINGS[kind].shape).map((payload) => ({ kind, payload }) as EventContent));

/** Whatever may be written into a record; a parcel from elsewhere is made by `anyParcel`. */
export const anyHappening: fc.Arbitrary<EventContent> = fc.oneof(...kindsOf((kind) => kind !== 'transferIn'));

/** A parcel of a mead that ferments, as a split hands it over. */
export const anyParcel = (parcel: Ledger): fc.Arbitrary<EventContent> =>
  fc.constant({ kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'a', volumeL: 1, parcel } });

/** Events and everything in them, held fast: a fold that writes into one throws. */
export function frozen<T>(value: T): T {
  if (typeof value === 'object' && value !== null) Object.values(value).forEach(frozen);
  return Object.freeze(value);
}
