/* What a record may hold, as data: the contract, the forms and the tests read their limits here, and types follow from it. */

/** `T` is the type of what fits; it is there for the compiler alone. */
interface Of<T> {
  readonly fits?: T;
}

/** A number from `low` to `high`, both allowed unless it must lie above `low`. Tests draw from what is `usual`. */
interface NumberShape {
  readonly is: 'number';
  readonly low: number;
  readonly high: number;
  readonly whole: boolean;
  readonly above: boolean;
  readonly usual: readonly [low: number, high: number];
  readonly whenLow?: string;
  readonly whenHigh?: string;
}
/** Text, trimmed, and not blank unless it may be. The sentences that go with it are its own. */
interface TextShape {
  readonly is: 'text';
  readonly mayBeBlank: boolean;
  readonly most: number;
  readonly whenMissing?: string;
  readonly whenLong?: string;
}
/** A name that another table knows. */
interface KnownShape {
  readonly is: 'known';
  readonly isKnown: (name: string) => boolean;
  readonly says: string;
  readonly such: string;
}
interface ChoiceShape {
  readonly is: 'choice';
  readonly values: readonly unknown[];
}
interface ListShape {
  readonly is: 'list';
  readonly each: Shape;
  readonly least: number;
  readonly most: number;
  readonly whenFew?: string;
  readonly whenMany?: string;
}
interface IdShape {
  readonly is: 'id';
}
/** A day as 2027-03-31, or a moment as ISO 8601 writes it with its zone. */
interface DateShape {
  readonly is: 'day' | 'instant';
  readonly says: string;
}
interface NullableShape {
  readonly is: 'nullable';
  readonly of: Shape;
}
/** One of several, whichever fits. */
interface EitherShape {
  readonly is: 'either';
  readonly of: readonly Shape[];
}
/** One of several records, told apart by what they call their `kind`. */
interface KindsShape {
  readonly is: 'kinds';
  readonly of: Readonly<Record<string, AnyRecord>>;
  readonly says: string;
}
interface TupleShape {
  readonly is: 'tuple';
  readonly each: readonly Shape[];
}
/** Milliseconds since 1970 UTC. */
interface MomentShape {
  readonly is: 'moment';
}
interface FlagShape {
  readonly is: 'flag';
}
/** What only this program itself writes, and takes as it is. */
interface OwnShape {
  readonly is: 'own';
  readonly says: string;
}
/** What must hold between the fields, or what says which rule is broken. */
export type Rule<T> = { holds: (value: T) => boolean; says: string } | { broken: (value: T) => string | null };
export interface RecordShape<T> extends Of<T> {
  readonly is: 'record';
  readonly fields: Readonly<Record<string, Field>>;
  readonly rules: readonly Rule<T>[];
}

export type Shape<T = unknown> = Of<T> &
  (
    | NumberShape
    | TextShape
    | KnownShape
    | ChoiceShape
    | ListShape
    | IdShape
    | DateShape
    | MomentShape
    | FlagShape
    | NullableShape
    | EitherShape
    | KindsShape
    | TupleShape
    | OwnShape
    | AnyRecord
  );
interface AnyRecord {
  readonly is: 'record';
  readonly fields: Readonly<Record<string, Field>>;
  readonly rules: readonly Rule<never>[];
}

/** A shape that may be left out. */
export interface Maybe<T = unknown> {
  readonly maybe: Shape<T>;
}
export type Field = Shape | Maybe;
export type Fields = Readonly<Record<string, Field>>;

export type Fit<F> = F extends Maybe<infer T> ? T : F extends Of<infer T> ? T : never;
type Flat<T> = { [K in keyof T]: T[K] };
/** What fits all of these fields. */
export type FitOf<F extends Fields> = Flat<
  { -readonly [K in keyof F as F[K] extends Maybe ? never : K]: Fit<F[K]> } & {
    -readonly [K in keyof F as F[K] extends Maybe ? K : never]?: Fit<F[K]> | undefined;
  }
>;

export const maybe = <S extends Shape>(shape: S): { readonly maybe: S } & Maybe<Fit<S>> => ({ maybe: shape }) as never;
/** @param usual what tests draw from; all of it where not given */
export const number = (
  low: number,
  high: number,
  usual: readonly [number, number] = [low, high],
  says: { whenLow?: string; whenHigh?: string } = {},
): NumberShape & Of<number> => ({
  is: 'number',
  low,
  high,
  whole: false,
  above: false,
  usual,
  ...says,
});
export const numberAbove = (low: number, high: number, usual: readonly [number, number]): NumberShape & Of<number> => ({
  ...number(low, high, usual),
  above: true,
});
export const whole = (low: number, high: number, usual: readonly [number, number] = [low, high]): NumberShape & Of<number> => ({
  ...number(low, high, usual),
  whole: true,
});
export const text = (most: number, says: { whenMissing?: string; whenLong?: string } = {}): TextShape & Of<string> => ({
  is: 'text',
  mayBeBlank: false,
  most,
  ...says,
});
/** Text that may be left blank. */
export const textOrNone = (most: number): TextShape & Of<string> => ({ is: 'text', mayBeBlank: true, most });
export const known = (isKnown: (name: string) => boolean, such: string, says: string): KnownShape & Of<string> => ({
  is: 'known',
  isKnown,
  such,
  says,
});
export const choice = <const T extends string | number>(...values: readonly T[]): ChoiceShape & Of<T> => ({ is: 'choice', values });
export const id: IdShape & Of<string> = { is: 'id' };
export const moment: MomentShape & Of<number> = { is: 'moment' };
export const flag: FlagShape & Of<boolean> = { is: 'flag' };
export const own = <T>(says: string): OwnShape & Of<T> => ({ is: 'own', says });
export const day = (says: string): DateShape & Of<string> => ({ is: 'day', says });
export const instant = (says: string): DateShape & Of<string> => ({ is: 'instant', says });
export const orNull = <S extends Shape>(of: S): NullableShape & Of<Fit<S> | null> => ({ is: 'nullable', of });
export const either = <const S extends readonly Shape[]>(...of: S): EitherShape & Of<Fit<S[number]>> => ({ is: 'either', of });
export const tuple = <const S extends readonly Shape[]>(...each: S): TupleShape & Of<{ -readonly [I in keyof S]: Fit<S[I]> }> => ({
  is: 'tuple',
  each,
});
export const kinds = <const R extends Readonly<Record<string, AnyRecord>>>(
  of: R,
  says: string,
): KindsShape & Of<{ [K in keyof R]: Flat<{ kind: K } & Fit<R[K]>> }[keyof R]> => ({ is: 'kinds', of, says });
export const list = <S extends Shape>(
  each: S,
  least: number,
  most: number,
  says: { whenFew?: string; whenMany?: string } = {},
): ListShape & Of<Fit<S>[]> => ({ is: 'list', each, least, most, ...says });
export const record = <const F extends Fields>(
  fields: F,
  ...rules: readonly Rule<FitOf<F>>[]
): RecordShape<FitOf<F>> & { readonly fields: F } => ({
  is: 'record',
  fields,
  rules,
});

/** The first rule that a value of this shape breaks; null where it keeps them all. */
export function ruleBroken(shape: Shape & { readonly is: 'record' }, value: unknown): string | null {
  for (const rule of shape.rules as readonly Rule<unknown>[]) {
    const said = 'broken' in rule ? rule.broken(value) : rule.holds(value) ? null : rule.says;
    if (said !== null) return said;
  }
  return null;
}

/** Between 2000 and 2200. */
export const MOMENT_LIMITS = { low: 946_684_800_000, high: 7_258_118_400_000 } as const;
/** The name of anything that a maker names. */
export const nameShape = text(80, { whenMissing: 'A name is missing.', whenLong: 'A name has at most 80 letters.' });

/** NUL and halves of letters, which no database and no file keeps. */
const UNKEEPABLE = /[\0\uD800-\uDFFF]/gu;
export const isKeepable = (given: string): boolean => given.search(UNKEEPABLE) < 0;
/** The same with something else in the place of what cannot be kept. */
export const keepable = (given: string, instead = ''): string => given.replace(UNKEEPABLE, instead);
