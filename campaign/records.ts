/* Records that make no sense: whatever may be written, in any order, at any time. Every view stays readable. */
import { randomUUID } from 'node:crypto';
import { isDeepStrictEqual } from 'node:util';
import type { Batch, Standing } from '@hollow-bell/contract';
import { fold } from '@hollow-bell/core/record';
import { anyHappening } from '@hollow-bell/core/testing';
import { glassAlarm } from '@hollow-bell/core/glass';
import fc from 'fast-check';
import pg from 'pg';
import { freshDatabase, serverOn } from './cellar.ts';
import { chanceOf, counter } from './part.ts';
import type { Part } from './part.ts';
import { plan } from './program.ts';

const ENTRIES = 12;
/** What Rounds calls a batch whose glass rings. */
const RINGING = ['glass in doubt', 'moving again'];
/** As JSON has it, so that what the database gives back can be held against it. */
const plainly = (value: unknown): unknown => JSON.parse(JSON.stringify(value)) as unknown;
const YEAR_MS = 365 * 24 * 3_600_000;

export const records: Part = async ({ seed, count, from, clusterUrl, plant }) => {
  const { counts, faults, add, fault } = counter();
  const databaseUrl = await freshDatabase(clusterUrl);
  const running = await serverOn(databaseUrl);
  const database = new pg.Client({ connectionString: databaseUrl });
  await database.connect();
  const json = async <T>(path: string): Promise<T> => (await fetch(`${running.address}/api${path}`)).json() as Promise<T>;
  const ask = async (method: string, path: string, body?: object): Promise<{ status: number; lastSeq: number }> => {
    const answer = await fetch(`${running.address}/api${path}`, {
      method,
      ...(body === undefined ? {} : { headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
      signal: AbortSignal.timeout(25_000),
    });
    const read = (await answer.json().catch(() => ({}))) as { lastSeq?: number };
    return { status: answer.status, lastSeq: read.lastSeq ?? 0 };
  };
  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'records', index);
    const again = `--only records --seed ${seed} --from ${index}`;
    const id = randomUUID();
    await ask('POST', '/batches', { id, name: `no. ${index}`, plan });
    let afterSeq = 0;
    for (const content of fc.sample(anyHappening, { seed: seed + index, numRuns: ENTRIES })) {
      const happenedAt = Date.now() - Math.floor(chance() * YEAR_MS);
      const { status, lastSeq } = await ask('POST', `/batches/${id}/events`, {
        afterSeq,
        events: [{ ...content, id: randomUUID(), happenedAt }],
      });
      add(status === 200 ? 'written' : `refused with ${status}`);
      if (status === 200) afterSeq = lastSeq;
      else if (![400, 422].includes(status)) fault(`${status} for ${content.kind}: ${again}`);
    }
    const views = [
      `/batches/${id}`,
      '/rounds',
      '/batches',
      '/cellar',
      '/shelf',
      `/batches/${id}/calendar.ics`,
      `/files/batches/${id}.json`,
    ];
    for (const view of views) {
      const answer = await fetch(`${running.address}/api${view}`, { signal: AbortSignal.timeout(25_000) });
      await answer.arrayBuffer();
      add('views');
      if (answer.status !== 200) fault(`${answer.status} for ${view} afterwards: ${again}`);
    }
    await plant?.inDatabase?.(databaseUrl);
    const { events } = await json<Batch>(`/batches/${id}`);
    const refolded = fold(events);
    const stored = await database.query<{ ledger: unknown }>('SELECT ledger FROM batches WHERE id = $1', [id]);
    if (!isDeepStrictEqual(plainly(refolded), plainly(stored.rows[0]?.ledger)))
      fault(`the stored ledger is not what its record folds to: ${again}`);
    const rings = glassAlarm(refolded) !== null;
    const { standing } = await json<{ standing: Standing[] }>('/rounds');
    const phase = standing.find((each) => each.id === id)?.phase;
    if (rings !== RINGING.includes(phase ?? '') && (rings || refolded.history.bottled !== null))
      fault(`its glass ${rings ? 'rings' : 'is quiet'}, and Rounds says “${phase ?? 'nothing'}”: ${again}`);
    add(rings ? 'rings' : 'is quiet');
    await ask('PUT', `/batches/${id}/fate`, { fate: 'archived' });
  }
  await database.end();
  await running.stop();
  return { counts, faults };
};
