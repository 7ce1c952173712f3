import type { ReadingPoint } from '../record/index.ts';
import { DAY_MS } from '../quantities/index.ts';

/** A hydrometer reading as a ledger takes it, so many days after the pitch. */
export const point = (day: number, sg: number, over: Partial<ReadingPoint> = {}): ReadingPoint => ({
  eventId: `r${day}`,
  at: day * DAY_MS,
  instrument: 'hydrometer',
  readSg: sg,
  tempC: 20,
  sg,
  plusMinus: 0.002,
  expectedSg: sg,
  verdict: 'follows',
  abv: 12,
  shareGone: 0.99,
  ...over,
});
