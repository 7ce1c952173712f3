import type { Batch, ShelvedBatch, Standing } from '@hollow-bell/contract';
import { DAY_MS } from '@hollow-bell/core/quantities';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { NOW, testApp } from '../../test/server.ts';
import { loadDemoCellar } from './load.ts';

type App = Awaited<ReturnType<typeof testApp>>;
let app: App;
beforeAll(async () => {
  app = await testApp();
});
afterAll(() => app.app.close());

describe('the Cellar', () => {
  it('is empty before anything is bottled', async () => {
    expect((await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body.shelves).toEqual([]);
  });

  it('holds every bottled batch of the demo with what went in, its window, its words and its cost', async () => {
    await loadDemoCellar(app.cellar);
    const { shelves } = (await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body;
    expect(shelves.length).toBeGreaterThanOrEqual(6);
    for (const { name, shelf, cost, style } of shelves) {
      expect(shelf.stands, name).toHaveLength(shelf.filled);
      expect(shelf.window.drinkBy, name).toBeGreaterThan(shelf.window.restsUntil);
      expect(cost!.perBottle, name).toBeGreaterThan(0);
      expect(style, name).not.toBe('');
      expect(shelf.isAlarm, name).toBe(false);
    }
    const sparkling = shelves.find(({ name }) => name === 'Gooseberry, sparkling')!;
    expect(sparkling.shelf.went.gas!.word).toBe('lively');
  });

  it('puts a test bottle that is due on Rounds, and nothing of what only lies there', async () => {
    const { standing } = (await app.call<{ standing: Standing[] }>('GET', '/rounds')).body;
    const asksOf = (name: string) => standing.find((each) => each.name === name)?.asks.map(({ kind }) => kind) ?? [];
    expect(asksOf('Borage, first fizz')).toContain('testBottle');
    expect(asksOf('Rhubarb, borage')).toContain('drinkBy');
    expect(standing.map(({ name }) => name)).not.toContain('Quince, linden');
  });

  it('gives the last bottle to one of two who open it', async () => {
    const { shelves } = (await app.call<{ shelves: ShelvedBatch[] }>('GET', '/cellar')).body;
    const each = shelves.find(({ name }) => name === 'Quince, linden')!;
    const { lastSeq } = (await app.call<Batch>('GET', `/batches/${each.id}`)).body;
    const out = (count: number) => ({
      id: crypto.randomUUID(),
      happenedAt: NOW - DAY_MS / 24,
      kind: 'bottleOut',
      payload: { count, end: 'opened' },
    });
    await app.call('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq, events: [out(each.shelf.left - 1)] });
    const two = await Promise.all(
      [1, 2].map(() => app.call<{ message: string }>('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq + 1, events: [out(1)] })),
    );
    expect(two.map(({ status }) => status).toSorted()).toEqual([200, 409]);
    const late = await app.call<{ message: string }>('POST', `/batches/${each.id}/events`, { afterSeq: lastSeq + 2, events: [out(1)] });
    expect(late.status).toBe(422);
    expect(late.body.message).toMatch(/None of it is left/);
  });
});
