/* Faults to plant: what stands between the campaign and the program, and does it wrong now and then. */
import { createServer, request } from 'node:http';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { once } from 'node:events';
import type { AddressInfo } from 'node:net';
import pg from 'pg';
import type { Plant } from './part.ts';

type Wrong = (asked: IncomingMessage, answer: ServerResponse, count: number) => boolean;

/** Hands every request on, but those that it answers itself. */
const proxy =
  (wrong: Wrong): NonNullable<Plant['between']> =>
  async (address) => {
    const { hostname, port } = new URL(address);
    let count = 0;
    const server = createServer((asked, answer) => {
      count += 1;
      if (wrong(asked, answer, count)) return;
      const onwards = request({ hostname, port, method: asked.method, path: asked.url, headers: asked.headers }, (answered) => {
        answer.writeHead(answered.statusCode ?? 0, answered.headers);
        answered.pipe(answer);
      });
      onwards.on('error', () => answer.destroy());
      asked.pipe(onwards);
    });
    server.listen(0, '127.0.0.1');
    await once(server, 'listening');
    return {
      address: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
      stop: async () => {
        server.closeAllConnections();
        server.close();
        await once(server, 'close');
      },
    };
  };

const EVERY = 40;

async function inDatabase(url: string, sql: string): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(sql);
  await client.end();
}

export const PLANTS = {
  'a 502 now and then': {
    between: proxy((_, answer, count) => {
      if (count % EVERY !== 0) return false;
      answer.writeHead(502, { 'content-type': 'text/plain' }).end('Bad Gateway');
      return true;
    }),
  },
  'a connection that is cut': {
    between: proxy((asked, _, count) => {
      if (count % EVERY !== 0) return false;
      asked.socket.destroy();
      return true;
    }),
  },
  'a 503 that does not say why': {
    between: proxy((_, answer, count) => {
      if (count % EVERY !== 0) return false;
      answer.writeHead(503, { 'content-type': 'application/json' }).end('{}');
      return true;
    }),
  },
  'what is acknowledged and not written': {
    between: proxy((asked, answer, count) => {
      if (count % EVERY !== 0 || asked.method !== 'POST' || asked.url?.endsWith('/events') !== true) return false;
      let body = '';
      asked.on('data', (chunk: Buffer) => (body += chunk.toString()));
      asked.on('end', () => {
        const { afterSeq, events } = JSON.parse(body) as { afterSeq: number; events: object[] };
        const told = { lastSeq: afterSeq, events, standing: null };
        answer.writeHead(200, { 'content-type': 'application/json' }).end(JSON.stringify(told));
      });
      return true;
    }),
  },
  'a backup that lacks a row': {
    inDatabase: (url) =>
      inDatabase(
        url,
        `ALTER TABLE batch_events DISABLE TRIGGER USER; DELETE FROM batch_events WHERE id = (SELECT id FROM batch_events LIMIT 1); ALTER TABLE batch_events ENABLE TRIGGER USER`,
      ),
  },
  'a stored ledger that its record contradicts': {
    inDatabase: (url) => inDatabase(url, `UPDATE batches SET ledger = jsonb_set(ledger, '{liquid,waterG}', '12345')`),
  },
} as const satisfies Record<string, Plant>;
