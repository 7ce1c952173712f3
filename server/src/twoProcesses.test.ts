import { randomUUID } from 'node:crypto';
import type { ApiError, Batch, BatchList, MadeFloat, Standing } from '@hollow-bell/contract';
import { LEDGER_VERSION } from '@hollow-bell/core/record';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { freshDatabase, happened, newBatch, pitched, plan, testApp } from './test/server.ts';

type App = Awaited<ReturnType<typeof testApp>>;

/** Two servers that know nothing of each other but the database. */
describe('two servers on one database', () => {
  let [one, two] = [] as unknown as [App, App];
  beforeAll(async () => {
    const database = await freshDatabase();
    one = await testApp(database);
    two = await testApp(database);
  });
  afterAll(() => Promise.all([one.app.close(), two.app.close()]));

  const standing = async ({ call }: App, id: string): Promise<Standing | undefined> =>
    (await call<{ standing: Standing[] }>('GET', '/rounds')).body.standing.find((each) => each.id === id);

  it('show on Rounds at once what was written through the other', async () => {
    const { id } = await newBatch(one, happened(...pitched));
    expect((await standing(two, id))?.phase).toBe('unread');
    const reading = happened([1, { kind: 'reading', payload: { sg: 1.06, tempC: 20, calibrationC: 20 } }]);
    await one.call('POST', `/batches/${id}/events`, { afterSeq: 3, events: reading });
    expect((await standing(two, id))?.sg).toBeCloseTo(1.06, 3);
    expect((await standing(two, id))?.sg).toBe((await standing(one, id))?.sg);
  });

  it('refuse a write that has not seen what came through the other', async () => {
    const { id } = await newBatch(one, happened(...pitched));
    const note = () => happened([1, { kind: 'note', payload: { text: 'foam' } }]);
    expect((await one.call('POST', `/batches/${id}/events`, { afterSeq: 3, events: note() })).status).toBe(200);
    const late = await two.call<ApiError>('POST', `/batches/${id}/events`, { afterSeq: 3, events: note() });
    expect([late.status, late.body.since?.length]).toEqual([409, 1]);
  });

  it('know each other’s sessions, codes and wrong guesses', async () => {
    const [doors, others] = [one.cellar.doors, two.cellar.doors];
    await doors.setPassphrase('four words of linden honey');
    const come = (await others.signIn('four words of linden honey', 'phone', '10.0.0.1'))!;
    const session = (await doors.sessionOf(come.token, '10.0.0.1'))!;
    await doors.end(session.id);
    expect(await others.sessionOf(come.token, '10.0.0.1')).toBeNull();
    const { code } = await doors.makeCode('guest');
    const both = await Promise.all([doors.pair(code, 'x', '10.0.0.2'), others.pair(code, 'y', '10.0.0.3')]);
    expect(both.filter((each) => each !== null)).toHaveLength(1);
    for (let i = 0; i < 4; i++) await doors.signIn('wrong one here', 'x', '10.0.0.9');
    await expect(others.signIn('four words of linden honey', 'x', '10.0.0.9')).rejects.toThrow(/Too many/);
  });

  it('take a float’s readings through either, each once', async () => {
    const { id: batchId } = await newBatch(one, happened(...pitched));
    const { token } = (await one.call<MadeFloat>('POST', '/floats', { id: randomUUID(), name: 'bob', batchId })).body;
    const readings = [{ at: '2026-06-15T11:00:00Z', sg: 1.05 }];
    const post = ({ call }: App) =>
      call<{ kept: number; repeated: number }>('POST', '/float', { readings }, { authorization: `Bearer ${token}` });
    const answers = await Promise.all([post(one), post(two)]);
    expect(answers.map(({ status }) => status)).toEqual([200, 200]);
    expect(answers.reduce((sum, { body }) => sum + body.kept, 0)).toBe(1);
  });

  it('fold older ledgers once, whoever meets them first', async () => {
    await one.sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{version}', '1')`);
    const { batches } = (await one.call<BatchList>('GET', '/batches')).body;
    await one.sequelize.query(`UPDATE batches SET ledger = jsonb_set(ledger, '{version}', '1')`);
    const [a, b] = await Promise.all([one.cellar.batches.refoldOlder(), two.cellar.batches.refoldOlder()]);
    expect([a.failed, b.failed]).toEqual([[], []]);
    for (const { id } of batches) expect((await two.call<Batch>('GET', `/batches/${id}`)).body.ledger.version).toBe(LEDGER_VERSION);
  });

  it('make the same batch once', async () => {
    const id = randomUUID();
    const make = ({ call }: App) => call<Batch>('POST', '/batches', { id, name: 'Linden', plan });
    const answers = await Promise.all([make(one), make(two), make(one), make(two)]);
    expect(answers.map(({ status, body }) => [status, body.planVersion])).toEqual(answers.map(() => [200, 1]));
  });
});
