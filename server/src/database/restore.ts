/* Reads the data of a backup into the schema of its day, migrates it, and puts it in place of what is there in one step. */
import { createReadStream } from 'node:fs';
import { createInterface } from 'node:readline';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import pg from 'pg';
import { from as copyFrom } from 'pg-copy-streams';
import { connect } from './connect.ts';
import { knownSchemas, migrate, migratorOf } from './migrate.ts';

/** Where it is put together before it takes the place of the other. */
const INCOMING = 'incoming';
/** Who may come in is this machine's to say, not a backup's. */
const STAYS_HERE: ReadonlySet<string> = new Set(['house_passphrase', 'house_sessions', 'house_codes', 'house_guesses']);

const NOT_A_CELLAR = 'that file is no backup of a cellar; nothing was changed.';

interface Block {
  table: string;
  columns: string[];
  rows: AsyncIterable<string>;
}

const HEADER = /^COPY public\.([a-z_]+) \(([a-z_", ]+)\) FROM stdin;$/;
const END = '\\.';

/**
 * The rows of each table in what `pg_restore --data-only` wrote. Nothing else of the file is looked at: whatever statements stand in it,
 * none is ever executed.
 */
async function* blocksOf(file: string): AsyncGenerator<Block> {
  const lines = createInterface({ input: createReadStream(file, 'utf8'), crlfDelay: Infinity })[Symbol.asyncIterator]();
  for (let line = await lines.next(); line.done !== true; line = await lines.next()) {
    const [, table, columns] = HEADER.exec(line.value) ?? [];
    if (table === undefined || columns === undefined) continue;
    const rows = async function* (): AsyncGenerator<string> {
      for (let row = await lines.next(); row.done !== true && row.value !== END; row = await lines.next()) yield `${row.value}\n`;
    };
    const given = rows();
    yield { table, columns: columns.split(', ').map((name) => name.replaceAll('"', '')), rows: given };
    // What the taker left.
    while ((await given.next()).done !== true);
  }
}

/** Names of the schemas that were executed when the backup was made. */
async function schemasIn(file: string): Promise<string[]> {
  const names: string[] = [];
  for await (const { table, rows } of blocksOf(file)) if (table === 'migrations') for await (const row of rows) names.push(row.trim());
  return names;
}

const quoted = (name: string): string => `"${name.replaceAll('"', '""')}"`;

/** Own tables of this cellar, in a schema, with their columns. */
async function tablesIn(client: pg.Client, schema: string): Promise<Map<string, Set<string>>> {
  const { rows } = await client.query<{ table_name: string; column_name: string }>(
    `SELECT table_name, column_name FROM information_schema.columns WHERE table_schema = $1`,
    [schema],
  );
  const tables = new Map<string, Set<string>>();
  for (const { table_name: table, column_name: column } of rows) tables.set(table, (tables.get(table) ?? new Set()).add(column));
  return tables;
}

/** Loads in whatever order the file has: what refers to other rows is checked when all are there. */
async function load(client: pg.Client, file: string): Promise<Map<string, number>> {
  const links = await client.query<{ held: string; name: string; says: string }>(
    `SELECT conrelid::regclass::text AS held, conname AS name, pg_get_constraintdef(oid) AS says FROM pg_constraint
     WHERE contype = 'f' AND connamespace = to_regnamespace($1)`,
    [INCOMING],
  );
  for (const { held, name } of links.rows) await client.query(`ALTER TABLE ${held} DROP CONSTRAINT ${quoted(name)}`);
  const tables = await tablesIn(client, INCOMING);
  const counts = new Map<string, number>();
  for await (const { table, columns, rows } of blocksOf(file)) {
    const known = tables.get(table);
    if (table === 'migrations' || known === undefined || STAYS_HERE.has(table)) continue;
    if (!columns.every((column) => known.has(column))) throw new Error(NOT_A_CELLAR);
    const into = client.query(copyFrom(`COPY ${INCOMING}.${quoted(table)} (${columns.map(quoted).join(', ')}) FROM STDIN`));
    await pipeline(Readable.from(rows), into);
    counts.set(table, into.rowCount);
  }
  for (const { held, name, says } of links.rows) await client.query(`ALTER TABLE ${held} ADD CONSTRAINT ${quoted(name)} ${says}`);
  return counts;
}

/** In one step: the cellar that is there goes, and the other stands in its place. */
async function swap(client: pg.Client): Promise<void> {
  const [incoming, there] = [await tablesIn(client, INCOMING), await tablesIn(client, 'public')];
  await client.query('BEGIN');
  for (const table of incoming.keys()) {
    if (STAYS_HERE.has(table) && there.has(table))
      await client.query(`INSERT INTO ${INCOMING}.${quoted(table)} SELECT * FROM public.${quoted(table)}`);
    await client.query(`DROP TABLE IF EXISTS public.${quoted(table)} CASCADE`);
  }
  await client.query('DROP FUNCTION IF EXISTS public.keep_the_record() CASCADE');
  for (const table of incoming.keys()) await client.query(`ALTER TABLE ${INCOMING}.${quoted(table)} SET SCHEMA public`);
  await client.query(`ALTER FUNCTION ${INCOMING}.keep_the_record() SET SCHEMA public`);
  await client.query(`DROP SCHEMA ${INCOMING} CASCADE`);
  await client.query('COMMIT');
}

/**
 * Puts the cellar of a backup in place of the one that is there, all or nothing, whichever earlier program wrote it.
 *
 * @param file what `pg_restore --data-only` made of the backup
 * @returns rows by table
 * @throws Error with a sentence where the file is no cellar, or a newer program's; then nothing was changed
 */
export async function restoreCellar(databaseUrl: string, file: string): Promise<Map<string, number>> {
  const schemas = await schemasIn(file);
  const known = knownSchemas();
  const newest = schemas.toSorted().at(-1);
  if (newest === undefined) throw new Error(NOT_A_CELLAR);
  const newer = schemas.filter((name) => !known.includes(name));
  if (newer.length > 0 && known.includes(schemas.toSorted()[0] ?? ''))
    throw new Error(`that backup was made by a newer Hollow Bell (its schema has “${newer.join('”, “')}”); nothing was changed.`);
  if (newer.length > 0) throw new Error(NOT_A_CELLAR);

  const client = new pg.Client({ connectionString: databaseUrl, application_name: 'hollow-bell restore' });
  client.on('error', () => undefined);
  await client.connect();
  const incoming = connect(databaseUrl, INCOMING, true);
  try {
    await client.query(`DROP SCHEMA IF EXISTS ${INCOMING} CASCADE`);
    await client.query(`CREATE SCHEMA ${INCOMING}`);
    await migratorOf(incoming, INCOMING).up({ to: newest });
    const counts = await load(client, file);
    if (!counts.has('batches') || !counts.has('batch_events')) throw new Error(NOT_A_CELLAR);
    await migrate(incoming, INCOMING);
    await swap(client);
    return counts;
  } finally {
    await incoming.close();
    await client.query(`DROP SCHEMA IF EXISTS ${INCOMING} CASCADE`).catch(() => undefined);
    await client.end().catch(() => undefined);
  }
}
