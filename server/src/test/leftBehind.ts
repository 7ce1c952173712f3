/* For the tests: what earlier programs left in a database. */
import stored from '@hollow-bell/core/stored' with { type: 'json' };
import type { BatchEvent } from '@hollow-bell/core/record';
import type { testApp } from './server.ts';
import { plan } from './server.ts';

type App = Awaited<ReturnType<typeof testApp>>;

interface Sample {
  events: BatchEvent[];
  view: { sg: number; volumeL: number; abv: number };
  ledger: object;
  child: BatchEvent[] | null;
}

export const samples = Object.entries(stored as unknown as Record<string, Sample>);

/** A batch as an earlier program left it: its entries without a version, its ledger in the shape of its day. */
export async function leftBehind(
  { sequelize }: Pick<App, 'sequelize'>,
  name: string,
  events: readonly BatchEvent[],
  ledger: object,
): Promise<string> {
  const id = crypto.randomUUID();
  const ids = new Map(events.map((event) => [event.id, crypto.randomUUID()]));
  await sequelize.query(`INSERT INTO batches (id, name, created_at, last_seq, ledger) VALUES ($id, $name, now(), $seq, $ledger)`, {
    bind: { id, name, seq: events.length, ledger: JSON.stringify(ledger) },
  });
  await sequelize.query(`INSERT INTO batch_plans (batch_id, version, plan, written_at) VALUES ($id, 1, $plan, now())`, {
    bind: { id, plan: JSON.stringify(plan) },
  });
  for (const event of events) {
    const amends = event.kind === 'amendment' ? ids.get(event.payload.eventId) : null;
    const payload = event.kind === 'amendment' ? { ...event.payload, eventId: amends } : event.payload;
    await sequelize.query(
      `INSERT INTO batch_events (id, batch_id, seq, kind, happened_at, entered_at, payload, amends)
       VALUES ($event, $id, $seq, $kind, to_timestamp($at), to_timestamp($at), $payload, $amends)`,
      {
        bind: {
          event: ids.get(event.id),
          id,
          seq: event.seq,
          kind: event.kind,
          at: event.happenedAt / 1000,
          payload: JSON.stringify(payload),
          amends,
        },
      },
    );
  }
  return id;
}
