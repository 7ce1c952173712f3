import { flag, maybe, orNull, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';
import { figure } from './batches.ts';

/** Whether calendars may subscribe, and when one last did. The token in the address is told once, when it is made. */
export const calendarAddressShape = record({ isOpen: flag, seenAt: orNull(figure), token: maybe(text(64)) });
export type CalendarAddress = Fit<typeof calendarAddressShape>;
