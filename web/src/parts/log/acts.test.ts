import { misfitOf } from '@hollow-bell/contract';
import { BODIES } from '@hollow-bell/contract/bodies';
import { checkEvents } from '@hollow-bell/core/check';
import { eventsAt, fold, massImbalanceG } from '@hollow-bell/core/record';
import type { EventContent, Ledger } from '@hollow-bell/core/record';
import { MEAN_HONEY, referenceIngredient } from '@hollow-bell/core/ingredients';
import { describe, expect, it } from 'vitest';
import { ACTS } from './acts.ts';
import type { Act, Given } from './acts.ts';

const START = Date.UTC(2026, 4, 2, 10);
const HOUR = 3_600_000;
const jug = { kind: 'jug', name: 'jug', capacityL: 5 } as const;
const beside = { kind: 'jug', name: 'small jug', capacityL: 0.6 } as const;
const into = [
  { vessel: jug, volumeL: 4 },
  { vessel: beside, volumeL: 0.5, companion: true },
];
const { name, makes, composition, sugarSpread } = referenceIngredient('raspberry')!;
const must: [number, EventContent][] = [
  [0, { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } }],
  [0, { kind: 'water', payload: { volumeL: 4 } }],
  [0, { kind: 'ingredient', payload: { name, family: 'fruit', makes, composition, sugarSpread, massG: 900 } }],
  [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 5 } }],
];
const racked: [number, EventContent][] = [...must, [200, { kind: 'vessels', payload: { into } }]];
const bottled: [number, EventContent][] = [...must, [900, { kind: 'bottling', payload: { bottles: [{ sizeMl: 750, count: 4 }] } }]];
const given = (act: Act): Given =>
  Object.fromEntries(
    act.asks.map((ask): [string, string | number] => {
      if (ask.is === 'choice') return [ask.name, ask.options[0]?.value ?? ''];
      if (ask.is === 'text') return [ask.name, 'the cellar'];
      return [ask.name, ask.kind === 'temp' ? (ask.limits?.low ?? 10) + 5 : ask.kind === 'count' ? 2 : 0.2];
    }),
  );
const open = (rows: [number, EventContent][]): Act[] => ACTS.filter(({ isOpen }) => isOpen(fold(eventsAt(START, rows))));

describe('what happened, by its form', () => {
  const forms = [
    ...open(racked).map((act) => [act.id, act, racked] as const),
    ...open(bottled).map((act) => [act.id, act, bottled] as const),
  ];

  it.each(forms)('%s: what it writes fits the record, folds, and loses no mass', (_id, act, rows) => {
    const before: Ledger = fold(eventsAt(START, rows));
    const contents = act.make(given(act), before);
    expect(contents.length).toBeGreaterThan(0);
    const at = START + 1000 * HOUR;
    const fresh = contents.map((content, i) => ({ ...content, id: `00000000-0000-4000-8000-00000000000${i}`, happenedAt: at }));
    expect(misfitOf(BODIES.append, { afterSeq: 0, events: fresh.map((event) => ({ ...event, version: 1 })) })).toBeNull();
    expect(() => checkEvents(eventsAt(START, rows), fresh, at)).not.toThrow();
    const after = fold(eventsAt(START, [...rows, ...contents.map((content): [number, EventContent] => [1000, content])]));
    expect(Math.abs(massImbalanceG(after.liquid))).toBeLessThan(1e-6);
    expect(JSON.stringify(after.history)).not.toBe(JSON.stringify(before.history));
  });

  it('is offered where there is something to do it to', () => {
    const ids = (rows: [number, EventContent][]): string[] => open(rows).map(({ id }) => id);
    expect(ids([])).toEqual(['next time', 'tasting']);
    expect(ids(must)).not.toContain('topUp');
    expect(ids(racked)).toContain('topUp');
    expect(ids(must)).not.toContain('opened');
    expect(ids(bottled)).toEqual(expect.arrayContaining(['opened', 'given', 'broken', 'heat']));
  });

  it('takes what foamed over while degassing as a range, its ends in either order, and nothing where nothing did', () => {
    const degassed = ACTS.find(({ id }) => id === 'degassed')!;
    const before = fold(eventsAt(START, must));
    expect(degassed.make({ lowL: null, highL: null }, before).map(({ kind }) => kind)).toEqual(['note']);
    expect(degassed.make({ lowL: 2, highL: 1 }, before)[1]!.payload).toEqual({ volumeL: 1.5, lowL: 1, highL: 2, reason: 'foam' });
    expect(degassed.make({ lowL: null, highL: 1 }, before)[1]!.payload).toMatchObject({ lowL: 1, highL: 1 });
  });
});
