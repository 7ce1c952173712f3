import { LEDGER_VERSION } from '@hollow-bell/core/record';
import { Refusal } from '@hollow-bell/core/quantities';
import { QueryTypes } from 'sequelize';
import type { Sequelize } from 'sequelize';
import { eventsOf, mustFind, refold } from './record.ts';

/**
 * Folds again what was folded by other rules. The record is untouched; a batch whose record cannot be folded keeps what it had and
 * says so wherever it is shown.
 *
 * @returns how many were folded, and the ids of those that could not be
 */
export async function refoldOlder(sequelize: Sequelize): Promise<{ folded: number; failed: string[] }> {
  const rows = await sequelize.query<{ id: string }>(
    `SELECT id FROM batches WHERE (ledger ->> 'version')::int IS DISTINCT FROM $version ORDER BY created_at`,
    { bind: { version: LEDGER_VERSION }, type: QueryTypes.SELECT },
  );
  const failed: string[] = [];
  for (const { id } of rows) {
    try {
      await sequelize.transaction(async (transaction) => {
        const row = await mustFind(id, transaction, true);
        await refold(row, await eventsOf(id, transaction), transaction);
      });
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      failed.push(id);
    }
  }
  return { folded: rows.length - failed.length, failed };
}
