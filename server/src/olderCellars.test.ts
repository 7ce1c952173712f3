import type { Batch, BatchList, Standing } from '@hollow-bell/contract';
import { LEDGER_VERSION, viewOf } from '@hollow-bell/core/record';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate, migratorOf } from './database/migrate.ts';
import { leftBehind, samples } from './test/leftBehind.ts';
import { happened, newBatch, pitched, testApp } from './test/server.ts';

type App = Awaited<ReturnType<typeof testApp>>;

describe('a cellar that earlier programs wrote', () => {
  let app: App;
  const left = new Map<string, string>();
  beforeAll(async () => {
    app = await testApp();
    for (const [name, { events, ledger, child }] of samples) {
      left.set(name, await leftBehind(app, name, events, ledger));
      if (child !== null) left.set(`${name}, child`, await leftBehind(app, `${name}, child`, child, ledger));
    }
  });
  afterAll(() => app.app.close());

  it.each(samples)('%s: is folded anew by the first who asks for it, and reads as it did', async (name, { view, ledger }) => {
    const id = left.get(name)!;
    const { body } = await app.call<Batch>('GET', `/batches/${id}`);
    expect(body.ledger.version).toBe(LEDGER_VERSION);
    const now = viewOf(body.ledger)!;
    expect(now.sg).toBeCloseTo(view.sg, 3);
    expect(now.volumeL).toBeCloseTo(view.volumeL, 3);
    expect(body.ledger).not.toEqual(ledger);
    expect(body.events.every(({ version }) => version === 1)).toBe(true);
  });

  it('is shown whole on Rounds and in the book before anything of it was folded, and once for all in the background', async () => {
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version', open = true`);
    const { body } = await app.call<{ standing: Standing[] }>('GET', '/rounds');
    expect(body.standing).toHaveLength(left.size);
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    const book = (await app.call<BatchList>('GET', '/batches')).body.batches;
    expect(book.filter(({ sg }) => sg !== null)).toHaveLength(left.size);
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    expect(await app.cellar.batches.refoldOlder()).toEqual({ folded: left.size, failed: [] });
    expect(await app.cellar.batches.refoldOlder()).toEqual({ folded: 0, failed: [] });
  });

  it('stops folding in the background when it is told to', async () => {
    await app.sequelize.query(`UPDATE batches SET ledger = ledger - 'version'`);
    expect(await app.cellar.batches.refoldOlder(AbortSignal.abort())).toEqual({ folded: 0, failed: [] });
    expect((await app.cellar.batches.refoldOlder()).folded).toBe(left.size);
  });
});

describe('plans that earlier programs wrote', () => {
  const planAfter = async (down: string, old: (plan: Batch['plan']) => object): Promise<Batch['plan']> => {
    const app = await testApp();
    const { id } = await newBatch(app, happened(...pitched));
    const whole = (await app.call<Batch>('GET', `/batches/${id}`)).body;
    const migrator = migratorOf(app.sequelize);
    await migrator.down({ to: down });
    await app.sequelize.query('UPDATE batch_plans SET plan = $plan', { bind: { plan: JSON.stringify(old(whole.plan)) } });
    await migrator.up();
    const found = await app.sequelize.query<{ plan: Batch['plan'] }>('SELECT plan FROM batch_plans', { type: QueryTypes.SELECT });
    await app.app.close();
    return found[0]!.plan;
  };

  it('are read as plans of ingredients where they knew honeys alone', async () => {
    const honeys = [{ name: 'linden', massG: 1500, moisture: 0.172, unfermentable: 0.032 }];
    const { must, practice } = await planAfter('20261124-the-must', ({ must: { waterL, yeastId, vessel, roomTempC } }) => ({
      must: { honeys, waterL, yeastId, vessel, roomTempC },
      practice: { units: 'us' },
    }));
    expect(must.ingredients).toMatchObject([{ name: 'linden', massG: 1500, family: 'honey', stage: 'before' }]);
    expect(practice).toMatchObject({ units: 'us', pitch: 'rehydrate' });
  });

  it('are read with the feeding they had where makers could not choose it', async () => {
    const { practice } = await planAfter('20261125-feeding', (whole) => ({ ...whole, practice: { units: 'us' } }));
    expect(practice).toMatchObject({ units: 'us', school: 'clock', setDoses: [], ammonium: { source: 'dap' } });
  });
});

describe('a cellar that a newer program opened', () => {
  it('is left alone, with a sentence that says what to do', async () => {
    const app = await testApp();
    await app.sequelize.query(`INSERT INTO migrations (name) VALUES ('20991231-bees')`);
    await expect(migrate(app.sequelize)).rejects.toThrow(/newer Hollow Bell .*20991231-bees.*nothing was changed/);
    await app.app.close();
  });
});
