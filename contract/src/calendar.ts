import { orNull, record, text } from '@hollow-bell/core/quantities';
import type { Fit } from '@hollow-bell/core/quantities';

/** The token in the address that calendars subscribe to; null while there is none. */
export const calendarAddressShape = record({ token: orNull(text(64)) });
export type CalendarAddress = Fit<typeof calendarAddressShape>;
