export const MINUTE_MS = 60_000;
export const HOUR_MS = 60 * MINUTE_MS;
/** A mean month of the Gregorian year. */
export const MONTH_MS = 30.436875 * 24 * 3_600_000;
export const DAY_MS = 24 * HOUR_MS;
