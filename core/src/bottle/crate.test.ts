import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { eventsAt, fold } from '../record/index.ts';
import type { EventContent, Ledger } from '../record/index.ts';
import { exactly } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import {
  allergensOf,
  batchCode,
  bottleDay,
  checkMeasured,
  labelFacts,
  planCrate,
  planPriming,
  so2MgPerL,
  warmestSinceEnd,
} from './index.ts';
import type { CrateRow, DayPlan } from './index.ts';

const START = Date.UTC(2026, 1, 2, 10);
const DAY = 24;
type Row = [hour: number, content: EventContent];
const must: Row[] = [
  [0, honey(950)],
  [0, water(4.4)],
  [1, yeast],
];
const dry: Row[] = [...must, ...[20, 27, 34].map((day): Row => [DAY * day, reading(0.994, day === 27 ? 23 : 19)])];
const ledgerOf = (...rows: Row[]): Ledger => fold(eventsAt(START, rows));

const sparkling: CrateRow = { sizeMl: 750, kind: 'sparkling', closure: 'wired cork', have: 4, wanted: null };
const swing: CrateRow = { sizeMl: 500, kind: 'swing-top', closure: 'swing-top', ratedVolumes: 4, have: 6, wanted: null };
const crown: CrateRow = { sizeMl: 330, kind: 'used beer', closure: 'crown cap', have: 8, wanted: null };
const wine: CrateRow = { sizeMl: 750, kind: 'wine', closure: 'cork', have: 5, wanted: null };
const bubbling = { volumes: 2.8, volumeL: 5.65, warmestC: 21, sg: 0.994, abv: 8, mayFallPoints: 0 };

describe('a mixed crate', () => {
  it('fills four and five, leaves 180 ml, and bars two kinds with their reasons', () => {
    const plan = planCrate(5.68, [sparkling, swing, crown, wine], bubbling, false);
    expect(plan.rows.map(({ count }) => count)).toEqual([4, 5, 0, 0]);
    expect(plan.overMl).toBeCloseTo(180, 6);
    expect(plainly(plan.rows[2]!.barred!)).toMatch(/bears 3\.0 volumes, and one slip would make 3\.3/);
    expect(plainly(plan.rows[3]!.barred!)).toMatch(/bears no gas/);
  });

  it('fills every kind with still mead, first those that were said', () => {
    const plan = planCrate(5, [{ ...wine, wanted: 2 }, swing, { ...crown, wanted: 3 }], null, false);
    expect(plan.rows.map(({ count, barred }) => [count, barred])).toEqual([
      [2, null],
      [5, null],
      [3, null],
    ]);
  });

  it('refuses more than are there, and says when more are wanted than there is mead', () => {
    expect(() => planCrate(5, [{ ...wine, wanted: 6 }], null, false)).toThrow(/there are 5; 6 cannot be filled/);
    expect(planCrate(1, [{ ...wine, wanted: 2 }], null, false).shortL).toBeCloseTo(0.495, 6);
  });

  it('never fills more than there is, nor more bottles than stand ready', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.array(fc.record({ sizeMl: fc.constantFrom(330, 355, 500, 750), have: fc.nat({ max: 12 }) }), { minLength: 1, maxLength: 5 }),
        (fillL, kinds) => {
          const rows = kinds.map((kind): CrateRow => ({ ...kind, kind: 'wine', closure: 'cork', wanted: null }));
          const plan = planCrate(fillL, rows, null, false);
          expect(plan.filledL).toBeLessThanOrEqual(fillL + 0.001);
          expect(plan.filledL * 1000 + plan.overMl).toBeCloseTo(Math.max(fillL * 1000, plan.filledL * 1000), 3);
          plan.rows.forEach(({ count, row }) => expect(count).toBeLessThanOrEqual(row.have));
        },
      ),
    );
  });
});

describe('what was measured', () => {
  it('fits into what it stands in, but for two measures of a full vessel', () => {
    expect(() => checkMeasured(10.29, 10)).not.toThrow();
    expect(() => checkMeasured(10.31, 10)).toThrow(/more than it stands in holds/);
    expect(() => checkMeasured(10.31, 0)).not.toThrow();
  });
});

describe('priming a batch', () => {
  const ledger = ledgerOf(...dry);
  it('takes the warmest since it ended, or the room where nobody read it', () => {
    expect(warmestSinceEnd(ledger, 18)).toEqual({ tempC: 23, isRead: true });
    expect(warmestSinceEnd(ledgerOf(...must), 18)).toEqual({ tempC: 18, isRead: false });
  });

  it('is 44 g of table sugar for 2.8 volumes in 5.75 L, with its range and its pressures', () => {
    const plan = planPriming(ledger, { volumes: 2.8, volumeL: 5.75, warmestC: 21, sugar: { kind: 'sucrose' }, where: 'bulk' });
    expect(plan.sugarG.value).toBeCloseTo(43.4, 0);
    expect(plan.sugarG.low).toBeLessThan(plan.sugarG.value);
    expect(plan.sugarG.high).toBeGreaterThan(plan.sugarG.value);
    expect(plan.syrupWaterL).toBe(0.1);
    expect(plan.residualVolumes + plan.madeVolumes).toBeCloseTo(2.8, 6);
    expect(plan.barAt30.value).toBeGreaterThan(plan.barAt20.value);
    expect(plan.barAt20.low).toBeCloseTo(2.4, 0);
  });

  it('gives none where it holds more already', () => {
    const plan = planPriming(ledger, { volumes: 0.5, volumeL: 5, warmestC: 10, sugar: { kind: 'sucrose' }, where: 'bulk' });
    expect(plan.sugarG.value).toBe(0);
    expect(plan.fan.planned).toBeCloseTo(plan.residualVolumes, 6);
  });
});

describe('the day of bottling', () => {
  const crate = planCrate(5.68, [sparkling, swing], bubbling, false);
  const plan: DayPlan = {
    crate,
    prime: { name: 'table sugar', sugarG: 44, waterL: 0.1, where: 'bulk', volumes: 2.8 },
    sanitizer: { doseMl: 1.6, perL: 1, minutes: 2 },
    soakMin: 30,
    restC: 20,
  };
  const ids = (of: DayPlan): string[] => bottleDay(of).map(({ id }) => id);
  it('tastes first, sanitizes, soaks only corks, racks onto the syrup, and ends with a test bottle', () => {
    expect(ids(plan)).toEqual(['taste', 'clean', 'sanitize', 'soak', 'syrup', 'rack', 'fill', 'close', 'store', 'test']);
    const still = { ...plan, prime: null, crate: planCrate(5, [{ ...wine, closure: 'screw cap' }], null, false) };
    expect(ids(still)).toEqual(['taste', 'clean', 'sanitize', 'fill', 'close', 'store']);
    const each = { ...plan, prime: { ...plan.prime!, where: 'each' as const } };
    expect(ids(each)).toContain('pieces');
  });

  it('dilutes for these bottles, and lets corks stand upright first', () => {
    const steps = bottleDay({ ...plan, prime: null, crate: planCrate(3, [wine], null, false) });
    expect(plainly(steps.find(({ id }) => id === 'sanitize')!.sentence)).toMatch(/0\.01 L of concentrate made up to 4\.00 L/);
    expect(plainly(steps.find(({ id }) => id === 'store')!.sentence)).toMatch(/three days/);
  });

  it('sends bottles that stand too cold into a warmer room', () => {
    expect(plainly(bottleDay({ ...plan, restC: 9 }).at(-1)!.sentence)).toMatch(/warmer room/);
  });
});

describe('a label', () => {
  const facts = (mead: Ledger, region: 'us' | 'eu' = 'eu') =>
    labelFacts({ mead, bottled: mead, planned: [], abv: exactly(7.9), region, atMs: START })!;
  const malt: EventContent = {
    kind: 'ingredient',
    payload: {
      name: 'pale malt',
      family: 'malt',
      makes: 'malt',
      massG: 500,
      composition: { sugar: 0.62, unfermentable: 0.34, insoluble: 0, ammoniumNMgPerKg: 0, aminoNMgPerKg: 0, acidGPerKg: 0 },
      sugarSpread: 0.1,
    },
  };
  const fining = (which: 'isinglass' | 'egg white' | 'casein' | 'chitosan' | 'bentonite'): Row => [
    35 * DAY,
    { kind: 'fining', payload: { fining: which, name: which, massG: 0.2 } },
  ];
  const sulfite = (massG: number): Row => [36 * DAY, { kind: 'sulfite', payload: { salt: 'potassium', massG } }];

  it('names its style, its honey and share, its fruit, year, sweetness and strength within its rule', () => {
    const plain = facts(ledgerOf(...dry));
    expect(plain).toMatchObject({ style: 'traditional mead', honeys: ['linden honey'], honeyShare: 1, others: [], year: 2026, gas: null });
    expect(plain.abv.tolerance).toBe(1);
    const fruity = facts(ledgerOf([0, berries(1500)], ...dry));
    expect(fruity).toMatchObject({ style: 'melomel', others: ['gooseberries'] });
    expect(fruity.abv.tolerance).toBe(1.5);
    expect(facts(ledgerOf(...dry), 'us').sweetness).toBe('dry');
  });

  it.each([
    ['isinglass', ['fish']],
    ['egg white', ['egg']],
    ['casein', ['milk']],
    ['chitosan', ['shellfish']],
    ['bentonite', []],
  ] as const)('names what %s leaves', (which, allergens) => {
    expect(allergensOf(ledgerOf(...dry, fining(which)))).toEqual(allergens);
  });

  it('names gluten of malt, milk of lactose, and sulfites from ten milligrams on', () => {
    expect(allergensOf(ledgerOf([0, malt], ...dry))).toEqual(['gluten']);
    const sulfited = (mgPerL: number): Ledger => {
      const volumeL = 5;
      return ledgerOf(...dry, sulfite((mgPerL * volumeL) / 576));
    };
    expect(so2MgPerL(sulfited(12))).toBeGreaterThan(10);
    expect(allergensOf(sulfited(12))).toEqual(['sulfites']);
    expect(so2MgPerL(sulfited(8))).toBeLessThan(10);
    expect(allergensOf(sulfited(8))).toEqual([]);
  });

  it('has a code of its name, its month and two signs of its own', () => {
    expect(batchCode('Gooseberry hydromel', '12ab34cd-0000-4000-8000-0000000000f7', Date.UTC(2026, 8, 3))).toBe('GH 26-09 f7');
    expect(batchCode('!!', '00', Date.UTC(2026, 0, 3))).toBe('HB 26-01 00');
  });
});
