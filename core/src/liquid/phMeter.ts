import { DAY_MS, Refusal, moment, number, record, requireWithin } from '../quantities/index.ts';

/** The last two-point calibration of a pH meter: what it showed in two buffers, ms since 1970 UTC. */
export interface PhCalibration {
  at: number;
  low: { buffer: number; read: number };
  high: { buffer: number; read: number };
}

const buffer = record({ buffer: number(1, 13, [4, 7]), read: number(0, 14, [4, 7]) });
interface Buffers {
  low: { buffer: number; read: number };
  high: { buffer: number; read: number };
}
/** Two buffers closer than this do not make a line; a meter that shows less of their distance than the other tells nothing. */
const APART = { least: 1, says: 'The two buffers must lie at least one apart, such as 4.00 and 7.00.' } as const;
const TOLD = { least: 0.3, says: 'The meter hardly tells these buffers apart; it is worn out, or a reading is a slip.' } as const;
const areApart = { holds: ({ low, high }: Buffers): boolean => high.buffer - low.buffer >= APART.least, says: APART.says };
const areTold = {
  holds: ({ low, high }: Buffers): boolean => high.read - low.read > TOLD.least * (high.buffer - low.buffer),
  says: TOLD.says,
};
export const phBuffersShape = record({ low: buffer, high: buffer }, areApart, areTold);
export const phCalibrationShape = record({ at: moment, low: buffer, high: buffer }, areApart, areTold);

/** Electrodes are usually replaced where their slope leaves this share of what it should be. */
export const SOUND_SLOPE = { low: 0.85, high: 1.05 } as const;
/** ± 10–90 % of a home pH meter by the age of its calibration, and of one that was never calibrated (our estimates). */
const PLUS_MINUS_BY_DAYS: readonly (readonly [days: number, plusMinus: number])[] = [
  [1, 0.04],
  [14, 0.08],
  [60, 0.15],
];
const PLUS_MINUS_OLD = 0.2;

/** The share of its proper slope that an electrode still has. @throws Refusal for two buffers that are too much alike */
export function electrodeSlope({ low, high }: PhCalibration): number {
  requireWithin('The buffer', low.buffer, 1, 13);
  requireWithin('The buffer', high.buffer, 1, 13);
  if (high.buffer - low.buffer < APART.least) throw new Refusal(APART.says, 'buffer');
  const slope = (high.read - low.read) / (high.buffer - low.buffer);
  if (!(slope > TOLD.least)) throw new Refusal(TOLD.says, 'read');
  return slope;
}

/** The pH behind a reading, on the straight line through both buffers. */
export function correctedPh(read: number, calibration: PhCalibration): number {
  return calibration.low.buffer + (read - calibration.low.read) / electrodeSlope(calibration);
}

/** ± of a pH read at this moment. */
export function phPlusMinus(calibration: PhCalibration | null, at: number): number {
  if (calibration === null) return PLUS_MINUS_OLD;
  const days = (at - calibration.at) / DAY_MS;
  return PLUS_MINUS_BY_DAYS.find(([most]) => days <= most)?.[1] ?? PLUS_MINUS_OLD;
}
