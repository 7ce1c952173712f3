import {
  choice,
  either,
  instant,
  kinds,
  list,
  maybe,
  nameShape,
  number,
  numberAbove,
  orNull,
  record,
  text,
  tuple,
  whole,
} from '@hollow-bell/core/quantities';
import type { Shape } from '@hollow-bell/core/quantities';
import { HAPPENINGS, RECORDED_KINDS } from '@hollow-bell/core/record';
import { anyHappening } from '@hollow-bell/core/testing';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { newEventShape } from './events.ts';
import { DEFAULT_PRACTICE, ROUTES, misfitOf, shelfItemShape } from './index.ts';
import type { RouteName } from './index.ts';
import { bodySchema } from './zodOf.ts';

const fits = (shape: Shape, value: unknown): boolean => misfitOf(shape, value) === null;
const schemas = new Map<Shape, ReturnType<typeof bodySchema>>();
const parses = (shape: Shape, value: unknown): boolean => {
  const schema = schemas.get(shape) ?? bodySchema(shape);
  schemas.set(shape, schema);
  return schema.safeParse(value).success;
};

/** A value with one of its parts, somewhere, made into something else. */
const spoiled = (value: unknown, at: number, by: unknown): unknown => {
  const paths: (string | number)[][] = [];
  const walk = (part: unknown, path: (string | number)[]): void => {
    paths.push(path);
    if (typeof part === 'object' && part !== null) for (const [key, each] of Object.entries(part)) walk(each, [...path, key]);
  };
  walk(value, []);
  const path = paths[at % paths.length]!;
  if (path.length === 0) return by;
  const copy = JSON.parse(JSON.stringify(value)) as Record<string, unknown>;
  let holder = copy;
  for (const step of path.slice(0, -1)) holder = holder[step] as Record<string, unknown>;
  holder[path.at(-1)!] = by;
  return copy;
};

describe('what fits a shape in the browser', () => {
  const written = { id: '3f0c6a52-8a3e-4f0e-9c53-0d5f4f1f7a11', happenedAt: 1_780_000_000_000 };

  it('is what the server takes, whole or spoiled in one place', () => {
    const strange = fc.constantFrom<unknown>(null, -1, 0.5, 1e9, '', '  ', 'x', 'y'.repeat(3000), [], {}, true, Number.NaN);
    fc.assert(
      fc.property(anyHappening, fc.nat(), strange, (content, at, by) => {
        const event = { ...content, ...written };
        expect(misfitOf(newEventShape, event)).toBeNull();
        expect(parses(newEventShape, event)).toBe(true);
        const wrong = spoiled(event, at, by);
        expect(fits(newEventShape, wrong), JSON.stringify(wrong)).toBe(parses(newEventShape, wrong));
      }),
      { numRuns: 600, seed: 31 },
    );
  });

  it.each<[string, Shape, unknown[], unknown[]]>([
    ['a number at its ends', number(0, 2), [0, 2], [-0.001, 2.001, '1', null]],
    ['a number above its low end', numberAbove(0, 2, [1, 2]), [0.001, 2], [0]],
    ['whole ones', whole(1, 3), [1, 3], [0, 1.5, 4]],
    ['a choice', choice(20, 15.56), [20, 15.56], [15, '20']],
    ['a name', nameShape, ['linden', ` ${'x'.repeat(80)} `], ['', '   ', 'x'.repeat(81), 4]],
    ['a list', list(whole(0, 9), 1, 2), [[1], [1, 2]], [[], [1, 2, 3], [1, 'a'], 'ab']],
    ['what may be null', orNull(whole(0, 9)), [null, 3], [undefined, 'a']],
    ['either of two', either(instant('no moment'), whole(0, 9)), ['2026-09-01T10:00:00Z', 4], ['yesterday', 10]],
    [
      'a pair',
      tuple(whole(0, 9), orNull(whole(0, 9))),
      [
        [1, null],
        [1, 2],
      ],
      [[1], [1, 2, 3], [null, 1]],
    ],
    [
      'one of two kinds',
      kinds({ a: record({ x: whole(0, 9) }), b: record({ y: text(3) }) }, 'neither'),
      [
        { kind: 'a', x: 1 },
        { kind: 'b', y: 'q' },
      ],
      [{ kind: 'c' }, { kind: 'a', y: 'q' }, { x: 1 }],
    ],
    ['what may be left out', record({ a: whole(0, 9), b: maybe(text(3)) }), [{ a: 1 }, { a: 1, b: 'x' }], [{ b: 'x' }, { a: 1, b: 4 }]],
    [
      'a rule between fields',
      record({ a: whole(0, 9), b: whole(0, 9) }, { holds: ({ a, b }) => a < b, says: 'b first' }),
      [{ a: 1, b: 2 }],
      [{ a: 2, b: 2 }],
    ],
  ])('%s', (_, shape, right, wrong) => {
    for (const value of right) expect([fits(shape, value), parses(shape, value)], JSON.stringify(value)).toEqual([true, true]);
    for (const value of wrong) expect([fits(shape, value), parses(shape, value)], JSON.stringify(value)).toEqual([false, false]);
  });

  it('says where it does not, and what is allowed there', () => {
    const lot = {
      id: written.id,
      name: 'linden',
      stockG: -1,
      pricePerKg: null,
      expiresOn: null,
      note: '',
      putAway: false,
      detail: { kind: 'chemical', use: '' },
    };
    expect(misfitOf(shelfItemShape, lot)).toEqual({ path: ['stockG'], says: 'A stock cannot be less than nothing.' });
    expect(misfitOf(shelfItemShape, { ...lot, stockG: 1, detail: { kind: 'bees' } })).toMatchObject({
      path: ['detail', 'kind'],
      says: expect.stringMatching(/instrument, bottle or closure/) as string,
    });
    expect(misfitOf(ROUTES.practice.answer, { practice: { ...DEFAULT_PRACTICE, roomTempC: 99 } })).toEqual({
      path: ['practice', 'roomTempC'],
      says: 'It must lie between 0 and 45.',
    });
  });
});

describe('the table of routes', () => {
  it('names each address once', () => {
    const addresses = (Object.keys(ROUTES) as RouteName[]).map((name) => `${ROUTES[name].method} ${ROUTES[name].path}`);
    expect(new Set(addresses).size).toBe(addresses.length);
  });
  it('takes every kind that core knows', () => {
    expect(RECORDED_KINDS.every((kind) => kind in HAPPENINGS)).toBe(true);
    for (const kind of [...RECORDED_KINDS, 'amendment']) expect(misfitOf(newEventShape, { kind })?.path).not.toEqual(['kind']);
  });
});
