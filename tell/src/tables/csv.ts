/** Text that a spreadsheet would take for a formula gets a quote in front. */
export const guarded = <V extends string | number>(value: V): V | string =>
  typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;
