import type { BatchFile, BatchPlan, CellarFile, Practice, Recipe, ShelfItem } from '@hollow-bell/contract';
import { upcast } from '@hollow-bell/core/record';
import type { BatchEvent } from '@hollow-bell/core/record';
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import { HttpProblem } from '../../http/errors.ts';

export interface Kept {
  shelf: { list: () => Promise<{ item: ShelfItem }[]> };
  recipes: { list: () => Promise<{ recipe: Recipe }[]> };
  practice: { read: () => Promise<Practice | null> };
}

interface Stored {
  id: string;
  name: string;
  createdAt: number;
  fate: 'kept' | 'archived';
  plans: { version: number; writtenAt: number; plan: BatchPlan }[];
  events: BatchEvent[];
  float: BatchFile['float'];
  probe: BatchFile['probe'];
  pictures: BatchFile['pictures'];
}

const ms = (column: string): string => `(date_part('epoch', ${column}) * 1000)::bigint`;
const rows = (what: string, table: string, order: string, only = ''): string =>
  `COALESCE((SELECT jsonb_agg(jsonb_build_object(${what}) ORDER BY ${order}) FROM ${table} WHERE batch_id = batch.id ${only}), '[]')`;

/** One batch with everything that is on record of it, as PostgreSQL puts it together. */
const STORED = `
  SELECT jsonb_build_object('id', id, 'name', name, 'createdAt', ${ms('created_at')}, 'fate', fate,
    'plans', ${rows(`'version', version, 'writtenAt', ${ms('written_at')}, 'plan', plan`, 'batch_plans', 'version')},
    'events', ${rows(
      `'id', id, 'seq', seq, 'kind', kind, 'version', version, 'happenedAt', ${ms('happened_at')}, 'enteredAt', ${ms('entered_at')}, 'payload', payload`,
      'batch_events',
      'seq',
    )},
    'float', ${rows(`'deviceId', device_id, 'slot', slot, 'at', taken_ms, 'sg', sg, 'tempC', temp_c`, 'float_readings', 'taken_ms, device_id')},
    'probe', ${rows(`'deviceId', device_id, 'slot', slot, 'at', taken_ms, 'coreC', core_c, 'bathC', bath_c`, 'probe_readings', 'taken_ms, device_id')},
    'pictures', ${rows(
      `'id', id, 'entryId', entry_id, 'madeAt', ${ms('made_at')}, 'jpeg', translate(encode(jpeg, 'base64'), chr(10), '')`,
      'entry_pictures',
      'made_at, id',
      'AND NOT off',
    )}
  ) AS batch FROM batches AS batch WHERE fate IN ('kept', 'archived')`;

/** Every batch that liquid of this one came from, or went into. */
const FAMILY = `
  WITH RECURSIVE family (id) AS (
    SELECT $id::uuid UNION
    SELECT CASE WHEN event.batch_id = family.id
      THEN COALESCE(event.payload ->> 'toBatchId', event.payload ->> 'fromBatchId')::uuid ELSE event.batch_id END
    FROM family JOIN batch_events AS event ON event.kind IN ('transferOut', 'transferIn')
      AND (event.batch_id = family.id OR family.id::text IN (event.payload ->> 'toBatchId', event.payload ->> 'fromBatchId'))
  ) SELECT id FROM family`;

const fileOf = (
  batches: readonly Stored[],
  now: number,
  kept: Omit<CellarFile, 'format' | 'version' | 'writtenAt' | 'batches'>,
): CellarFile => ({
  format: 'hollow-bell-cellar',
  version: 1,
  writtenAt: now,
  batches: batches.map(({ events, ...batch }) => ({ ...batch, events: events.map((event) => upcast(event)) })) as CellarFile['batches'],
  ...kept,
});

/** What goes out of a cellar: all of it, or one batch with its family. What was deleted stays behind. */
export function outgoing(sequelize: Sequelize, { shelf, recipes, practice }: Kept, now: () => number) {
  const stored = async (where = '', bind: object = {}): Promise<Stored[]> => {
    const found = await sequelize.query<{ batch: Stored }>(`${STORED} ${where} ORDER BY created_at, id`, {
      bind: { ...bind },
      type: QueryTypes.SELECT,
    });
    return found.map(({ batch }) => batch);
  };
  return {
    whole: async (): Promise<CellarFile> =>
      fileOf(await stored(), now(), {
        shelf: (await shelf.list()).map(({ item }) => item),
        recipes: (await recipes.list()).map(({ recipe }) => recipe),
        practice: await practice.read(),
      }),

    family: async (id: string): Promise<CellarFile> => {
      const batches = await stored(`AND id IN (${FAMILY})`, { id });
      if (!batches.some((batch) => batch.id === id)) throw new HttpProblem(404, 'not_found', 'There is no such batch in this cellar.');
      return fileOf(batches, now(), { shelf: [], recipes: [], practice: null });
    },
  };
}

export type Outgoing = ReturnType<typeof outgoing>;
