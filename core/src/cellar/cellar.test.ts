import { describe, expect, it } from 'vitest';
import { asksOf } from '../rounds/index.ts';
import { bottlesLeft, eventsAt, fold, viewOf } from '../record/index.ts';
import type { ClosureId, Drinks, EventContent, Ledger } from '../record/index.ts';
import { DAY_MS, Refusal } from '../quantities/index.ts';
import { plainly } from '../quantities/sentence.ts';
import { planOf, plannedHoney } from '../must/index.ts';
import { checkEvents } from '../check/index.ts';
import { berries, honey, reading, water, yeast } from '../testing/examples.ts';
import { byDrinking, compareBatches, costOfBottled, curveOf, firstOutBy, ripenessOf, shelfOf, windowOf } from './index.ts';
import type { Prices } from './index.ts';

const START = Date.UTC(2025, 1, 2, 10);
const DAY = 24;
const MONTH = 30.4375;
type Row = [hour: number, content: EventContent];
const mead = (honeyG: number, endSg: number, ...more: Row[]): Row[] => [
  [0, honey(honeyG)],
  [0, water(4.2)],
  ...more,
  [1, yeast],
  ...[20, 34, 48, 62].map((day): Row => [DAY * day, reading(endSg, 19)]),
];
const strong = mead(1950, 0.998);
const fruity = mead(1300, 0.994, [0, berries(900)]);
const weak = mead(700, 0.996);
const bottles = (count: number, closure?: ClosureId): EventContent => ({
  kind: 'bottling',
  payload: { bottles: [{ sizeMl: 750, count, kind: 'wine', ...(closure === undefined ? {} : { closure }) }], word: 'It rests there. Yes.' },
});
const out = (end: 'opened' | 'given' | 'burst', count = 1): EventContent => ({ kind: 'bottleOut', payload: { count, end } });
const tasted = (drinks?: Drinks): EventContent => ({
  kind: 'tasting',
  payload: { words: 'round', ...(drinks === undefined ? {} : { drinks }) },
});
const BOTTLED_DAY = 70;
const bottledAt = START + BOTTLED_DAY * DAY_MS;
const ledgerOf = (...rows: Row[]): Ledger => fold(eventsAt(START, rows));
const after = (days: number): number => bottledAt + days * DAY_MS;
const on = (days: number, content: EventContent): Row => [(BOTTLED_DAY + days) * DAY, content];
const closed = (rows: Row[], closure: ClosureId = 'cork', count = 6): Row[] => [...rows, on(0, bottles(count, closure))];

describe('when to drink it', () => {
  const byMonths = (rows: Row[], closure?: ClosureId): number =>
    (windowOf(ledgerOf(...closed(rows, closure)))!.drinkBy - bottledAt) / (MONTH * DAY_MS);
  it('is within months for a weak one, within a year or so with fruit, and years for a strong one of honey', () => {
    expect(byMonths(weak)).toBeLessThan(13);
    expect(byMonths(fruity)).toBeGreaterThan(9);
    expect(byMonths(fruity)).toBeLessThan(21);
    expect(byMonths(strong)).toBeGreaterThan(60);
  });

  it('is in weeks under a screw cap, and tells them apart from the corks beside them', () => {
    expect(byMonths(strong, 'screw cap')).toBeLessThanOrEqual(3);
    const mixed = ledgerOf(...closed(strong), on(0.1, bottles(1, 'screw cap')));
    expect(firstOutBy(mixed)).toBeLessThan(windowOf(mixed)!.drinkBy);
    expect(firstOutBy(ledgerOf(...closed(strong)))).toBeNull();
  });

  it('stands in order, whatever tasters say', () => {
    const words: Drinks[] = ['too young', 'ready', 'at its best', 'fading', 'gone'];
    for (const first of words)
      for (const second of words) {
        const window = windowOf(ledgerOf(...closed(strong), on(100, tasted(first)), on(200, tasted(second))))!;
        const { restsUntil, bestFrom, bestTo, drinkBy } = window;
        expect([restsUntil, bestFrom, bestTo, drinkBy]).toEqual([restsUntil, bestFrom, bestTo, drinkBy].toSorted((a, b) => a - b));
      }
  });

  it('is moved by the maker’s own tastings since the bottling, and says so', () => {
    const plain = windowOf(ledgerOf(...closed(strong)))!;
    const fading = windowOf(ledgerOf(...closed(strong), on(300, tasted('fading'))))!;
    expect(plain.movedBy).toBeNull();
    expect(fading.movedBy).not.toBeNull();
    expect(fading.drinkBy).toBeLessThan(plain.drinkBy);
    expect(windowOf(ledgerOf(...closed(strong), on(30, tasted('too young'))))!.restsUntil).toBeGreaterThanOrEqual(after(30 + 60));
    expect(windowOf(ledgerOf([60 * DAY, tasted('fading')], ...closed(strong)))!.drinkBy).toBe(plain.drinkBy);
  });

  it('says where today lies in it', () => {
    const shelf = shelfOf(ledgerOf(...closed(strong)), after(1))!;
    const { restsUntil, bestFrom, bestTo, drinkBy } = shelf.window;
    const at = (now: number) => ripenessOf(shelf, now);
    expect([at(restsUntil - 1), at(restsUntil), at(bestFrom), at(bestTo), at(drinkBy - 55 * DAY_MS), at(drinkBy)]).toEqual([
      'rests',
      'drink',
      'best',
      'drink',
      'fading',
      'past',
    ]);
    expect(ripenessOf({ ...shelf, left: 0 }, after(1))).toBe('gone');
  });
});

describe('a shelf of bottles', () => {
  const rows = closed(fruity, 'cork', 7);
  const opened = [on(100, out('opened')), on(160, out('opened')), on(220, out('given'))];

  it('counts every bottle once, where it went or where it would be opened', () => {
    const shelf = shelfOf(ledgerOf(...rows, ...opened, on(230, out('burst'))), after(240))!;
    expect(shelf.stands).toHaveLength(7);
    expect(shelf.left).toBe(3);
    expect(shelf.stands.map(({ is }) => is).slice(0, 4)).toEqual(['drunk', 'drunk', 'given', 'gone']);
    expect(shelf.pace).toMatchObject({ openings: 3, isWeak: true, everyMs: 60 * DAY_MS });
    const full = shelf.stands.filter(({ is }) => is === 'full' || is === 'late');
    expect(full.map(({ at }) => Math.round((at - after(240)) / DAY_MS))).toEqual([60, 120, 180]);
  });

  it('says which fall off its end at this pace, and none where nobody knows a pace', () => {
    const slow = shelfOf(ledgerOf(...rows, on(100, out('opened')), on(300, out('opened'))), after(310))!;
    expect(slow.late).toBeGreaterThan(0);
    expect(shelfOf(ledgerOf(...rows), after(310))!.late).toBe(0);
  });

  it('keeps some back, finds some again, and lets nobody open the last one twice', () => {
    const kept = shelfOf(ledgerOf(...rows, on(10, { kind: 'bottleKept', payload: { count: 2, until: after(700) } })), after(20))!;
    expect(kept.kept).toBe(2);
    expect(kept.stands.filter(({ is }) => is === 'kept').map(({ at }) => at)).toEqual([after(700), after(700)]);
    const found = [...rows, on(5, out('opened', 7)), on(6, { kind: 'bottleFound', payload: { count: 2 } })];
    expect(bottlesLeft(ledgerOf(...found))).toBe(2);
    const write = (content: EventContent, ...before: Row[]) =>
      checkEvents(eventsAt(START, before), [{ ...content, id: 'new', happenedAt: after(20) }], after(30));
    expect(() => write(out('opened'), ...rows, on(5, out('opened', 7)))).toThrow(/None of it is left/);
    expect(() => write(out('opened', 3), ...found)).toThrow(/Only 2 bottles/);
    expect(() => write({ kind: 'bottleFound', payload: { count: 3 } }, ...found, on(7, out('opened', 1)))).not.toThrow(Refusal);
    expect(() => write({ kind: 'bottleFound', payload: { count: 1 } }, ...rows)).toThrow(/none is gone/);
    expect(() => write({ kind: 'bottleKept', payload: { count: 8, until: null } }, ...rows)).toThrow(/8 cannot be kept/);
  });

  it('shows what went in for ever, whatever is drunk', () => {
    const before = shelfOf(ledgerOf(...rows), after(1))!.went;
    const later = shelfOf(ledgerOf(...rows, on(400, out('opened', 7))), after(900))!;
    expect(later.went).toEqual(before);
    expect(later.wantsVerdict).toBe(true);
    const said = shelfOf(
      ledgerOf(...rows, on(400, out('opened', 7)), on(401, { kind: 'note', payload: { text: 'good', mark: 'verdict' } })),
      after(900),
    )!;
    expect(said.wantsVerdict).toBe(false);
  });

  it('is drunk in the order in which it ends; what rests or is gone comes last', () => {
    const now = after(200);
    const of = (name: string, rows: Row[]) => ({ name, shelf: shelfOf(ledgerOf(...rows), now)! });
    const all = [of('strong', closed(strong)), of('gone', [...closed(weak), on(100, out('opened', 6))]), of('weak', closed(weak))];
    expect(byDrinking(all, now).map(({ name }) => name)).toEqual(['weak', 'strong', 'gone']);
  });
});

describe('what it cost', () => {
  const LOT = '5e1f0000-0000-4000-8000-000000000001';
  const GLASS = '5e1f0000-0000-4000-8000-000000000002';
  const prices: Prices = { perKg: new Map([[LOT, 10]]), each: new Map([[GLASS, 0.5]]), lotsCalled: new Map([['linden', LOT]]) };
  const withLot: EventContent = {
    kind: 'honey',
    payload: { ...(honey(1500) as Extract<EventContent, { kind: 'honey' }>).payload, lotId: LOT },
  };
  const plan = planOf([{ ...plannedHoney('linden', 1500), lotId: LOT }], 4.2, { otherCost: 2 });
  const crate: EventContent = {
    kind: 'bottling',
    payload: { bottles: [{ sizeMl: 750, count: 6, kind: 'wine', lotId: GLASS }], otherCost: 1 },
  };

  it('is honey by its lot, glass by the piece, and the rest, per bottle that was filled', () => {
    const ledger = ledgerOf([0, withLot], ...strong.slice(1), on(0, crate));
    expect(costOfBottled(ledger, plan, prices)).toMatchObject({ total: 15 + 2 + 3 + 1, perBottle: 3.5, unpriced: [] });
  });

  it('gives a returned empty back to its crate, and never more than went', () => {
    const rows: Row[] = [[0, withLot], ...strong.slice(1), on(0, crate)];
    const back = (count: number): Row => on(5, { kind: 'bottleOut', payload: { count, end: 'opened', back: true } });
    expect(ledgerOf(...rows).taken[GLASS]).toBe(6);
    expect(ledgerOf(...rows, back(2)).taken[GLASS]).toBe(4);
    expect(ledgerOf(...rows, back(6)).taken[GLASS]).toBe(0);
  });

  it('says what has no price', () => {
    const ledger = ledgerOf([0, berries(500)], ...closed(strong));
    expect(costOfBottled(ledger, planOf([], 4), { perKg: new Map(), each: new Map(), lotsCalled: new Map() })!.unpriced.toSorted()).toEqual(
      ['gooseberries', 'linden'],
    );
  });
});

describe('side by side', () => {
  const warm: Row[] = closed([...fruity.slice(0, 4), ...[10, 24, 38, 52].map((day): Row => [DAY * day, reading(0.994, 25)])]);
  const cool: Row[] = closed(fruity);
  it('tells what differed, each in a sentence, and nothing of what is alike', () => {
    const rows = compareBatches([
      { name: 'Cool', ledger: ledgerOf(...cool) },
      { name: 'Warm', ledger: ledgerOf(...warm) },
    ]);
    const told = (label: string): string | null => {
      const { differs } = rows.find((row) => row.label === label)!;
      return differs === null ? null : plainly(differs);
    };
    expect(told('warmth')).toBe('Warm stood 6.0 °C warmer.');
    expect(told('took')).toMatch(/^Cool took 240 h longer/);
    expect(told('honey')).toBeNull();
    expect(told('yeast')).toBeNull();
  });

  it('lays curves over each other from the pitch, up to the bottling', () => {
    const ledger = ledgerOf(...cool, on(30, reading(0.99, 20)));
    const curve = curveOf(ledger);
    expect(curve[0]).toMatchObject({ day: 0 });
    expect(curve).toHaveLength(5);
    expect(curve[0]!.sg).toBeCloseTo(ledger.history.pitch!.sg, 6);
    expect(viewOf(ledger)).not.toBeNull();
  });
});

describe('what the cellar asks on Rounds', () => {
  const kinds = (now: number, ...rows: Row[]): string[] =>
    asksOf(ledgerOf(...rows), null, now)
      .filter(({ bell }) => bell !== 'still')
      .map(({ kind, bell }) => `${kind} ${bell}`);
  const swing = { sizeMl: 500, count: 8, kind: 'swing-top', closure: 'swing-top', ratedVolumes: 4 } as const;
  const gas: EventContent = {
    kind: 'bottling',
    payload: { bottles: [swing], prime: { what: 'sucrose', name: 'table sugar', massG: 20, where: 'bulk', volumeL: 4.2, warmestC: 20 } },
  };
  it('asks for a test bottle on its day, until one was opened', () => {
    const rows = [...weak, on(0, gas)];
    expect(kinds(after(13.9), ...rows)).toContain('testBottle muffled');
    expect(kinds(after(14.1), ...rows)).toContain('testBottle swinging');
    expect(kinds(after(15), ...rows, on(14.5, out('opened')))).not.toContain('testBottle swinging');
    expect(kinds(after(15), ...closed(weak))).not.toContain('testBottle swinging');
  });

  it('asks for a first taste, one after half a year and one after a year', () => {
    const rows = closed(strong);
    const { restsUntil } = windowOf(ledgerOf(...rows))!;
    expect(kinds(restsUntil - 11 * DAY_MS, ...rows)).toEqual([]);
    expect(kinds(restsUntil + DAY_MS, ...rows)).toEqual(['tasteAgain swinging']);
    const tastedThen: Row = [(restsUntil - START) / 3_600_000 + 48, tasted()];
    expect(kinds(restsUntil + 4 * DAY_MS, ...rows, tastedThen)).toEqual([]);
    expect(kinds(after(366), ...rows, tastedThen)).toEqual(['tasteAgain swinging']);
  });

  it('says what is to be drunk, eight weeks before its end and louder after four', () => {
    const rows = closed(weak);
    const { drinkBy } = windowOf(ledgerOf(...rows))!;
    const said: Row = [(drinkBy - START) / 3_600_000 - 24 * 70, tasted()];
    const at = (daysBefore: number) => kinds(drinkBy - daysBefore * DAY_MS, ...rows, said).filter((each) => each.startsWith('drinkBy'));
    expect(at(57)).toEqual([]);
    expect(at(55)).toEqual(['drinkBy muffled']);
    expect(at(27)).toEqual(['drinkBy swinging']);
    expect(kinds(drinkBy + DAY_MS, ...rows, said, on(20, out('opened', 6)))).toEqual(['verdict swinging']);
  });
});
