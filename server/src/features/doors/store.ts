import { randomUUID } from 'node:crypto';
import type { PairingCode, Role, Session } from '@hollow-bell/contract';
import { MINUTE_MS } from '@hollow-bell/core/quantities';
import { DataTypes, Op } from 'sequelize';
import type { Model, Sequelize } from 'sequelize';
import { guessBook } from '../../http/guesses.ts';
import { codeTyped, hashOf, isPassphrase, keptPassphrase, newCode, newToken } from '../../http/secrets.ts';

interface PassphraseRow extends Model {
  id: number;
  hash: string;
  setAt: Date;
}
interface SessionRow extends Model {
  id: string;
  tokenHash: string;
  name: string;
  role: Role;
  address: string;
  since: Date;
  seenAt: Date;
}
interface CodeRow extends Model {
  codeHash: string;
  role: Role;
  until: Date;
}

const CODE_MS = 10 * MINUTE_MS;
/** A session that nobody used for so long is over. */
export const SESSION_DAYS = 90;
const SESSION_MS = SESSION_DAYS * 24 * 60 * MINUTE_MS;
/** “Last seen” is written down this often. */
const SEEN_MS = MINUTE_MS;

/** Of a device that is let in: its token is told once, to it alone. */
export interface LetIn {
  token: string;
  name: string;
  role: Role;
}

/** Who may come in from the house: by passphrase or by a code that is good once; each device with a session that can be ended. */
export function doorStore(sequelize: Sequelize, now: () => number) {
  // Sequelize writes into what describes a column: each has its own.
  const time = () => ({ type: DataTypes.DATE, allowNull: false });
  const words = () => ({ type: DataTypes.TEXT, allowNull: false });
  const table = { underscored: true, timestamps: false };
  const passphrases = sequelize.define<PassphraseRow>(
    'passphrase',
    { id: { type: DataTypes.SMALLINT, primaryKey: true, defaultValue: 1 }, hash: words(), setAt: time() },
    { ...table, tableName: 'house_passphrase' },
  );
  const sessions = sequelize.define<SessionRow>(
    'session',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      tokenHash: words(),
      name: words(),
      role: words(),
      address: words(),
      since: time(),
      seenAt: time(),
    },
    { ...table, tableName: 'house_sessions' },
  );
  const codes = sequelize.define<CodeRow>(
    'code',
    { codeHash: { type: DataTypes.TEXT, primaryKey: true }, role: words(), until: time() },
    { ...table, tableName: 'house_codes' },
  );
  const { guess } = guessBook(sequelize, now);

  async function letIn(name: string, role: Role, address: string): Promise<LetIn> {
    const token = newToken();
    const at = new Date(now());
    await sessions.create({ id: randomUUID(), tokenHash: hashOf(token), name, role, address, since: at, seenAt: at });
    return { token, name, role };
  }

  return {
    hasPassphrase: async (): Promise<boolean> => (await passphrases.count()) > 0,

    /** A new one ends every session that came in by the one before. */
    async setPassphrase(passphrase: string): Promise<void> {
      const hash = await keptPassphrase(passphrase);
      await sequelize.transaction(async (transaction) => {
        await passphrases.upsert({ id: 1, hash, setAt: new Date(now()) }, { transaction });
        await sessions.destroy({ where: {}, transaction });
        await codes.destroy({ where: {}, transaction });
      });
    },

    /** @returns null where it is not the passphrase. @throws HttpProblem where it is guessed too fast */
    signIn: (passphrase: string, device: string, address: string): Promise<LetIn | null> =>
      guess(address, async () => {
        const kept = await passphrases.findByPk(1);
        if (kept === null || !(await isPassphrase(passphrase, kept.hash))) return null;
        return letIn(device, 'maker', address);
      }),

    async makeCode(role: Role): Promise<PairingCode> {
      const code = newCode();
      const until = new Date(now() + CODE_MS);
      await codes.destroy({ where: { until: { [Op.lt]: new Date(now()) } } });
      await codes.create({ codeHash: hashOf(code), role, until });
      return { code, role, until: until.getTime() };
    },

    /** @returns null where there is no such code, or no longer. @throws HttpProblem where it is guessed too fast */
    pair: (typed: string, device: string, address: string): Promise<LetIn | null> =>
      guess(address, () =>
        sequelize.transaction(async (transaction) => {
          const code = await codes.findByPk(hashOf(codeTyped(typed)), { transaction, lock: transaction.LOCK.UPDATE });
          if (code === null || code.until.getTime() < now()) return null;
          await code.destroy({ transaction });
          return letIn(device, code.role, address);
        }),
      ),

    /** Whose token it is; null where nobody's, or no longer. */
    async sessionOf(token: string, address: string): Promise<{ id: string; name: string; role: Role } | null> {
      const row = await sessions.findOne({ where: { tokenHash: hashOf(token), seenAt: { [Op.gt]: new Date(now() - SESSION_MS) } } });
      if (row === null) return null;
      if (now() - row.seenAt.getTime() > SEEN_MS || row.address !== address) await row.update({ seenAt: new Date(now()), address });
      return { id: row.id, name: row.name, role: row.role };
    },

    async list(ownId: string | null): Promise<Session[]> {
      await sessions.destroy({ where: { seenAt: { [Op.lt]: new Date(now() - SESSION_MS) } } });
      const rows = await sessions.findAll({ order: [['seenAt', 'DESC']], limit: 1000 });
      return rows.map(({ id, name, role, address, since, seenAt }) => ({
        id,
        name,
        role,
        address,
        since: since.getTime(),
        seenAt: seenAt.getTime(),
        isYours: id === ownId,
      }));
    },

    end: async (id: string): Promise<void> => {
      await sessions.destroy({ where: { id } });
    },

    /** For tokens of floats and calendars, which are guessed at the same doors. */
    guess,
  };
}

export type DoorStore = ReturnType<typeof doorStore>;
