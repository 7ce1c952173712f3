import { describe } from 'vitest';
import { HOUR_MS, MINUTE_MS } from '../quantities/index.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import { heldOf, isCoreJump, isHeld, isUnderHeat, lastHeating } from './index.ts';

/** A core read every five minutes. */
const log = (...coreC: number[]) => coreC.map((each, i) => ({ at: i * 5 * MINUTE_MS, coreC: each }));

describe('heat', () => {
  holdThresholds([
    ['HOLD_FROM_C', (c) => heldOf(log(c, c, c)).minutes, [59.9, 0], [60, 10]],
    ['THERMOMETER_PLUS_MINUS_C', (c) => Math.round(1000 * heldOf(log(c, c, c)).units.low) / 1000, [60, 8.473], [61, 11.803]],
    ['UNIT_AT_C', (c) => Math.round(1000 * heldOf(log(c, c, c)).units.value) / 1000, [60, 10], [61, 13.93]],
    ['PER_DEGREE', (c) => Math.round(1000 * heldOf(log(c, c, c)).units.value) / 1000, [60, 10], [62, 19.404]],
    ['HOLDS_MIN', (minutes) => isHeld({ minutes, units: 50 }, 10), [9.9, false], [10, true]],
    [
      'LOG_STALLS_MIN',
      (minutes) =>
        heldOf([
          { at: 0, coreC: 62 },
          { at: minutes * MINUTE_MS, coreC: 62 },
        ]).minutes > 0,
      [10, true],
      [10.1, false],
    ],
    [
      'APART_MS',
      (hours) =>
        lastHeating([
          { at: 0, coreC: 62 },
          { at: hours * HOUR_MS, coreC: 62 },
        ]).length,
      [5.9, 2],
      [6.1, 1],
    ],
    ['APART_MS since', (hours) => isUnderHeat([{ at: 0, coreC: 62 }], hours * HOUR_MS), [5.9, true], [6.1, false]],
    ['FASTEST_CORE.cPerMin', (c) => isCoreJump(50, 50 + c, 1), [8.9, false], [9.1, true]],
    ['FASTEST_CORE.slackC', (c) => isCoreJump(50, 50 - c, 0), [2.9, false], [3.1, true]],
  ]);
});
