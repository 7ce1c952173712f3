import { DELETED_FOR_MS } from '@hollow-bell/contract';
import type { BatchList, ListQuery, Listed } from '@hollow-bell/contract';
import { isAllBottled, meadBottled, viewOf } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { stateOf } from '@hollow-bell/core/watch';
import { Op } from 'sequelize';
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

/** Some batches of the book, newest first; a last one that is gone meanwhile begins it again. */
export async function pageOfBook(
  { batches }: BatchTables,
  { upToDate }: BatchRecordKeeper,
  { name, olderThan, fate = 'kept' }: ListQuery,
  now: number,
): Promise<BatchList> {
  const last = olderThan === undefined ? null : await batches.findByPk(olderThan, { attributes: ['id', 'createdAt'] });
  const older: WhereOptions =
    last === null ? {} : { [Op.or]: [{ createdAt: { [Op.lt]: last.createdAt } }, { createdAt: last.createdAt, id: { [Op.lt]: last.id } }] };
  const rows = await batches.findAll({
    where: { ...older, fate, ...(name === undefined || name === '' ? {} : { name: { [Op.iLike]: `%${literal(name)}%` } }) },
    order: [
      ['createdAt', 'DESC'],
      ['id', 'DESC'],
    ],
    limit: PAGE + 1,
  });
  const page = await upToDate(rows.slice(0, PAGE));
  return { batches: page.map((row) => listed(row, now)), hasOlder: rows.length > PAGE };
}
