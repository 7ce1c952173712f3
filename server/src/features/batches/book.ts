import { DELETED_FOR_MS } from '@hollow-bell/contract';
import type { BatchList, BatchState, ListQuery, Listed } from '@hollow-bell/contract';
import { isAllBottled, meadBottled, viewOf } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { stateOf } from '@hollow-bell/core/watch';
import { YEAST_TYPES } from '@hollow-bell/core/yeast';
import { Op, literal as sqlLiteral } from 'sequelize';
import type { WhereOptions } from 'sequelize';
import type { BatchRecordKeeper } from './record.ts';
import type { BatchRow, BatchTables } from './tables.ts';

const PAGE = 100;

function listed({ id, name, lastSeq, ledger, fate, fatedAt }: BatchRow, now: number): Listed {
  const goneAt = fate === 'deleted' && fatedAt !== null ? fatedAt.getTime() + DELETED_FOR_MS : null;
  const pitchedAt = ledger.history.pitch?.at ?? null;
  try {
    const view = !isAllBottled(ledger) ? viewOf(ledger) : viewOf(meadBottled(ledger) ?? ledger);
    return {
      id,
      name,
      lastSeq,
      phase: stateOf(ledger, now).phase,
      pitchedAt,
      sg: view?.sg ?? null,
      volumeL: view?.volumeL ?? null,
      goneAt,
    };
  } catch (error) {
    if (!(error instanceof Refusal)) throw error;
    return { id, name, lastSeq, phase: 'unreckoned', pitchedAt, sg: null, volumeL: null, goneAt };
  }
}

/** Signs that a pattern would read otherwise stand for themselves. */
const literal = (text: string): string => text.replace(/[\\%_]/g, (sign) => `\\${sign}`);

/** By what the ledger stands on: the pitch, or else the day it was written into the book. */
const BEGUN = `coalesce(to_timestamp((ledger->'history'->'pitch'->>'at')::float8 / 1000), created_at)`;
/** What is bottled in part stands and is bottled; what was poured away does neither. */
const STATES: Record<BatchState, string> = {
  planned: `(ledger->'liquid'->>'pouredG')::float8 <= 0`,
  standing: `open AND (ledger->'liquid'->>'waterG')::float8 > 1e-6`,
  bottled: 'bottled',
};
/** In the name, a honey or fruit that is planned or was poured, or the yeast. */
const FOUND = `(
  name ILIKE :find
  OR EXISTS (SELECT 1 FROM jsonb_array_elements(ledger->'history'->'pours') AS pour WHERE pour->>'name' ILIKE :find)
  OR EXISTS (
    SELECT 1 FROM batch_plans AS plan
    WHERE plan.batch_id = batches.id AND plan.version = batches.plan_version AND (
      plan.plan->'must'->>'yeastId' IN (:yeasts)
      OR plan.plan->'must'->'own'->>'name' ILIKE :find
      OR EXISTS (SELECT 1 FROM jsonb_array_elements(plan.plan->'must'->'ingredients') AS line WHERE line->>'name' ILIKE :find)
    )
  )
)`;

/** What of the query is asked in the database’s own words; what a maker typed goes in as a value that the library escapes. */
function asked({ find = '', state, begunFrom, begunBefore }: ListQuery) {
  const typed = find.trim();
  const words = [
    ...(typed === '' ? [] : [FOUND]),
    ...(state === undefined ? [] : [STATES[state]]),
    ...(begunFrom === undefined ? [] : [`${BEGUN} >= :from`]),
    ...(begunBefore === undefined ? [] : [`${BEGUN} < :before`]),
  ];
  const yeasts = YEAST_TYPES.filter(({ name }) => name.toLowerCase().includes(typed.toLowerCase())).map(({ id }) => id);
  return {
    where: words.map((each) => sqlLiteral(each)),
    replacements: {
      find: `%${literal(typed)}%`,
      /** A list in SQL holds something. */
      yeasts: ['', ...yeasts],
      from: new Date(begunFrom ?? 0),
      before: new Date(begunBefore ?? 0),
    },
  };
}

/** Some batches of the book, newest first; a last one that is gone meanwhile begins it again. */
export async function pageOfBook(
  { batches }: BatchTables,
  { upToDate }: BatchRecordKeeper,
  query: ListQuery,
  now: number,
): Promise<BatchList> {
  const { olderThan, fate = 'kept' } = query;
  const { where, replacements } = asked(query);
  const last = olderThan === undefined ? null : await batches.findByPk(olderThan, { attributes: ['id', 'createdAt'] });
  const older: WhereOptions =
    last === null ? {} : { [Op.or]: [{ createdAt: { [Op.lt]: last.createdAt } }, { createdAt: last.createdAt, id: { [Op.lt]: last.id } }] };
  const rows = await batches.findAll({
    where: { [Op.and]: [older, { fate }, ...where] },
    replacements,
    order: [
      ['createdAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: PAGE + 1,
  });
  const page = await upToDate(rows.slice(0, PAGE));
  const first = await batches.min<Date | null, BatchRow>('createdAt', { where: { fate } });
  return { batches: page.map((row) => listed(row, now)), hasOlder: rows.length > PAGE, firstAt: first?.getTime() ?? null };
}
