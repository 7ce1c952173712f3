import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { mkdtempSync, readFileSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ApiError, Batch, BatchList, CellarFile, Imported } from '@hollow-bell/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { emptyLedger } from '@hollow-bell/core/record';
import type { Ledger } from '@hollow-bell/core/record';
import { strFromU8, unzipSync } from 'fflate';
import { loadDemoCellar } from './features/demo/load.ts';
import { NOW, happened, newBatch, pitched, plan, poured, testApp } from './test/server.ts';

type App = Awaited<ReturnType<typeof testApp>>;

let demo: App;
beforeAll(async () => {
  demo = await testApp();
  await loadDemoCellar(demo.cellar);
  const id = randomUUID();
  const recipe = { id, name: 'Linden / plain', tags: ['dry'], note: '', must: plan.must, fromBatch: null };
  await demo.call('PUT', `/recipes/${id}`, { recipe, afterVersion: 0 });
});
afterAll(() => demo.app.close());

const whole = async (app: App): Promise<CellarFile> => (await app.call<CellarFile>('GET', '/files/cellar.json')).body;
const bring = <T = Imported>(app: App, file: unknown, isTrial = false) => app.call<T>('POST', '/files', { file, isTrial });

/** Everything that any station reads. */
async function figures(app: App): Promise<unknown> {
  const { batches } = (await app.call<BatchList>('GET', '/batches')).body;
  const records = await Promise.all(batches.map(async ({ id }) => (await app.call<Batch>('GET', `/batches/${id}`)).body));
  const views = ['/rounds', '/cellar', '/practice', '/batches'].map(async (path) => (await app.call('GET', path)).body);
  const byId = <T extends { id: string }>(all: T[]): T[] => all.toSorted((a, b) => (a.id < b.id ? -1 : 1));
  const shelf = (await app.call<{ items: { item: { id: string }; takenG: number }[] }>('GET', '/shelf')).body.items;
  const recipes = (await app.call<{ recipes: { recipe: { id: string }; made: unknown }[] }>('GET', '/recipes')).body.recipes;
  return {
    records: byId(records),
    views: await Promise.all(views),
    shelf: byId(shelf.map(({ item, takenG }) => ({ ...item, takenG }))),
    recipes: byId(recipes.map(({ recipe, made }) => ({ ...recipe, made }))),
  };
}

describe('a whole cellar', () => {
  it('goes out and comes in again with every figure of every station as it was', async () => {
    const file = await whole(demo);
    expect(file.batches.length).toBeGreaterThan(15);
    const empty = await testApp();
    const trial = (await bring(empty, file, true)).body;
    expect(trial.isDone).toBe(false);
    expect((await empty.call<BatchList>('GET', '/batches')).body.batches).toEqual([]);
    const done = (await bring(empty, file)).body;
    expect(done).toEqual({ ...trial, isDone: true });
    expect(done.brought.every(({ does }) => does === 'comes in')).toBe(true);
    expect(await figures(empty)).toEqual(await figures(demo));
    expect((await whole(empty)).batches).toEqual(file.batches);
    const again = (await bring(empty, file)).body;
    expect(again.brought.every(({ does }) => does === 'is here already')).toBe(true);
    await empty.app.close();
  });

  it('grows by what was written on elsewhere, and keeps what was changed here', async () => {
    const [home, away] = [await testApp(), await testApp()];
    const { id } = await newBatch(home, happened(...poured));
    await bring(away, await whole(home));
    await away.call('POST', `/batches/${id}/events`, { afterSeq: 2, events: happened([99, pitched[2]![1]]) });
    const grown = (await bring(home, await whole(away))).body;
    expect(grown.brought).toEqual([{ what: 'batch', name: 'Linden', does: 'grows', entries: 1 }]);
    expect((await home.call<Batch>('GET', `/batches/${id}`)).body).toEqual((await away.call<Batch>('GET', `/batches/${id}`)).body);
    const older = (await bring(away, await whole(home))).body;
    expect(older.brought[0]!.does).toBe('is here already');
    for (const app of [home, away]) await app.app.close();
  });

  it('grows by a plan that went on elsewhere, and by what a float sent', async () => {
    const [home, away] = [await testApp(), await testApp()];
    const { id } = await newBatch(home, happened(...poured));
    await bring(away, await whole(home));
    await away.call('PUT', `/batches/${id}/plan`, { afterVersion: 1, plan: { ...plan, must: { ...plan.must, waterL: 3.5 } } });
    const file = await whole(away);
    const [batch] = file.batches;
    const float = [{ deviceId: randomUUID(), slot: 5, at: NOW, sg: 1.05, tempC: null }];
    const grown = (await bring(home, { ...file, batches: [{ ...batch!, float }] })).body;
    expect(grown.brought[0]).toMatchObject({ does: 'grows', entries: 0 });
    const { planVersion, plan: now, float: sent } = (await home.call<Batch>('GET', `/batches/${id}`)).body;
    expect([planVersion, now.must.waterL, sent.length]).toEqual([2, 3.5, 1]);
    for (const app of [home, away]) await app.app.close();
  });

  it.each<[string, (file: CellarFile) => unknown, RegExp]>([
    ['that is none', () => ({ a: 1 }), /no cellar of Hollow Bell’s; nothing was changed/],
    ['of a newer program', (file) => ({ ...file, version: 2 }), /newer Hollow Bell/],
    [
      'with an entry that cannot be',
      (file) => spoiled(file, { volumeL: -4 }),
      /^In its batches 1, entry 2, volume in liters: It must lie.*Nothing was changed/,
    ],
    [
      'with an entry too many',
      (file) => ({ ...file, batches: file.batches.map((b) => ({ ...b, events: [...b.events, b.events[0]!] })) }),
      /numbered one after the other/,
    ],
    ['with more in it than belongs', (file) => ({ ...file, batches: [{ ...file.batches[0]!, plans: [] }] }), /At least 1 must be listed/],
    [
      'with an entry that is none',
      (file) => ({ ...file, batches: [{ ...file.batches[0]!, events: [null] }] }),
      /entry 1, kind: Nothing of that kind/,
    ],
    ['with a parcel that is none', (file) => withParcel(file, {}), /is nothing that can be poured/],
    [
      'with a parcel of odd parts',
      (file) => withParcel(file, { ...emptyLedger(), history: { ...emptyLedger().history, readings: [{}] } }),
      /cannot come in/,
    ],
    [
      'with liquid from a batch that never gave it',
      (file) => withParcel(file, { ...emptyLedger(), liquid: { ...emptyLedger().liquid, sugarG: 500 } }, file.batches[0]!.id),
      /is not what “elsewhere” gave/,
    ],
    [
      'with text that no database keeps',
      (file) => ({ ...file, batches: [{ ...file.batches[0]!, name: 'x\0' }] }),
      /A sign in it cannot be kept/,
    ],
  ])('%s is refused whole', async (_, spoil, says) => {
    const [home, other] = [await testApp(), await testApp()];
    await newBatch(home, happened(...pitched));
    const answer = await bring<ApiError>(other, spoil(await whole(home)));
    expect([answer.status, answer.body.message]).toEqual([422, expect.stringMatching(says)]);
    expect((await other.call<BatchList>('GET', '/batches')).body.batches).toEqual([]);
    for (const app of [home, other]) await app.app.close();
  });

  it('with more in a split than its parent gave is refused', async () => {
    const file = await whole(demo);
    const other = await testApp();
    const more = JSON.parse(JSON.stringify(file), (key, value: unknown) =>
      key === 'parcel' ? sweetened(value as Ledger) : value,
    ) as unknown;
    expect((await bring<ApiError>(other, more)).body.message).toMatch(/is not what “.*” gave/);
    await other.app.close();
  });

  it('whose record parts from the one here is refused, and everything of the file with it', async () => {
    const [home, away] = [await testApp(), await testApp()];
    const { id } = await newBatch(home, happened(...poured));
    await bring(away, await whole(home));
    const note = (text: string) => ({ afterSeq: 2, events: happened([1, { kind: 'note', payload: { text } }]) });
    await home.call('POST', `/batches/${id}/events`, note('here'));
    await away.call('POST', `/batches/${id}/events`, note('there'));
    await newBatch(away, happened(...poured));
    const answer = await bring<ApiError>(home, await whole(away));
    expect(answer.body.message).toMatch(/“Linden” cannot come in: it was written on here and there.*Nothing was changed/);
    expect((await home.call<BatchList>('GET', '/batches')).body.batches).toHaveLength(1);
    for (const app of [home, away]) await app.app.close();
  });
});

const sweetened = (parcel: Ledger): Ledger => ({ ...parcel, liquid: { ...parcel.liquid, sugarG: parcel.liquid.sugarG + 50 } });

/** A batch that begins with a parcel from elsewhere. */
function withParcel(file: CellarFile, parcel: object, fromBatchId: string = randomUUID()): unknown {
  const [batch] = file.batches;
  const { id, enteredAt, happenedAt } = batch!.events[0]!;
  const payload = { fromBatchId, fromName: 'elsewhere', volumeL: 1, parcel };
  return { ...file, batches: [{ ...batch, events: [{ id, seq: 1, enteredAt, happenedAt, kind: 'transferIn', payload }] }] };
}

/** The second entry of the first batch with something else in it. */
function spoiled(file: CellarFile, payload: object): unknown {
  const [batch, ...others] = file.batches;
  const events = batch!.events.map((event, i) => (i === 1 ? { ...event, payload } : event));
  return { ...file, batches: [{ ...batch, events }, ...others] };
}

describe('one batch', () => {
  it('goes out with the batches that its liquid came from and went into, and no others', async () => {
    const file = await whole(demo);
    const split = file.batches.find(({ events }) => events.some(({ kind }) => (kind as string) === 'transferOut'))!;
    const family = (await demo.call<CellarFile>('GET', `/files/batches/${split.id}.json`)).body;
    expect(family.batches.length).toBeGreaterThan(1);
    expect(family.batches.length).toBeLessThan(file.batches.length);
    const child = family.batches.find(({ id }) => id !== split.id)!;
    const fromChild = (await demo.call<CellarFile>('GET', `/files/batches/${child.id}.json`)).body;
    expect(fromChild.batches.map(({ id }) => id)).toEqual(family.batches.map(({ id }) => id));
    expect([family.shelf, family.recipes, family.practice]).toEqual([[], [], null]);
    expect((await demo.call('GET', `/files/batches/${randomUUID()}.json`)).status).toBe(404);
  });
});

describe('everything as a ZIP', () => {
  it('is read by another program, holds the file that comes in again, tables and texts, each name once', async () => {
    const response = await demo.app.inject({ method: 'GET', url: '/api/files/everything.zip', headers: { host: 'localhost' } });
    expect(response.headers['content-type']).toBe('application/zip');
    const folder = mkdtempSync(join(tmpdir(), 'hollow-bell-zip-'));
    writeFileSync(join(folder, 'all.zip'), response.rawPayload);
    execFileSync('python3', ['-m', 'zipfile', '-e', join(folder, 'all.zip'), join(folder, 'out')]);
    const file = JSON.parse(readFileSync(join(folder, 'out', 'cellar.hollow-bell.json'), 'utf8')) as CellarFile;
    expect(file.batches).toEqual((await whole(demo)).batches);
    expect(readdirSync(join(folder, 'out')).toSorted()).toEqual(
      ['batches', 'calendar.ics', 'cellar.hollow-bell.json', 'entries.csv', 'recipes', 'shelf.csv'].toSorted(),
    );
    expect(readdirSync(join(folder, 'out', 'batches'))).toHaveLength(2 * file.batches.length);
    rmSync(folder, { recursive: true });
    const texts = unzipSync(response.rawPayload);
    const entries = strFromU8(texts['entries.csv']!).trim().split('\n');
    expect(entries).toHaveLength(
      1 + file.batches.flatMap(({ events }) => events).filter(({ kind }) => (kind as string) !== 'amendment').length,
    );
    expect(strFromU8(texts['batches/Borage even.md']!)).toMatch(/^# Borage, even\n\n- \d{4}-\d\d-\d\d \d\d:\d\d: /);
  });
});

describe('the published schema', () => {
  it('stands at an address', async () => {
    const { status, body } = await demo.call<{ properties: object }>('GET', '/schemas/cellar.json');
    expect([status, Object.keys(body.properties)]).toEqual([200, expect.arrayContaining(['format', 'batches', 'shelf'])]);
    expect((await demo.call('GET', '/schemas/secrets.json')).status).toBe(400);
  });
});
