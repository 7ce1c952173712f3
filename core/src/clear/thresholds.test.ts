import { describe } from 'vitest';
import { DAY_MS } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger, Look } from '../record/index.ts';
import { honey, reading, water, yeast } from '../testing/examples.ts';
import { holdThresholds } from '../testing/thresholds.ts';
import type { Vessel } from '../vessel/index.ts';
import { clearingAdvice, closeGap, finedUntil, rackAdvice, rackingsAhead, restMonths, standsInto, tasteNext, waysInto } from './index.ts';

const START = Date.UTC(2026, 3, 1, 10);
type Row = [day: number, content: EventContent];
const of = (...rows: Row[]): Ledger =>
  fold(
    eventsAt(
      START,
      rows.map(([day, content]): Row => [24 * day, content]).toSorted((a, b) => a[0] - b[0]),
    ),
  );
const day = (n: number): number => START + n * DAY_MS;
const young: Row[] = [
  [0, honey(1350)],
  [0, water(4)],
  [0.04, yeast],
  [8, reading(1.03, 20)],
];
const done: Row[] = [...young, ...[15, 18, 24].map((on): Row => [on, reading(0.992, 20)])];
const lees = (on: number, leesMm: number): Row => [on, { kind: 'reading', payload: { leesMm } }];
const look = (on: number, through: Look): Row => [on, { kind: 'look', payload: { through, beside: [] } }];
const rack = (on: number): Row => [on, { kind: 'rack', payload: { volumeL: 4.5 } }];
const asks = (on: number, rows: Row[], school: 'at dryness' | 'at 1.010' = 'at dryness'): string =>
  rackAdvice(of(...rows), day(on), school)!.asks;
const jug: Vessel = { kind: 'jug', name: '5 L jug', capacityL: 5.3 };
const again = [...done, rack(30), lees(50, 4), look(50, 'glow')];

describe('racking', () => {
  holdThresholds([
    ['LEES_MM.may', (mm) => asks(10, [...young, lees(9, mm)]), [9.9, 'none'], [10, 'soon']],
    ['LEES_MM.most', (mm) => asks(10, [...young, lees(9, mm)]), [12, 'soon'], [12.1, 'now']],
    ['GROSS_LEES_DAYS', (days) => asks(0.04 + days, done), [27.9, 'soon'], [28.1, 'now']],
    ['AGAIN_DAYS.most', (days) => asks(30 + days, again), [55.9, 'soon'], [56.1, 'now']],
    ['AGAIN_DAYS.least', (days) => rackingsAhead(of(...again), day(51))[1]!.from === day(30 + 56 + days), [41, false], [42, true]],
    ['FIRST_AT_SG', (sg) => asks(12, [...young, [12, reading(sg, 20)]], 'at 1.010'), [1.0101, 'none'], [1.0099, 'now']],
    [
      'MOST_RACKINGS',
      (count) => rackingsAhead(of(...done, ...Array.from({ length: count }, (_, i) => rack(30 + i)), lees(50, 11)), day(51)).length,
      [2, 1],
      [3, 0],
    ],
    [
      'RACKING_OXYGEN_MG_PER_L.value',
      (count) => rackAdvice(of(...done, ...Array.from({ length: count }, (_, i) => rack(30 + i))), day(51))!.oxygenMgPerL.value,
      [1, 1.5],
      [2, 3],
    ],
  ]);
});

describe('into what', () => {
  const airMm = (liters: number): number => standsInto(jug, liters).headspaceMm;
  const litersWith = (mm: number): number => {
    let [low, high] = [2, 5.3];
    for (let i = 0; i < 60; i++) [low, high] = airMm((low + high) / 2) > mm ? [(low + high) / 2, high] : [low, (low + high) / 2];
    return low;
  };
  const fullL = standsInto(jug, 5.3).volumeL;
  holdThresholds([
    ['MUCH_AIR_MM', (mm) => standsInto(jug, litersWith(mm)).is, [59, 'full'], [61, 'gap']],
    ['AGEING_AIR_MM', (mm) => standsInto(jug, 5.3).headspaceMm > mm, [24.9, true], [25.1, false]],
    [
      'OXYGEN_MG_PER_L_AIR',
      (liters) => Math.round((standsInto(jug, liters).oxygenMgPerL * liters) / standsInto(jug, liters).headspaceL),
      [4, 280],
      [3, 280],
    ],
    [
      'LEAST_FILLED',
      (share) =>
        waysInto([jug, { kind: 'jug', name: 'small', capacityL: 1 }], fullL + share).some(
          ({ main, companion }) => main.vessel === jug && companion !== null,
        ),
      [0.39, false],
      [0.41, true],
    ],
    ['UNSEEN_L', (more) => waysInto([jug], fullL + more)[0]!.leftL > 0, [0.019, false], [0.021, true]],
    ['MARBLE_ML', (ml) => closeGap({ volumeL: 4, sg: 1, abv: 12 }, ml / 1000).marbles, [21.3, 10], [21.5, 11]],
  ]);
});

describe('looks and rest', () => {
  const told = (days: number): string => {
    const said = clearingAdvice(of(...done, look(30, 'glow'), look(30 + days, 'glow')));
    return said === null ? '' : plainly(said);
  };
  const months = (grams: number): number => restMonths(of([0, honey(grams)], [0, water(4)], [0.04, yeast], [30, reading(0.995, 20)]))!.high;
  const fined = (days: number): boolean =>
    finedUntil(of(...done, [30, { kind: 'fining', payload: { fining: 'other', name: 'a packet', massG: 2 } }]))!.settledAt > day(30 + days);
  const spiced = (name: 'spice' | 'tannin', on: number): boolean =>
    tasteNext(
      of(...done, [
        25,
        {
          kind: 'ingredient',
          payload: {
            name,
            family: name,
            makes: name,
            massG: 20,
            composition: { sugar: 0, unfermentable: 0.1, insoluble: 0.5, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
            sugarSpread: 0,
          } as never,
        },
      ]),
      day(24),
    ).some(({ dueAt }) => dueAt <= day(25 + on));
  holdThresholds([
    ['STOOD_DAYS', told, [9.9, ''], [10.1, /./]],
    ['USUAL_DAYS', fined, [13.9, true], [14.1, false]],
    ['TASTE_EVERY_DAYS.spice', (days) => spiced('spice', days), [1.9, false], [2.1, true]],
    ['TASTE_EVERY_DAYS.tannin', (days) => spiced('tannin', days), [6.9, false], [7.1, true]],
    ['REST_MONTHS[0].toAbv', months, [750, 4], [880, 12]],
    ['REST_MONTHS[1].toAbv', months, [1300, 12], [1500, 36]],
  ]);
});
