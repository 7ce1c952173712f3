/* What a record may hold, as data: the contract, the forms and the tests read their limits here, and types follow from it. */

/** `T` is the type of what fits; it is there for the compiler alone. */
interface Of<T> {
  readonly fits?: T;
}

/** A number from `low` to `high`, both allowed unless it must lie above `low`. Tests draw from what is `usual`. */
export interface NumberShape extends Of<number> {
  readonly is: 'number';
  readonly low: number;
  readonly high: number;
  readonly whole: boolean;
  readonly above: boolean;
  readonly usual: readonly [low: number, high: number];
}
/** Text that is not blank, trimmed. `whenMissing` and `whenLong` are sentences of its own. */
export interface TextShape extends Of<string> {
  readonly is: 'text';
  readonly most: number;
  readonly whenMissing?: string;
  readonly whenLong?: string;
}
/** A name that another table knows. */
export interface KnownShape extends Of<string> {
  readonly is: 'known';
  readonly isKnown: (name: string) => boolean;
  readonly says: string;
  readonly such: string;
}
export interface ChoiceShape<T> extends Of<T> {
  readonly is: 'choice';
  readonly values: readonly T[];
}
export interface ListShape<T> extends Of<readonly T[]> {
  readonly is: 'list';
  readonly each: Shape<T>;
  readonly least: number;
  readonly most: number;
}
export interface IdShape extends Of<string> {
  readonly is: 'id';
}
/** Milliseconds since 1970 UTC. */
export interface MomentShape extends Of<number> {
  readonly is: 'moment';
}
export interface FlagShape extends Of<boolean> {
  readonly is: 'flag';
}
/** What only this program itself writes, and takes as it is. */
export interface OwnShape<T> extends Of<T> {
  readonly is: 'own';
  readonly says: string;
}
export interface Rule<T> {
  holds: (value: T) => boolean;
  says: string;
}
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
    | ChoiceShape<unknown>
    | ListShape<unknown>
    | IdShape
    | MomentShape
    | FlagShape
    | OwnShape<unknown>
    | AnyRecord
  );
interface AnyRecord extends Of<unknown> {
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

type Fit<F> = F extends Maybe<infer T> ? T : F extends Of<infer T> ? T : never;
type Flat<T> = { [K in keyof T]: T[K] };
/** What fits all of these fields. */
export type FitOf<F extends Fields> = Flat<
  { readonly [K in keyof F as F[K] extends Maybe ? never : K]: Fit<F[K]> } & {
    readonly [K in keyof F as F[K] extends Maybe ? K : never]?: Fit<F[K]> | undefined;
  }
>;

export const maybe = <S extends Shape>(shape: S): { readonly maybe: S } & Maybe<Fit<S>> => ({ maybe: shape }) as never;
/** @param usual what tests draw from; all of it where not given */
export const number = (low: number, high: number, usual: readonly [number, number] = [low, high]): NumberShape => ({
  is: 'number',
  low,
  high,
  whole: false,
  above: false,
  usual,
});
export const numberAbove = (low: number, high: number, usual: readonly [number, number]): NumberShape => ({
  ...number(low, high, usual),
  above: true,
});
export const whole = (low: number, high: number, usual: readonly [number, number] = [low, high]): NumberShape => ({
  ...number(low, high, usual),
  whole: true,
});
export const text = (most: number, says: { whenMissing?: string; whenLong?: string } = {}): TextShape => ({ is: 'text', most, ...says });
export const known = (isKnown: (name: string) => boolean, such: string, says: string): KnownShape => ({ is: 'known', isKnown, such, says });
export const choice = <const T extends string | number>(...values: readonly T[]): ChoiceShape<T> => ({ is: 'choice', values });
export const id: IdShape = { is: 'id' };
export const moment: MomentShape = { is: 'moment' };
export const flag: FlagShape = { is: 'flag' };
export const own = <T>(says: string): OwnShape<T> => ({ is: 'own', says });
export const list = <S extends Shape>(each: S, least: number, most: number): ListShape<Fit<S>> =>
  ({ is: 'list', each, least, most }) as ListShape<Fit<S>>;
export const record = <const F extends Fields>(
  fields: F,
  ...rules: readonly Rule<FitOf<F>>[]
): RecordShape<FitOf<F>> & { readonly fields: F } => ({
  is: 'record',
  fields,
  rules,
});

/** The first rule that a value of this shape breaks; null where it keeps them all. */
export const ruleBroken = (shape: Shape & { readonly is: 'record' }, value: unknown): string | null =>
  (shape.rules as readonly Rule<unknown>[]).find(({ holds }) => !holds(value))?.says ?? null;

/** Between 2000 and 2200. */
export const MOMENT_LIMITS = { low: 946_684_800_000, high: 7_258_118_400_000 } as const;
/** The name of anything that a maker names. */
export const nameShape = text(80, { whenMissing: 'A name is missing.', whenLong: 'A name has at most 80 letters.' });
