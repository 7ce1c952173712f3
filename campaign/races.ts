/* Many who write the same thing at once: one wins, the others are told, nobody waits for ever, and the record has no gap. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import type { Batch } from '@hollow-bell/contract';
import { ask as send, faultIn } from './answers.ts';
import { freshDatabase, serverOn } from './cellar.ts';
import { honeyLot } from './lots.ts';
import { chanceOf, counter, pick } from './part.ts';
import type { Part } from './part.ts';
import { plan } from './program.ts';

const MOST_WRITERS = 20;
const RACES = ['lot', 'lots in two orders', 'recipe', 'batch', 'entries', 'splits', 'blends both ways'] as const;

export const races: Part = async ({ seed, count, from, clusterUrl }) => {
  const { counts, faults, add, fault } = counter();
  const databaseUrl = await freshDatabase(clusterUrl);
  const servers = [await serverOn(databaseUrl), await serverOn(databaseUrl)];
  const ask = async (method: string, path: string, body: object, writer: number): Promise<{ status: string; fault: string | null }> => {
    const ended = await send(servers[writer % servers.length]?.address ?? '', method, path, body);
    return { status: typeof ended === 'string' ? ended : String(ended.status), fault: faultIn(ended) };
  };
  const read = async (id: string): Promise<Batch> =>
    (await (await fetch(`${servers[0]?.address ?? ''}/api/batches/${id}`)).json()) as Batch;
  const poured = (): object[] => [
    {
      id: randomUUID(),
      happenedAt: Date.now() - 60_000,
      kind: 'honey',
      payload: { name: 'linden', massG: 1500, moisture: 0.171, unfermentable: 0.032 },
    },
    { id: randomUUID(), happenedAt: Date.now() - 60_000, kind: 'water', payload: { volumeL: 4 } },
  ];
  const newBatch = async (): Promise<string> => {
    const id = randomUUID();
    await ask('POST', '/batches', { id, name: 'Linden', plan }, 0);
    await ask('POST', `/batches/${id}/events`, { afterSeq: 0, events: poured() }, 0);
    return id;
  };

  for (let index = from; index < from + count; index++) {
    const chance = chanceOf(seed, 'races', index);
    const race = pick(RACES, chance);
    const writers = 2 + Math.floor(chance() * (MOST_WRITERS - 1));
    const [one, two] = [randomUUID(), randomUUID()];
    const batches = race === 'entries' || race === 'splits' || race === 'blends both ways' ? [await newBatch(), await newBatch()] : [];
    const [first = '', second = ''] = batches;
    const write = (i: number): ReturnType<typeof ask> => {
      switch (race) {
        case 'lot':
          return ask('PUT', `/shelf/${one}`, { item: honeyLot(one), afterVersion: 0 }, i);
        case 'lots in two orders':
          return ask('POST', '/shelf/import', { items: i % 2 === 0 ? [honeyLot(one), honeyLot(two)] : [honeyLot(two), honeyLot(one)] }, i);
        case 'recipe':
          return ask(
            'PUT',
            `/recipes/${one}`,
            { recipe: { id: one, name: 'plain', tags: [], note: '', must: plan.must, fromBatch: null }, afterVersion: 0 },
            i,
          );
        case 'batch':
          return ask('POST', '/batches', { id: one, name: 'Linden', plan }, i);
        case 'entries':
          return ask(
            'POST',
            `/batches/${first}/events`,
            { afterSeq: 2, events: [{ id: randomUUID(), happenedAt: Date.now(), kind: 'note', payload: { text: 'foam' } }] },
            i,
          );
        case 'splits':
          return ask(
            'POST',
            `/batches/${first}/split`,
            {
              afterSeq: 2,
              happenedAt: Date.now(),
              children: [{ id: randomUUID(), name: 'part', volumeL: 1, vessel: { kind: 'jug', name: 'jug', capacityL: 2 } }],
            },
            i,
          );
        case 'blends both ways':
          return i % 2 === 0
            ? ask(
                'POST',
                `/batches/${first}/blend`,
                { afterSeq: 2, happenedAt: Date.now(), fromId: second, volumeL: 0.1, transferId: randomUUID() },
                i,
              )
            : ask(
                'POST',
                `/batches/${second}/blend`,
                { afterSeq: 2, happenedAt: Date.now(), fromId: first, volumeL: 0.1, transferId: randomUUID() },
                i,
              );
      }
    };
    const ended = await Promise.all(Array.from({ length: writers }, (_, i) => write(i)));
    const statuses = ended.map(({ status }) => status);
    const again = `--only races --seed ${seed} --from ${index}`;
    for (const status of statuses) add(status);
    for (const { fault: found } of ended) if (found !== null) fault(`${race}: ${found}: ${again}`);
    if (!statuses.includes('200')) fault(`${race}: nobody could write: ${statuses.join(' ')}: ${again}`);
    if (race === 'entries' && statuses.filter((status) => status === '200').length !== 1) fault(`two wrote after one entry: ${again}`);
    for (const id of batches) {
      const { events } = await read(id);
      if (events.some(({ seq }, at) => seq !== at + 1)) fault(`${race}: the record has a gap: ${again}`);
    }
    await wait(0);
  }
  await Promise.all(servers.map(({ stop }) => stop()));
  return { counts, faults };
};
