import { holdThresholds } from '@hollow-bell/core/testing/thresholds';
import { describe } from 'vitest';
import { newEventShape } from './events.ts';
import { misfitOf } from './misfit.ts';

const takes = (kind: string, payload: object): boolean =>
  misfitOf(newEventShape, { id: '00000000-0000-4000-8000-000000000000', happenedAt: 1_780_000_000_000, kind, payload }) === null;
const bottle = (sizeMl: number, kind?: string): boolean =>
  takes('bottling', { bottles: [{ sizeMl, count: 1, ...(kind === undefined ? {} : { kind }) }] });

describe('what may be sent', () => {
  holdThresholds([
    ['sizeMl <= 20_000', (ml) => bottle(ml), [20_000, true], [20_001, false]],
    ['CORE_C.low', (tempC) => takes('heat', { tempC, minutes: 10 }), [29.9, false], [30, true]],
    ['CORE_C.high', (tempC) => takes('heat', { tempC, minutes: 10 }), [100, true], [100.1, false]],
    ['SG_RANGE.low', (sg) => takes('reading', { sg }), [0.969, false], [0.971, true]],
    ['SG_RANGE.high', (sg) => takes('reading', { sg }), [1.199, true], [1.201, false]],
  ]);
});
