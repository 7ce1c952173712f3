/* Makers who write all that a cellar keeps, the same again until it is acknowledged, and hold what is there against what was acknowledged. */
import { randomUUID } from 'node:crypto';
import { setTimeout as wait } from 'node:timers/promises';
import { isDeepStrictEqual } from 'node:util';
import { FLOAT_SLOT_MS, MOST_PICTURES } from '@hollow-bell/contract';
import type { AnswerOf, Batch, BatchPlan, MadeFloat } from '@hollow-bell/contract';
import { ask, faultIn } from './answers.ts';
import { honeyLot } from './lots.ts';
import { plan } from './program.ts';

export interface Maker {
  /** How much was acknowledged. */
  written: () => number;
  /** Writes one thing, and does not come back before it is acknowledged, or nothing more is wanted. */
  write: () => Promise<void>;
  /** What of it is missing or other than it was acknowledged. */
  check: () => Promise<string[]>;
}

/** Where the program answers just now, and whether all is over. */
export interface Asked {
  address: () => string;
  isOver: () => boolean;
  fault: (what: string) => void;
}

const AGAIN_MS = 100;
const HOUR_MS = 3_600_000;

/**
 * Sends the same until it is answered for good; null where all is over first. Any other refusal than those of a version is a fault: each
 * maker writes alone in what is its own, so that nobody can have been before it.
 */
async function sent(
  { address, isOver, fault }: Asked,
  method: string,
  path: string,
  body: object,
  { headers = {}, mayBeLate = false }: { headers?: Readonly<Record<string, string>>; mayBeLate?: boolean } = {},
): Promise<{ status: number; body: unknown } | null> {
  while (!isOver()) {
    const ended = await ask(address(), method, path, body, headers);
    if (typeof ended !== 'string' && (ended.status === 200 || (mayBeLate && ended.status === 409)))
      return { status: ended.status, body: JSON.parse(ended.text) as unknown };
    if (typeof ended !== 'string' && ended.status < 500 && ended.status !== 429) {
      fault(`${ended.status} for ${method} ${path}: ${ended.text.slice(0, 200)}`);
      return null;
    }
    // While its database or it itself is killed, a connection may be cut; an answer is to say why and when.
    if (typeof ended !== 'string' && ended.status !== 429) {
      const found = faultIn(ended);
      if (found !== null) fault(`${found} for ${method} ${path}`);
    }
    await wait(AGAIN_MS);
  }
  return null;
}

const seqOf = ({ body }: { body: unknown }): number => (body as { lastSeq: number }).lastSeq;

async function read<T>({ address }: Asked, path: string): Promise<T> {
  const ended = await ask(address(), 'GET', path);
  if (typeof ended === 'string' || ended.status !== 200) throw new Error(`GET ${path}: ${typeof ended === 'string' ? ended : ended.text}`);
  return JSON.parse(ended.text) as T;
}

async function newBatch(asked: Asked, name: string): Promise<string> {
  const id = randomUUID();
  await sent(asked, 'POST', '/batches', { id, name, plan });
  return id;
}

interface Entry {
  id: string;
  happenedAt: number;
  kind: string;
  payload: object;
}
const entry = (kind: string, payload: object): Entry => ({ id: randomUUID(), happenedAt: Date.now() - HOUR_MS, kind, payload });
const POURED = [
  { kind: 'honey', payload: { name: 'linden', massG: 6000, moisture: 0.171, unfermentable: 0.032 } },
  { kind: 'water', payload: { volumeL: 16 } },
];

/** Several entries at a breath: all of them or none. */
async function entries(asked: Asked): Promise<Maker> {
  const id = await newBatch(asked, 'Entries');
  const acknowledged: Entry[][] = [];
  let seq = 0;
  return {
    written: () => acknowledged.length,
    write: async () => {
      const parcel = Array.from({ length: 2 + (acknowledged.length % 3) }, (_, i) =>
        i === 0 ? entry('note', { text: `foam ${acknowledged.length}` }) : entry('reading', { tempC: 15 + i }),
      );
      const answer = await sent(asked, 'POST', `/batches/${id}/events`, { afterSeq: seq, events: parcel });
      if (answer === null) return;
      seq = seqOf(answer);
      acknowledged.push(parcel);
    },
    check: async () => {
      const { events } = await read<Batch>(asked, `/batches/${id}`);
      const known = new Map(events.map((event) => [event.id, event]));
      const wrong = acknowledged.flat().filter(({ id: each, happenedAt, kind, payload }) => {
        const there = known.get(each);
        return there === undefined || there.happenedAt !== happenedAt || there.kind !== kind || !isDeepStrictEqual(there.payload, payload);
      });
      const hasGap = events.some(({ seq: at }, i) => at !== i + 1);
      const more = events.length - acknowledged.flat().length;
      return [
        ...(wrong.length > 0 ? [`${wrong.length} acknowledged entries are lost or other than they were written`] : []),
        ...(hasGap ? ['the record has a gap'] : []),
        ...(more > 4 || (more > 0 && more < 2) ? [`half a parcel is on record, ${more} entries beyond what was acknowledged`] : []),
      ];
    },
  };
}

/** What is kept by its version: each write is a whole new one. */
function versioned<T>(
  asked: Asked,
  what: {
    name: string;
    path: string;
    body: (value: T, afterVersion: number) => object;
    next: (n: number) => T;
    stored: () => Promise<T | undefined>;
  },
): Maker {
  let version = 0;
  let last: T | undefined;
  return {
    written: () => version,
    write: async () => {
      const value = what.next(version);
      const answer = await sent(asked, 'PUT', what.path, what.body(value, version), { mayBeLate: true });
      if (answer === null) return;
      // Refused as too late by what was itself, its answer lost: it stands, or another's does.
      if (answer.status === 409 && !isDeepStrictEqual(await what.stored().catch(() => undefined), value) && !asked.isOver()) return;
      version += 1;
      last = value;
    },
    check: async () => {
      const there = await what.stored();
      return last === undefined || isDeepStrictEqual(there, last) || isDeepStrictEqual(there, what.next(version))
        ? []
        : [`${what.name} stands other than it was acknowledged`];
    },
  };
}

async function shelf(asked: Asked): Promise<Maker> {
  const id = randomUUID();
  const next = (n: number) => ({ ...honeyLot(id), stockG: 5000 - n });
  return versioned(asked, {
    name: 'a lot',
    path: `/shelf/${id}`,
    body: (item, afterVersion) => ({ item, afterVersion }),
    next,
    stored: async () =>
      (await read<AnswerOf<'shelf'>>(asked, '/shelf')).items.find(({ item }) => item.id === id)?.item as
        ReturnType<typeof next> | undefined,
  });
}

async function recipes(asked: Asked): Promise<Maker> {
  const id = randomUUID();
  const next = (n: number) => ({ id, name: `plain ${n}`, tags: ['dry'], note: '', must: plan.must, fromBatch: null });
  return versioned(asked, {
    name: 'a recipe',
    path: `/recipes/${id}`,
    body: (recipe, afterVersion) => ({ recipe, afterVersion }),
    next,
    stored: async () =>
      (await read<AnswerOf<'recipes'>>(asked, '/recipes')).recipes.find(({ recipe }) => recipe.id === id)?.recipe as
        ReturnType<typeof next> | undefined,
  });
}

async function plans(asked: Asked): Promise<Maker> {
  const id = await newBatch(asked, 'Plans');
  const next = (n: number): BatchPlan => ({ ...plan, must: { ...plan.must, waterL: 3 + (n % 100) / 100 } });
  const maker = versioned<BatchPlan>(asked, {
    name: 'a plan',
    path: `/batches/${id}/plan`,
    body: (value, afterVersion) => ({ plan: value, afterVersion: afterVersion + 1 }),
    next,
    stored: async () => (await read<Batch>(asked, `/batches/${id}`)).plan,
  });
  return maker;
}

async function floats(asked: Asked): Promise<Maker> {
  const batchId = await newBatch(asked, 'Float');
  const made = await sent(asked, 'POST', '/floats', { id: randomUUID(), name: 'Float', batchId });
  const token = made === null ? '' : (made.body as MadeFloat).token;
  const first = Math.ceil((Date.now() - 300 * 24 * HOUR_MS) / FLOAT_SLOT_MS) * FLOAT_SLOT_MS;
  const acknowledged: [number, number, number][] = [];
  return {
    written: () => acknowledged.length,
    write: async () => {
      const readings = [0, 1, 2].map((i) => ({
        at: first + (acknowledged.length + i) * FLOAT_SLOT_MS,
        sg: 1.09 - 0.00001 * acknowledged.length,
        tempC: 18 + i,
      }));
      const answer = await sent(asked, 'POST', '/float', { readings }, { headers: { authorization: `Bearer ${token}` } });
      if (answer !== null) acknowledged.push(...readings.map(({ at, sg, tempC }): [number, number, number] => [at, sg, tempC]));
      // A float posts now and then, and is held off where it goes mad.
      await wait(20 * AGAIN_MS);
    },
    check: async () => {
      const there = new Map((await read<Batch>(asked, `/batches/${batchId}`)).float.map((each) => [each[0], each]));
      const lost = acknowledged.filter((each) => {
        const found = there.get(each[0]);
        return found === undefined || Math.abs(found[1] - each[1]) > 1e-9 || found[2] !== each[2];
      });
      return lost.length === 0 ? [] : [`${lost.length} acknowledged readings of a float are lost or other than they were`];
    },
  };
}

async function pictures(asked: Asked): Promise<Maker> {
  const batchId = await newBatch(asked, 'Pictures');
  const acknowledged = new Map<string, Buffer>();
  let seq = 0;
  let entryId = '';
  return {
    written: () => acknowledged.size,
    write: async () => {
      if (acknowledged.size % MOST_PICTURES === 0) {
        const events = [entry('note', { text: 'a look' })];
        const answer = await sent(asked, 'POST', `/batches/${batchId}/events`, { afterSeq: seq, events });
        if (answer === null) return;
        seq = seqOf(answer);
        entryId = events[0]?.id ?? '';
      }
      const jpeg = Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(2000, acknowledged.size % 251)]);
      const id = randomUUID();
      const answer = await sent(asked, 'PUT', `/pictures/${id}`, { entryId, jpeg: jpeg.toString('base64') });
      if (answer !== null) acknowledged.set(id, jpeg);
    },
    check: async () => {
      const lost: string[] = [];
      for (const [id, jpeg] of acknowledged) {
        const answer = await fetch(`${asked.address()}/api/pictures/${id}.jpg`);
        if (answer.status !== 200 || !jpeg.equals(Buffer.from(await answer.arrayBuffer()))) lost.push(id);
      }
      return lost.length === 0 ? [] : [`${lost.length} acknowledged pictures are lost or other than they were`];
    },
  };
}

/** Liquid that goes from one to the other and back: each giving and taking stands in the records. Volumes are not summed. */
async function liquid(asked: Asked): Promise<Maker> {
  const parentId = await newBatch(asked, 'Liquid');
  const poured = POURED.map(({ kind, payload }) => entry(kind, payload));
  const begun = await sent(asked, 'POST', `/batches/${parentId}/events`, { afterSeq: 0, events: poured });
  let seq = begun === null ? 0 : seqOf(begun);
  const children: string[] = [];
  const returned: string[] = [];
  return {
    written: () => children.length + returned.length,
    write: async () => {
      const childId = randomUUID();
      const vessel = { kind: 'jug', name: 'jug', capacityL: 2 };
      const split = await sent(asked, 'POST', `/batches/${parentId}/split`, {
        afterSeq: seq,
        happenedAt: Date.now(),
        children: [{ id: childId, name: `part ${children.length}`, volumeL: 0.05, vessel }],
      });
      if (split === null) return;
      seq = seqOf(split);
      children.push(childId);
      const blend = await sent(asked, 'POST', `/batches/${parentId}/blend`, {
        afterSeq: seq,
        happenedAt: Date.now(),
        fromId: childId,
        volumeL: 0.04,
        transferId: randomUUID(),
      });
      if (blend === null) return;
      seq = seqOf(blend);
      returned.push(childId);
    },
    check: async () => {
      const { events } = await read<Batch>(asked, `/batches/${parentId}`);
      /** A part is named where it went out, and again where it came back. */
      const named = (id: string): number => events.filter(({ payload }) => JSON.stringify(payload).includes(id)).length;
      const lost = [...children.filter((id) => named(id) < 1), ...returned.filter((id) => named(id) < 2)];
      const wrong: string[] = [];
      for (const id of children) {
        const child = await read<Batch>(asked, `/batches/${id}`);
        if (child.events.length === 0) wrong.push(id);
      }
      return [
        ...(lost.length > 0 ? [`${lost.length} acknowledged splits or blends are not in the record that gave or took`] : []),
        ...(wrong.length > 0 ? [`${wrong.length} parts stand without what went into them`] : []),
        ...(events.some(({ seq: at }, i) => at !== i + 1) ? ['the record of what was split has a gap'] : []),
      ];
    },
  };
}

/** Who writes, each at its own pace. */
export const makersOf = (asked: Asked): Promise<Maker[]> =>
  Promise.all([entries(asked), entries(asked), shelf(asked), recipes(asked), plans(asked), floats(asked), pictures(asked), liquid(asked)]);
