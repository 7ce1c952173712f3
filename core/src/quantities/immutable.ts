/** The same, all the way down, for reading only. */
export type Immutable<T> = T extends (infer E)[]
  ? readonly Immutable<E>[]
  : T extends object
    ? { readonly [K in keyof T]: Immutable<T[K]> }
    : T;
