import { tempsSincePitch } from '../record/index.ts';
import type { Ledger } from '../record/index.ts';
import { finishOf } from '../glass/index.ts';

/** The warmest that a mead was since its end, °C: its gas left it then and does not come back. The room’s where nobody read it. */
export function warmestSinceEnd(ledger: Ledger, roomC: number): { tempC: number; isRead: boolean } {
  const endedAt = finishOf(ledger).since ?? Number.POSITIVE_INFINITY;
  const read = tempsSincePitch(ledger).filter(({ at }) => at >= endedAt);
  return read.length === 0 ? { tempC: roomC, isRead: false } : { tempC: Math.max(...read.map(({ tempC }) => tempC)), isRead: true };
}
