import { z } from 'zod';

/** The token in the address that calendars subscribe to; null while there is none. */
export const calendarAddressSchema = z.object({ token: z.string().nullable() });
export type CalendarAddress = z.infer<typeof calendarAddressSchema>;
