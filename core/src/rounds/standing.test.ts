import { describe, expect, it } from 'vitest';
import { EXAMPLE_PRACTICE } from '../testing/exampleBatch.ts';
import { feedingNow } from '../feed/index.ts';
import { planFeeding } from '../feed/schedule.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { eventsAt, fold, parcelOf, viewOf } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { DAY_MS, HOUR_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { stallEvidence, stallVerdict, stateOf } from '../watch/index.ts';
import { asksOf, knotsOf, stationOf } from './index.ts';

const START = Date.UTC(2026, 5, 1, 10);
type Row = [hour: number, content: EventContent];
const must: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
];
const live: Row[] = [...must, [1, yeast]];
const plan = planFeeding({ sugarGPerL: 220, demand: 'medium', broughtMgPerL: 10 }, EXAMPLE_PRACTICE);
const ledgerOf = (...rows: Row[]): Ledger => fold(eventsAt(START, rows));
const at = (hour: number): number => START + hour * HOUR_MS;
const mark = (of: 'bubbling' | 'foam' | 'quiet' | 'clear' | 'degassed' | 'tasting' | 'stirred'): EventContent => ({
  kind: 'note',
  payload: { text: of, mark: of },
});
const sulfite: EventContent = { kind: 'sulfite', payload: { salt: 'potassium', massG: 0.5 } };
const sorbate: EventContent = { kind: 'sorbate', payload: { massG: 1 } };
const bottles: EventContent = { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } };
const verdict = (ledger: Ledger, hour: number) => stallVerdict(stallEvidence(ledger, at(hour), 1)!);
const lead = (ledger: Ledger, now: number): string => plainly(asksOf(ledger, plan, now)[0]?.sentence ?? []);

describe('a mead that nobody read since the pitch', () => {
  const state = (now: number, ...rows: Row[]) => stateOf(ledgerOf(...live, ...rows), at(now));

  it('is in its lag for three days, then not read, and never stuck', () => {
    expect(state(72, [0.5, reading(1.09)]).phase).toBe('lag');
    expect(state(74, [0.5, reading(1.09)]).phase).toBe('unread');
    expect(state(2000, [0.5, reading(1.09)]).phase).toBe('unread');
  });

  it('lives where it bubbled or foamed, and a sentence about its gravity does not take the must for a reading', () => {
    for (const life of ['bubbling', 'foam'] as const) {
      const ledger = ledgerOf([0.5, reading(1.09)], ...live, [30, mark(life)]);
      expect(verdict(ledger, 97).kind, life).not.toBe('stuck');
      expect(plainly(stateOf(ledger, at(97)).sentence), life).not.toMatch(/1\.090/);
    }
  });

  it('has begun or not by what is read, not by the must', () => {
    const og = viewOf(ledgerOf(...must))!.sg;
    expect(verdict(ledgerOf(...live, [96, reading(og)], [120, reading(og)]), 121).kind).toBe('stuck');
    expect(verdict(ledgerOf(...live), 121).kind).toBe('unread');
  });

  it('is asked to be read before it is fed', () => {
    expect(lead(ledgerOf(...live, [720, { kind: 'rack', payload: { volumeL: 4.5 } }]), at(87 * 24))).not.toMatch(/Dose/);
    expect(lead(ledgerOf(...live), at(87 * 24))).toMatch(/[Rr]ead/);
  });
});

describe('honey in a live mead that was dry', () => {
  it('is not said to have met its yeast’s limit, where it made more than that already', () => {
    const rows: Row[] = [...live, [20 * 24, reading(0.991, 20)], [24 * 24, reading(0.991, 20)], [25 * 24, honey(150)]];
    const ledger = ledgerOf(...rows, [25 * 24 + 1, reading(1.0005, 20)], [27 * 24, reading(1.0004, 20)]);
    expect(plainly(stateOf(ledger, at(28 * 24)).sentence)).not.toMatch(/tolerates/);
    expect(plainly(verdict(ledger, 28 * 24).sentence)).not.toMatch(/tolerates/);
  });
});

describe('sulfite before the pitch', () => {
  const sulfited: Row[] = [...must, [0, mark('stirred')], [0.1, sulfite]];
  it('is waited out before yeast is asked for', () => {
    expect(lead(ledgerOf(...sulfited), at(23.9))).not.toMatch(/^Pitch/);
    expect(lead(ledgerOf(...sulfited), at(24.2))).toMatch(/Pitch/);
  });
});

describe('the rail', () => {
  const knots = (now: number, ...rows: Row[]) => {
    const ledger = ledgerOf(...rows);
    return knotsOf(ledger, plan, stationOf(ledger, plan, at(now)), at(now));
  };
  const readings: Row[] = [20, 27, 34].map((day): Row => [24 * day, reading(0.991, 20)]);

  it('says that nothing is fed right after the pitch, half while doses come, and done after the last', () => {
    expect(knots(1.5, ...live)).toMatchObject({ watch: 'now', feed: 'ahead' });
    const dosed = plan.doses.map(({ number, clockH }): Row => [
      1 + clockH,
      { kind: 'nutrient', payload: { source: 'organic', massG: 1.6, dose: number } },
    ]);
    expect(knots(30, ...live, dosed[0]!, [29, reading(1.08, 20)]).feed).toMatch(/half|now/);
    expect(knots(80, ...live, ...dosed, [79, reading(1.06, 20)]).feed).toBe('done');
    expect(knots(20 * 24, ...live, ...readings).feed, 'passed by without its work').toBe('passed');
  });

  it('says stabilized by both powders in this volume, half by one, and not by having come past it', () => {
    const cleared: Row[] = [...live, ...readings, [34.5 * 24, mark('clear')]];
    const stabilize = (...rows: Row[]) => knots(40 * 24, ...cleared, ...rows, [39 * 24, bottles]).stabilize;
    expect(stabilize([36 * 24, sulfite], [36 * 24, sorbate])).toBe('done');
    expect(stabilize([36 * 24, sulfite])).toBe('half');
    expect(stabilize()).toBe('passed');
  });

  it('says bottled once it is, and tasted once it was', () => {
    expect(knots(40 * 24, ...live, ...readings, [39 * 24, bottles])).toMatchObject({ bottle: 'done', sweeten: 'passed', taste: 'now' });
  });
});

describe('a split', () => {
  const fermented: Row[] = [...live, [2, berries(800)], [20 * 24, reading(0.999, 20)]];
  it('is no loss to its mother, and its child knows its own volume', () => {
    const mother = ledgerOf(...fermented);
    const parcel = parcelOf(mother, 2);
    const after = fold([
      ...eventsAt(START, [...fermented, [21 * 24, { kind: 'transferOut', payload: { toBatchId: 'b', toName: 'second', volumeL: 2 } }]]),
    ]);
    const child = fold(
      eventsAt(START, [[21 * 24, { kind: 'transferIn', payload: { fromBatchId: 'a', fromName: 'first', parcel } } as EventContent]]),
    );
    expect(after.history.losses.filter(({ why }) => why !== 'split')).toEqual(mother.history.losses);
    expect(after.history.losses.at(-1)).toMatchObject({ why: 'split', volumeL: expect.closeTo(2, 3) as number });
    expect(viewOf(child)!.volumeL).toBeCloseTo(2, 6);
    expect(stateOf(child, at(22 * 24)).phase).not.toBe('planned');
  });

  it('says of an emptied mother that it was emptied', () => {
    const all = viewOf(ledgerOf(...fermented))!.volumeL;
    const emptied = ledgerOf(...fermented, [21 * 24, { kind: 'transferOut', payload: { toBatchId: 'b', toName: 'second', volumeL: all } }]);
    expect(stateOf(emptied, at(22 * 24)).phase).toBe('emptied');
    expect(feedingNow(plan, emptied, START + 22 * DAY_MS).doses.filter(({ state }) => state === 'due')).toEqual([]);
  });
});
