/** A day and time on the wall. `month` 1 to 12, `weekday` 0 for Sunday. */
export interface WallTime {
  year: number;
  month: number;
  day: number;
  hour: number;
  minute: number;
  weekday: number;
}

/** The wall's time of a moment, where this runs. @param at ms since 1970 UTC */
export function wallTime(at: number): WallTime {
  const date = new Date(at);
  return {
    year: date.getFullYear(),
    month: date.getMonth() + 1,
    day: date.getDate(),
    hour: date.getHours(),
    minute: date.getMinutes(),
    weekday: date.getDay(),
  };
}

/**
 * The moment of a wall time, where this runs, ms since 1970 UTC. Days may run over, as 0 March. Where clocks were changed, of an
 * hour that came twice the first counts, and an hour that never came is told as the clock jumped over it.
 */
export const momentOf = ({ year, month, day }: Pick<WallTime, 'year' | 'month' | 'day'>, hour = 0, minute = 0): number =>
  new Date(year, month - 1, day, hour, minute).getTime();

/** The same wall clock so many days earlier; days differ in length where clocks are changed. */
export function daysBefore(at: number, days: number, hour: number, minute: number): number {
  const { year, month, day } = wallTime(at);
  return momentOf({ year, month, day: day - days }, hour, minute);
}

/** Whether a day is in the calendar at all. */
export const isDay = (year: number, month: number, day: number): boolean => {
  const date = new Date(year, month - 1, day);
  return date.getMonth() === month - 1 && date.getDate() === day;
};
