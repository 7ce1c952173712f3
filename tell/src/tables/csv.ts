import { keepable } from '@hollow-bell/core/quantities';

/** Text that a spreadsheet would take for a formula gets a quote in front. */
export const guarded = <V extends string | number>(value: V): V | string =>
  typeof value === 'string' && /^[=+\-@\t\r]/.test(value) ? `'${value}` : value;

/** So many rows of a table come in at once. */
export const MOST_ROWS = 1000;
export const TOO_MANY = `That is more than ${MOST_ROWS} rows; split the table, and bring it in part by part.`;

/** A table as it was meant: without the mark that some programs put first, and without signs that are no letters. */
export const cleaned = (text: string): string => keepable(text.replace(/^\uFEFF/, ''));
