import { shownSentence } from './formats.ts';
import type { Reader } from './formats.ts';
import type { CalendarEntry } from '@hollow-bell/core/rounds';
import ical, { ICalAlarmType } from 'ical-generator';

/** Long enough to be seen in a day view; the work itself takes about as long. */
const ENTRY_MS = 15 * 60_000;

/** A batch with everything of it that has a date. */
export interface Dated {
  id: string;
  name: string;
  entries: readonly CalendarEntry[];
}

/**
 * What is due, as iCalendar (RFC 5545). Moments are written in UTC: yeast knows no summer time, and a calendar anywhere shows
 * the right hour. Entries keep their identity from one reading to the next, so that a moved dose moves.
 */
export function calendarFile(name: string, batches: readonly Dated[], reader: Reader, origin: string): string {
  const calendar = ical({ name, prodId: { company: 'hollow-bell', product: 'hollow-bell', language: 'EN' }, ttl: 60 * 60 });
  for (const { id: batchId, name: batch, entries } of batches) {
    for (const { id, at, summary, detail, station } of entries) {
      const event = calendar.createEvent({
        id: `${id.replaceAll(' ', '-')}.${batchId}@hollow-bell`,
        start: new Date(at),
        end: new Date(at + ENTRY_MS),
        stamp: new Date(reader.now),
        summary: `${batch}: ${shownSentence(summary, reader)}`,
        description: shownSentence(detail, reader),
        url: `${origin}/batches/${batchId}/${station}`,
      });
      event.createAlarm({ type: ICalAlarmType.display, trigger: 0 });
    }
  }
  return calendar.toString();
}
