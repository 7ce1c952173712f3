import { HOUR_MS, Refusal, daysBefore, isDay, momentOf, takeFigure, tidied, wallTime } from '@hollow-bell/core/quantities';

/** Where a day is named without an hour, noon. */
const NOON_H = 12;
const MORNING_H = 8;
const EVENING_H = 20;
const AGO_H: Record<string, number> = { m: 1 / 60, h: 1, d: 24, w: 168 };
const WEEKDAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];
const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
const MONTH = `(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\\.?`;
/** Behind a fraction stands its unit; a date has none. */
const NO_UNIT = '(?!\\s*(?:tsp|tbsp|teaspoon|tablespoon|cup|pint|pt|quart|qt|gal|lb|pound|oz|ounce|g\\b|kg|l\\b|ml|packet|tablet))';

interface Day {
  year: number;
  month: number;
  day: number;
}
interface Taken<T> {
  value: T;
  rest: string;
}

/** Whether dates are written month first where one writes like that. */
const isMonthFirst = (locale: string): boolean => {
  const parts = new Intl.DateTimeFormat(locale).formatToParts(0).map(({ type }) => type);
  return parts.indexOf('month') < parts.indexOf('day') && parts.indexOf('year') !== 0;
};

function dayOf(year: number | null, month: number, day: number, now: number): Day {
  const today = wallTime(now);
  const given = year === null ? today.year : year < 100 ? 2000 + year : year;
  if (!isDay(given, month, day)) throw new Refusal(`There is no ${day}. in month ${month}; write a date such as 2026-11-03.`);
  /** Without its year it is the last one that has come. */
  const isAhead = year === null && momentOf({ year: given, month, day }) > now;
  return { year: isAhead ? given - 1 : given, month, day };
}

/** A day at the front of the line; null where it names none. */
function takeDay(line: string, now: number, locale: string): (Taken<Day> & { hour: number | null }) | null {
  const today = wallTime(now);
  const back = (days: number): Day => ({ ...today, day: today.day - days });
  const word =
    /^(?:(the day before yesterday)|(tomorrow|next [a-z]+|in (?:an?|\d+) (?:min(?:utes?)?|hours?|days?|weeks?)(?= |$))|(yesterday|last night|today|tonight|this (?:morning|afternoon|evening)))(?: (morning|afternoon|evening|night))?\b[,:]?\s*/.exec(
      line,
    );
  if (word?.[2] !== undefined) throw new Refusal('That has not come yet; write down what has happened, when it has happened.');
  if (word !== null) {
    const part = `${word[3] ?? ''} ${word[4] ?? ''}`;
    const hour = /morning/.test(part) ? MORNING_H : /afternoon/.test(part) ? MORNING_H + 7 : /evening|night/.test(part) ? EVENING_H : null;
    const days = word[1] !== undefined ? 2 : /yesterday|last night/.test(part) ? 1 : 0;
    return { value: back(days), hour, rest: line.slice(word[0].length) };
  }
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})(?:(?:\b[,:]?\s*)|t(?=\d))/.exec(line);
  if (iso !== null)
    return { value: dayOf(Number(iso[1]), Number(iso[2]), Number(iso[3]), now), hour: null, rest: line.slice(iso[0].length) };
  const dotted = /^(\d{1,2})\.\s?(\d{1,2})\.(\d{4}|\d{2})?(?=\s|$)\s*/.exec(line);
  if (dotted !== null)
    return {
      value: dayOf(dotted[3] === undefined ? null : Number(dotted[3]), Number(dotted[2]), Number(dotted[1]), now),
      hour: null,
      rest: line.slice(dotted[0].length),
    };
  const slashed = new RegExp(`^(\\d{1,2})/(\\d{1,2})(?:/(\\d{4}|\\d{2}))?(?=\\s|$)${NO_UNIT}\\s*`).exec(line);
  if (slashed !== null) {
    const [a, b] = [Number(slashed[1]), Number(slashed[2])];
    const [month, day] = isMonthFirst(locale) ? [a, b] : [b, a];
    return {
      value: dayOf(slashed[3] === undefined ? null : Number(slashed[3]), month, day, now),
      hour: null,
      rest: line.slice(slashed[0].length),
    };
  }
  const named = new RegExp(
    `^(?:on )?(?:(\\d{1,2})(?:st|nd|rd|th|\\.)?(?: of)? ${MONTH}|${MONTH} (\\d{1,2})(?:st|nd|rd|th)?)(?:,? (\\d{4}))?(?=\\s|,|$)[,:]?\\s*`,
  ).exec(line);
  if (named !== null) {
    const month = MONTHS.indexOf(named[2] ?? named[3] ?? '') + 1;
    return {
      value: dayOf(named[5] === undefined ? null : Number(named[5]), month, Number(named[1] ?? named[4]), now),
      hour: null,
      rest: line.slice(named[0].length),
    };
  }
  const week = /^(?:on |last )?([a-z]{3,9})\b[,:]?\s*/.exec(line);
  const weekday = WEEKDAYS.findIndex((each) => each === week?.[1] || each.slice(0, 3) === week?.[1] || each.slice(0, 4) === week?.[1]);
  if (week === null || weekday < 0) return null;
  return { value: back((today.weekday - weekday + 7) % 7 || 7), hour: null, rest: line.slice(week[0].length) };
}

/** A time on the clock at the front: “18:40”, “7:15 pm”, “7pm”, “at noon”. */
function takeClock(line: string): Taken<{ hour: number; minute: number }> | null {
  const noon = /^(?:at )?(noon|midday|midnight)\b[,:]?\s*/.exec(line);
  if (noon !== null) return { value: { hour: noon[1] === 'midnight' ? 0 : NOON_H, minute: 0 }, rest: line.slice(noon[0].length) };
  const clock = /^(?:at )?(?:(\d{1,2})[:h](\d{2})(?:\s*([ap])\.?m\.?)?|(\d{1,2})(?:[.:](\d{2}))?\s*([ap])\.?m\.?)(?=\s|,|$)[,:]?\s*/.exec(
    line,
  );
  if (clock === null) return null;
  const half = clock[3] ?? clock[6];
  const read = Number(clock[1] ?? clock[4]);
  const minute = Number(clock[2] ?? clock[5] ?? 0);
  const hour = half === undefined ? read : (read % 12) + (half === 'p' ? 12 : 0);
  if (hour > 23 || minute > 59 || (half !== undefined && read > 12))
    throw new Refusal(`${clock[0].trim()} is no time of the day; write it as 18:40.`);
  return { value: { hour, minute }, rest: line.slice(clock[0].length) };
}

const AGO =
  /^(?:about )?(?:(an?|half an|a couple of|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)|([\d.,½]+))\s*(m|min|mins|minutes?|h|hrs?|hours?|d|days?|w|weeks?)\s+ago\b[,:]?\s*/;
const SPELLED: Record<string, number> = {
  'half an': 0.5,
  'a couple of': 2,
  ...Object.fromEntries(
    ['one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'].map((word, i) => [word, i + 1]),
  ),
};

function takeAgo(line: string, now: number, locale: string): Taken<number> | null {
  const ago = AGO.exec(line);
  if (ago === null) return null;
  const amount = ago[1] === undefined ? (takeFigure(ago[2] ?? '1', locale)?.figure.values.at(-1) ?? 1) : (SPELLED[ago[1]] ?? 1);
  const each = AGO_H[(ago[3] ?? 'h').slice(0, 1)] ?? 1;
  const rest = line.slice(ago[0].length);
  /** “2 days ago 18:40”: the days are those of the calendar. */
  const clock = each >= 24 && Number.isInteger(amount) ? takeClock(rest) : null;
  if (clock === null) return { value: now - amount * each * HOUR_MS, rest };
  return { value: daysBefore(now, (amount * each) / 24, clock.value.hour, clock.value.minute), rest: clock.rest };
}

/** “fed 2 g dap at 9 am”: behind a day at the front its hour may end the line. */
function takeLastClock(line: string): Taken<{ hour: number; minute: number }> | null {
  const last = /^(.*?\S)\s+((?:at )?(?:\d{1,2}:\d{2}(?:\s*[ap]\.?m\.?)?|\d{1,2}\s*[ap]\.?m\.?|at (?:noon|midnight)))$/.exec(line);
  const clock = last === null ? null : takeClock(last[2] ?? '');
  return clock === null ? null : { value: clock.value, rest: last?.[1] ?? '' };
}

/** Both in either order; null where the line begins with neither. */
function takeMoment(line: string, now: number, locale: string): Taken<number> | null {
  const just = /^(?:just |right )?now\b[,:]?\s+/.exec(line);
  if (just !== null) return { value: now, rest: line.slice(just[0].length) };
  const ago = takeAgo(line, now, locale);
  if (ago !== null) return ago;
  let clock = takeClock(line);
  const day = takeDay(clock?.rest ?? line, now, locale);
  if (day !== null) clock ??= takeClock(day.rest) ?? takeLastClock(day.rest);
  if (clock === null && day === null) return null;
  const rest = clock !== null && (day === null || clock.rest.length < day.rest.length) ? clock.rest : (day?.rest ?? '');
  return { value: momentFrom(day, clock?.value ?? null, now), rest };
}

function momentFrom(day: { value: Day; hour: number | null } | null, clock: { hour: number; minute: number } | null, now: number): number {
  if (day === null) {
    const { hour, minute } = clock ?? { hour: NOON_H, minute: 0 };
    const today = daysBefore(now, 0, hour, minute);
    /** An hour alone that has not come yet was yesterday's. */
    return today > now ? daysBefore(now, 1, hour, minute) : today;
  }
  if (clock !== null) return momentOf(day.value, clock.hour, clock.minute);
  const today = wallTime(now);
  const isToday = momentOf(day.value) === momentOf(today);
  if (day.hour !== null) return Math.min(now, momentOf(day.value, day.hour));
  if (isToday) return now;
  const isYesterday = momentOf(day.value) === momentOf({ ...today, day: today.day - 1 });
  return isYesterday ? momentOf(day.value, today.hour, today.minute) : momentOf(day.value, NOON_H);
}

/** Clocks of two devices may differ by so much before a time counts as lying ahead. */
const SLACK_MS = 5 * 60_000;

/**
 * Takes a time off the front of a line, or off its end: “yesterday 18:40”, “7:15 pm yesterday”, “12.11.”, “3 h ago”, “18:40”.
 * Hours ago are elapsed time; what the clock on the wall shows is local, also across a change of the clock.
 *
 * @returns now where none is named
 * @throws Refusal for what has not come yet, or is no day
 */
export function takeTime(line: string, now: number, locale: string): { at: number; rest: string } {
  const front = takeMoment(line, now, locale);
  const taken = front ?? takeLast(line, now, locale);
  if (taken === null) return { at: now, rest: line };
  if (taken.value > now + SLACK_MS) throw new Refusal('That time has not come yet; write down what has happened, when it has happened.');
  return { at: taken.value, rest: taken.rest };
}

/** A time that ends the line, such as “fed 2 g dap yesterday 18:40”. */
function takeLast(line: string, now: number, locale: string): Taken<number> | null {
  const words = line.split(' ');
  for (let i = Math.max(1, words.length - 5); i < words.length; i++) {
    const taken = takeMoment(words.slice(i).join(' '), now, locale);
    if (taken?.rest.trim() === '' && !/^\d+\/\d+$/.test(words[i] ?? ''))
      return { value: taken.value, rest: words.slice(0, i).join(' ').replace(/[,;]$/, '') };
  }
  return null;
}

/**
 * A moment in the maker's words, and nothing else: “now”, “yesterday 18:40”, “3 h ago”, “12.11.”.
 * @throws Refusal for words that are none, and for what has not come yet
 */
export function readWhen(typed: string, now: number, locale: string): number {
  const line = tidied(typed.trim().replace(/\s+/g, ' '));
  if (line === '' || line === 'now' || line === 'just now') return now;
  const { at, rest } = takeTime(line, now, locale);
  if (rest.trim() !== '' || rest === line)
    throw new Refusal(`“${typed.trim()}” is no time I know; write such as “yesterday 18:40”, “3 h ago” or “2026-11-03 18:00”.`);
  return at;
}
