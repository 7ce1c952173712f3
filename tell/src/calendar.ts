import { shownSentence } from './formats.ts';
import { feedingPracticeOf } from '@hollow-bell/contract';
import type { Reader } from './formats.ts';
import type { BatchSummary } from '@hollow-bell/contract';
import { feedingPlanOf } from '@hollow-bell/core/feed';
import { Refusal } from '@hollow-bell/core/quantities';
import type { CalendarEntry } from '@hollow-bell/core/rounds';
import { calendarOf } from '@hollow-bell/core/rounds';
import ical, { ICalAlarmType } from 'ical-generator';

/** Long enough to be seen in a day view; the work itself takes about as long. */
const ENTRY_MS = 15 * 60_000;

/** A batch that cannot be reckoned has no dates; it costs no other one. */
function entriesOf(ledger: BatchSummary['ledger'], plan: BatchSummary['plan'], now: number): CalendarEntry[] {
  try {
    return calendarOf(ledger, feedingPlanOf(ledger, feedingPracticeOf(plan)), now);
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return [];
  }
}

/**
 * What is due, as iCalendar (RFC 5545). Moments are written in UTC: yeast knows no summer time, and a calendar anywhere shows
 * the right hour. Entries keep their identity from one reading to the next, so that a moved dose moves.
 */
export function calendarFile(name: string, batches: readonly BatchSummary[], reader: Reader, origin: string): string {
  const calendar = ical({ name, prodId: { company: 'hollow-bell', product: 'hollow-bell', language: 'EN' }, ttl: 60 * 60 });
  for (const { id: batchId, name: batch, ledger, plan } of batches) {
    for (const { id, at, summary, detail, station } of entriesOf(ledger, plan, reader.now)) {
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
