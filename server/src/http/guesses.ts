import { DataTypes } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';
import { HttpProblem } from './errors.ts';

interface GuessRow extends Model {
  address: string;
  failed: number;
  lastAt: Date;
}

const SECOND_MS = 1000;
/** So many wrong ones cost nothing; then the pause doubles with each, up to the longest (our estimates). */
const FREE = 4;
const LONGEST_MS = 900 * SECOND_MS;
/** All addresses together: a house has few who mistype. */
const ALL = '*';
const FREE_OF_ALL = 40;
const LONGEST_OF_ALL_MS = 60 * SECOND_MS;
const FORGOTTEN_AFTER_MS = 24 * 3600 * SECOND_MS;

/** How long after the last wrong guess the next is looked at, ms. */
export function pauseAfter(failed: number, free = FREE, longestMs = LONGEST_MS): number {
  return failed < free ? 0 : Math.min(longestMs, SECOND_MS * 2 ** (failed - free));
}

/** Guesses at passphrases, codes and tokens, counted for each address and for all, before each is looked at. */
export function guessBook(sequelize: Sequelize, now: () => number) {
  const guesses = sequelize.define<GuessRow>(
    'guesses',
    {
      address: { type: DataTypes.TEXT, primaryKey: true },
      failed: { type: DataTypes.INTEGER, allowNull: false },
      lastAt: { type: DataTypes.DATE, allowNull: false },
    },
    { tableName: 'house_guesses', underscored: true, timestamps: false },
  );

  /** Writes a guess down, unless it comes too soon. @returns ms still to be waited, 0 where it may be looked at */
  const noted = (address: string, free: number, longestMs: number): Promise<number> =>
    sequelize.transaction(async (transaction) => {
      await sequelize.query(
        `INSERT INTO house_guesses (address, failed, last_at) VALUES ($address, 0, to_timestamp(0)) ON CONFLICT DO NOTHING`,
        { bind: { address }, transaction },
      );
      const row = await guesses.findByPk(address, { transaction, lock: transaction.LOCK.UPDATE, rejectOnEmpty: true });
      const since = now() - row.lastAt.getTime();
      const failed = since > FORGOTTEN_AFTER_MS ? 0 : row.failed;
      const wait = pauseAfter(failed, free, longestMs) - since;
      if (wait > 0) return wait;
      await row.update({ failed: failed + 1, lastAt: new Date(now()) }, { transaction });
      return 0;
    });

  return {
    /**
     * Looks at one guess.
     *
     * @param look null where it was wrong
     * @throws HttpProblem 429 where it comes too soon after wrong ones
     */
    guess: async <T>(address: string, look: () => Promise<T | null>): Promise<T | null> => {
      // Who is held up alone does not hold up the others.
      const own = await noted(address, FREE, LONGEST_MS);
      const wait = own > 0 ? own : await noted(ALL, FREE_OF_ALL, LONGEST_OF_ALL_MS);
      if (wait > 0) {
        const seconds = Math.ceil(wait / SECOND_MS);
        throw new HttpProblem(429, 'too_many', `Too many wrong ones; the next is looked at in ${seconds} seconds.`);
      }
      const found = await look();
      if (found !== null) {
        await guesses.destroy({ where: { address } });
        await guesses.decrement('failed', { where: { address: ALL } });
      }
      return found;
    },
  };
}

export type GuessBook = ReturnType<typeof guessBook>;
