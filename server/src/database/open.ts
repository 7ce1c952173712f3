import pg from 'pg';
import { knownSchemas } from './migrate.ts';

/** What went wrong on the way to a database, by PostgreSQL's codes and the system's, in a maker's words. */
const FAULTS: readonly (readonly [RegExp, string])[] = [
  [/^(?:ECONNREFUSED|ENOENT)$/, 'nothing answers there; is that PostgreSQL running?'],
  [/^(?:ENOTFOUND|EAI_AGAIN)$/, 'no machine goes by that name.'],
  [/^(?:ETIMEDOUT|EHOSTUNREACH|ENETUNREACH|ECONNRESET)$/, 'that machine does not answer.'],
  [/^(?:28P01|28000)$/, 'it does not let that user in with that password.'],
  [/^3D000$/, 'it has no database of that name; make an empty one for Hollow Bell.'],
  [/^42501$/, 'that user may not make tables there; give it the rights of the database’s owner.'],
  [/^53300$/, 'it has no connection to spare just now.'],
];

const said = (why: string): Error => new Error(`DATABASE_URL names a database that cannot be used: ${why}`);

function faultOf(error: unknown): Error {
  const { code, message } = error as { code?: string; message: string };
  const known = FAULTS.find(([codes]) => codes.test(code ?? ''));
  if (known !== undefined) return said(known[1]);
  return said(/timeout/i.test(message) ? 'that machine does not answer.' : `${message}.`);
}

/** Tables of another program's, where this one has made none. */
async function hasOthers(client: pg.Client): Promise<boolean> {
  const { rows } = await client.query<{ name: string }>(
    `SELECT table_name AS name FROM information_schema.tables WHERE table_schema = 'public' AND table_type = 'BASE TABLE'`,
  );
  const names = new Set(rows.map(({ name }) => name));
  if (names.size === 0 || (names.size === 1 && names.has('migrations'))) return false;
  if (!names.has('migrations')) return true;
  const own = await client.query<{ row: string }>('SELECT to_jsonb(each)::text AS row FROM public.migrations AS each');
  return !own.rows.some(({ row }) => row.includes(`"${knownSchemas()[0] ?? ''}"`));
}

const LOCK = 0x4842;

/**
 * Does something with the database while no other start of this program can: the second waits until the first is done.
 *
 * @throws Error with a sentence that names the setting where there is no way in, no right to make tables, or another program at home
 */
export async function alone<T>(databaseUrl: string, act: () => Promise<T>): Promise<T> {
  const client = new pg.Client({ connectionString: databaseUrl, connectionTimeoutMillis: 5000, application_name: 'hollow-bell start' });
  // A database that stops meanwhile says so in the query that waits for it.
  client.on('error', () => undefined);
  try {
    await client.connect();
    if (await hasOthers(client)) throw new Error('another program has its tables in it; make an empty one for Hollow Bell');
    await client.query('SELECT pg_advisory_lock($1)', [LOCK]);
  } catch (error) {
    await client.end().catch(() => undefined);
    throw faultOf(error);
  }
  try {
    return await act();
  } catch (error) {
    const { original } = error as { original?: { code?: string } };
    if (original?.code === '42501') throw faultOf(original);
    throw error;
  } finally {
    await client.end();
  }
}
