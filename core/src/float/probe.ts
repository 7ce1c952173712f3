import { isCoreJump } from '../heat/index.ts';
import { standingEvents } from '../record/index.ts';
import type { BatchEvent } from '../record/index.ts';
import { MINUTE_MS } from '../quantities/index.ts';
import { withFloat } from './settle.ts';
import type { FloatPoint } from './settle.ts';

/** What a probe in the middle of a heated mead sent: ms since 1970 UTC, °C of the core and of the bath. */
export interface ProbePoint {
  at: number;
  coreC: number;
  bathC: number | null;
}

export interface ProbeFault {
  kind: 'jump' | 'silent';
  at: number;
}

/** A probe that should send each minute and did not for so long. */
const SILENT_MIN = 5;

/** The probe's readings without those that no core can have read; what it did wrong is told. @param raw in any order */
export function settleProbe(raw: readonly ProbePoint[]): { points: ProbePoint[]; faults: ProbeFault[] } {
  const faults: ProbeFault[] = [];
  const points: ProbePoint[] = [];
  for (const point of raw.toSorted((a, b) => a.at - b.at)) {
    const before = points.at(-1);
    const minutes = before === undefined ? 0 : (point.at - before.at) / MINUTE_MS;
    if (before !== undefined && isCoreJump(before.coreC, point.coreC, minutes)) {
      faults.push({ kind: 'jump', at: point.at });
      continue;
    }
    if (before !== undefined && minutes > SILENT_MIN && minutes < SILENT_MIN * 24) faults.push({ kind: 'silent', at: before.at });
    points.push(point);
  }
  return { points, faults };
}

/** The events of a batch with what its probe read among them, for folding. A core that the maker typed within the minute comes before it. */
function withProbe(events: readonly BatchEvent[], raw: readonly ProbePoint[]): BatchEvent[] {
  if (raw.length === 0) return [...events];
  const typed = standingEvents(events).filter(({ kind }) => kind === 'core');
  const told = settleProbe(raw)
    .points.filter(({ at }) => !typed.some(({ happenedAt }) => Math.abs(happenedAt - at) < MINUTE_MS / 2))
    .map(({ at, coreC, bathC }): BatchEvent => ({
      kind: 'core',
      payload: { coreC, ...(bathC === null ? {} : { bathC }) },
      id: `probe ${at}`,
      seq: 0,
      happenedAt: at,
      enteredAt: at,
    }));
  return [...events, ...told];
}

/** What instruments sent of a batch by themselves. */
export interface Sent {
  float: readonly FloatPoint[];
  probe: readonly ProbePoint[];
}

/** The events of a batch with what its float and its probe have to say among them, for folding; the events themselves stay as they are. */
export const withSent = (events: readonly BatchEvent[], { float, probe }: Sent): BatchEvent[] => withProbe(withFloat(events, float), probe);
