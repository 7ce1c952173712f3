import { DEFAULT_PRACTICE } from '@hollow-bell/contract';
import { MEAN_HONEY } from '@hollow-bell/core/ingredients';
import { eventsAt, fold } from '@hollow-bell/core/record';
import type { BatchEvent, EventContent } from '@hollow-bell/core/record';
import { planOf, plannedHoney } from '@hollow-bell/core/must';
import autocannon from 'autocannon';
import { QueryTypes } from 'sequelize';
import pg from 'pg';
import { buildApp } from '../server/src/app.ts';
import { readConfig } from '../server/src/config.ts';
import { connect } from '../server/src/database/connect.ts';
import { migratorOf } from '../server/src/database/migrate.ts';
import { HOUR_MS } from '@hollow-bell/core/quantities';

const BATCHES = 5000;
const OPEN = 200;
const READINGS = 200;
const ROUNDS = 7;
const SECONDS = 3;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN;
const share = (values: readonly number[], part: number): number =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * part))] ?? Number.NaN;

/** A must of 200 readings that falls, a little differently for each kind. */
function templateOf(kind: number, startAt: number): BatchEvent[] {
  const rows: [number, EventContent][] = [
    [
      0,
      { kind: 'honey', payload: { name: 'linden', massG: 1500, moisture: MEAN_HONEY.moisture, unfermentable: MEAN_HONEY.unfermentable } },
    ],
    [0, { kind: 'water', payload: { volumeL: 4 } }],
    [1, { kind: 'yeast', payload: { yeastId: 'allround', name: 'even', massG: 3 } }],
    ...Array.from({ length: READINGS }, (_, i): [number, EventContent] => [
      6 + i * (1.2 + kind / 10),
      { kind: 'reading', payload: { sg: Math.round(1e4 * (1.09 - (0.07 * i) / READINGS)) / 1e4, tempC: 20, calibrationC: 20 } },
    ]),
  ];
  return eventsAt(startAt, rows);
}

/** A cellar of 5,000 batches and a million readings, 200 of the batches open. */
async function fill(url: string, now: number): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  const plan = { must: planOf([plannedHoney('linden', 1500)], 4), practice: DEFAULT_PRACTICE };
  for (let kind = 0; kind < 10; kind++) {
    const events = templateOf(kind, now - 20 * 24 * HOUR_MS);
    const ledger = JSON.stringify(fold(events));
    await client.query(
      `WITH fresh AS (
         INSERT INTO batches (id, name, created_at, last_seq, plan_version, ledger, open)
         SELECT gen_random_uuid(), 'Batch ' || n, to_timestamp($2::bigint / 1000.0), $3, 1, $1::jsonb, n <= $4
         FROM generate_series(1, $5::int) AS n RETURNING id),
       plans AS (INSERT INTO batch_plans (batch_id, version, plan, written_at) SELECT id, 1, $6::jsonb, now() FROM fresh)
       INSERT INTO batch_events (id, batch_id, seq, kind, happened_at, entered_at, payload)
       SELECT gen_random_uuid(), fresh.id, (event->>'seq')::int, event->>'kind', to_timestamp((event->>'happenedAt')::bigint / 1000.0),
         to_timestamp((event->>'enteredAt')::bigint / 1000.0), event->'payload'
       FROM jsonb_array_elements($7::jsonb) AS event CROSS JOIN fresh`,
      [ledger, now, events.length, OPEN / 10, BATCHES / 10, JSON.stringify(plan), JSON.stringify(events)],
    );
  }
  await client.query('VACUUM ANALYZE');
  await client.end();
}

interface Measured {
  perSecond: number;
  p99Ms: number;
}
async function load(url: string): Promise<Measured> {
  const { requests, latency, non2xx } = await autocannon({ url, connections: 10, duration: SECONDS });
  if (non2xx > 0) throw new Error(`${non2xx} requests were refused`);
  return { perSecond: requests.average, p99Ms: latency.p99 };
}

/** Rounds and the reading of one batch, through the real server on a cellar of a million readings. */
export async function recordTimes(databaseUrl: string): Promise<string[]> {
  const now = Date.now();
  const sequelize = connect(databaseUrl);
  await migratorOf(sequelize).up();
  await fill(databaseUrl, now);
  const config = readConfig({ host: '127.0.0.1', port: 0, databaseUrl: databaseUrl, logLevel: 'silent', requestsPerMinute: 10_000_000 });
  const { app } = await buildApp({ config, sequelize, now: () => Date.now() });
  const bare = new pg.Pool({ connectionString: databaseUrl, max: 8 });
  app.get<{ Params: { id: string } }>('/bare/:id', async (request, reply) => {
    const { rows } = await bare.query({
      name: 'readings',
      text: 'SELECT id, seq, kind, payload, happened_at, entered_at FROM batch_events WHERE batch_id = $1 ORDER BY seq',
      values: [request.params.id],
    });
    return reply.type('application/json; charset=utf-8').send(JSON.stringify(rows));
  });
  const address = await app.listen({ host: '127.0.0.1', port: 0 });
  const [one] = await sequelize.query<{ id: string }>('SELECT id FROM batches WHERE open LIMIT 1', { type: QueryTypes.SELECT });
  const id = one?.id ?? '';

  const timed = async (path: string): Promise<number> => {
    const began = performance.now();
    await (await fetch(`${address}${path}`)).text();
    return performance.now() - began;
  };
  const cold = await timed('/api/rounds');
  const times: number[] = [];
  for (let i = 0; i < 400; i++) {
    /** Every tenth look follows something written. */
    if (i % 10 === 0) await sequelize.query('UPDATE batches SET name = name WHERE id = $1', { bind: [id] });
    times.push(await timed('/api/rounds'));
  }

  const [recordPath, barePath] = [`/api/batches/${id}?ledger=false`, `/bare/${id}`];
  const turns: { speed: number; p99: number; ours: Measured; plain: Measured }[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const order = round % 2 === 0 ? [recordPath, barePath] : [barePath, recordPath];
    const [first, second] = [await load(address + (order[0] ?? '')), await load(address + (order[1] ?? ''))];
    const [ours, plain] = round % 2 === 0 ? [first, second] : [second, first];
    turns.push({ speed: ours.perSecond / plain.perSecond, p99: ours.p99Ms / plain.p99Ms, ours, plain });
  }
  await bare.end();
  await app.close();
  const by = (pick: (turn: (typeof turns)[number]) => number): number => median(turns.map(pick));
  return [
    `Rounds, ${OPEN} open of ${BATCHES} batches with ${(BATCHES * READINGS).toLocaleString('en')} readings: p50 ${share(times, 0.5).toFixed(1)} ms, p99 ${share(times, 0.99).toFixed(1)} ms, the first after the start ${cold.toFixed(0)} ms; budget p99 100 ms`,
    `a batch of ${READINGS} readings, whole, against the bare driver’s plain query through the same server: ${by((t) => t.speed).toFixed(2)} × the requests a second (${by((t) => t.ours.perSecond).toFixed(0)} to ${by((t) => t.plain.perSecond).toFixed(0)}), ${by((t) => t.p99).toFixed(2)} × the p99; wanted: at least 1 ×`,
  ];
}
