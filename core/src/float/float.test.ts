import { describe, expect, it } from 'vitest';
import { MIXED_AT, exampleBatch } from '../testing/exampleBatch.ts';
import { eventsAt, fold, parcelOf } from '../record/index.ts';
import type { BatchEvent, EventContent } from '../record/index.ts';
import { seeded } from '../numerics/index.ts';
import { USUAL_WRONGS, floatReadings } from '../simulate/index.ts';
import type { FloatWrongs } from '../simulate/float.ts';
import { finishOf } from '../glass/index.ts';
import { stateOf } from '../watch/index.ts';
import { settleFloat, withFloat } from './index.ts';
import type { FloatPoint } from './index.ts';
import { HOUR_MS } from '../quantities/index.ts';

const pitched = exampleBatch('allround');
const played = (wrongs: Partial<FloatWrongs> = {}, toH = 240, story: 'falls' | 'cold' = 'falls'): FloatPoint[] =>
  floatReadings(
    pitched,
    { story, fromH: 6, toH, everyMin: 30, warmedAtH: null, wrongs: { ...USUAL_WRONGS, gaps: 0, jumps: 0, ...wrongs } },
    seeded(5),
  )!;
const truth = played({ noiseSg: 0, offsetSg: 0 });
const truthAt = (at: number): number => truth.reduce((near, point) => (Math.abs(point.at - at) < Math.abs(near.at - at) ? point : near)).sg;

const honey = { name: 'heather', massG: 2050, moisture: 0.172, unfermentable: 0.045 };
const record = (...more: [number, EventContent][]): BatchEvent[] =>
  eventsAt(MIXED_AT, [
    [0, { kind: 'honey', payload: honey }],
    [0, { kind: 'water', payload: { volumeL: 4.6 } }],
    [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'allround', massG: 6 } }],
    ...more,
  ]);

describe('what a float has to say', () => {
  it('lies much nearer to the truth than its readings do, and the readings stay as they came', () => {
    const raw = played({ offsetSg: 0 });
    const before = JSON.stringify(raw);
    const { points, faults } = settleFloat(raw);
    const error = (of: readonly FloatPoint[]): number =>
      Math.sqrt(of.reduce((sum, { at, sg }) => sum + (sg - truthAt(at)) ** 2, 0) / of.length);
    expect(error(points)).toBeLessThan(0.6 * error(raw));
    expect(faults).toEqual([]);
    expect(JSON.stringify(raw)).toBe(before);
  });

  it('leaves out jumps and tells of them', () => {
    const settled = settleFloat(played({ jumps: 0.03 }));
    expect(settled.faults.map(({ kind }) => kind)).toContain('jumps');
    expect(settled.leftOut.size).toBeGreaterThan(3);
    for (const { at, sg } of settled.points) expect(Math.abs(sg - USUAL_WRONGS.offsetSg - truthAt(at))).toBeLessThan(0.004);
  });

  it('finds out that it hangs stuck, and believes nothing of that', () => {
    const settled = settleFloat(played({ stuckFromH: 100 }));
    const stuck = settled.faults.find(({ kind }) => kind === 'stuck')!;
    expect((stuck.from - pitched.history.pitch!.at) / HOUR_MS).toBeCloseTo(100, 0);
    expect(settled.points.at(-1)!.at).toBeLessThan(stuck.from + HOUR_MS);
  });

  it('says when it was silent', () => {
    const raw = played().filter(({ at }) => at < MIXED_AT + 50 * HOUR_MS || at > MIXED_AT + 80 * HOUR_MS);
    expect(settleFloat(raw).faults.map(({ kind }) => kind)).toEqual(['silent']);
  });

  it('answers alike in whatever order the readings come', () => {
    const raw = played({ jumps: 0.02 });
    expect(settleFloat(raw.toReversed()).points).toEqual(settleFloat(raw).points);
  });
});

describe('a float in a batch', () => {
  it('is followed by the ledger, without a word in the record', () => {
    const events = record();
    const all = withFloat(events, played());
    const ledger = fold(all);
    expect(events).toHaveLength(3);
    expect(ledger.history.readings.length).toBeGreaterThan(30);
    expect(ledger.history.readings.every(({ instrument, verdict }) => instrument === 'float' && verdict === 'follows')).toBe(true);
    expect(ledger.history.readings.at(-1)!.sg).toBeCloseTo(truthAt(ledger.history.readings.at(-1)!.at) + USUAL_WRONGS.offsetSg, 2);
  });

  it('is set by a hydrometer that is read beside it', () => {
    const raw = played({ offsetSg: 0.012 });
    const readAt = 120;
    const sg = truthAt(pitched.history.pitch!.at + (readAt - 1) * HOUR_MS);
    const ledger = fold(withFloat(record([readAt, { kind: 'reading', payload: { sg } }]), raw));
    for (const reading of ledger.history.readings.filter(({ instrument }) => instrument === 'float'))
      expect(Math.abs(reading.sg - truthAt(reading.at))).toBeLessThan(0.004);
  });

  it('shows a stall in the cold within four days, and proves no end by itself', () => {
    const stalled = fold(withFloat(record(), played({}, 14 * 24, 'cold')));
    expect(stateOf(stalled, MIXED_AT + 14 * 24 * HOUR_MS).phase).toBe('stuck');
    const dry = fold(withFloat(record(), played({}, 60 * 24)));
    const finish = finishOf(dry);
    expect(finish).toMatchObject({ state: 'waiting', wantsHydrometer: true });
  });

  it('is followed in what was split off a fermenting batch, from the split on', () => {
    const splitAt = 60;
    const parcel = parcelOf(fold(record()), 2);
    const child = eventsAt(MIXED_AT, [
      [splitAt, { kind: 'transferIn', payload: { fromBatchId: 'parent', fromName: 'parent', volumeL: 2, parcel } }],
    ]);
    const { readings } = fold(withFloat(child, played())).history;
    expect(readings.length).toBeGreaterThan(20);
    expect(readings[0]!.at).toBeGreaterThan(MIXED_AT + splitAt * HOUR_MS);
  });

  it('tells nothing of the time before the pitch', () => {
    const early = played().map((point) => ({ ...point, at: point.at - 30 * HOUR_MS }));
    expect(fold(withFloat(record(), early)).history.readings.every(({ at }) => at > pitched.history.pitch!.at)).toBe(true);
  });
});
