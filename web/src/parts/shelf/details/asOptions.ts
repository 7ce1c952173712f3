/** Words of a choice that need no other. */
export const asOptions = <V extends string>(values: readonly V[]): { value: V; label: V }[] =>
  values.map((value) => ({ value, label: value }));
