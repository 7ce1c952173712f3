import { MOST_PICTURES, MOST_PICTURE_BYTES } from '@hollow-bell/contract';
import type { BatchFile, EntryPicture } from '@hollow-bell/contract';
import { Refusal } from '@hollow-bell/core/quantities';
import { DataTypes, QueryTypes } from 'sequelize';
import type { Model, Sequelize, Transaction } from 'sequelize';
import { inTransaction } from '../../database/connect.ts';
import { HttpProblem } from '../../http/errors.ts';

interface PictureRow extends Model {
  id: string;
  batchId: string;
  entryId: string;
  jpeg: Buffer;
  madeAt: Date;
  off: boolean;
}

/** What every JPEG begins with. */
const JPEG = Buffer.from([0xff, 0xd8, 0xff]);

/** @throws Refusal for what is no JPEG, or too large a one */
function jpegOf(base64: string): Buffer {
  const bytes = Buffer.from(base64, 'base64');
  if (!bytes.subarray(0, JPEG.length).equals(JPEG)) throw new Refusal('A picture comes as a JPEG; this is none.');
  if (bytes.length > MOST_PICTURE_BYTES) throw new Refusal('A picture has at most 400 kB; make it smaller first.');
  return bytes;
}

/** Pictures on the entries of batches; their bytes stand beside the record, never in it. */
export function pictureStore(sequelize: Sequelize, now: () => number) {
  const pictures = sequelize.define<PictureRow>(
    'pictures',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      batchId: { type: DataTypes.UUID, allowNull: false },
      entryId: { type: DataTypes.UUID, allowNull: false },
      jpeg: { type: DataTypes.BLOB, allowNull: false },
      madeAt: { type: DataTypes.DATE, allowNull: false },
      off: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: false },
    },
    { tableName: 'entry_pictures', underscored: true, timestamps: false },
  );

  async function list(batchId: string, transaction?: Transaction): Promise<EntryPicture[]> {
    const rows = await pictures.findAll({
      where: { batchId, off: false },
      attributes: ['id', 'entryId', 'madeAt'],
      order: ['madeAt', 'id'],
      ...(transaction === undefined ? {} : { transaction }),
    });
    return rows.map(({ id, entryId, madeAt }) => ({ id, entryId, madeAt: madeAt.getTime() }));
  }

  async function batchOf(entryId: string, transaction: Transaction): Promise<string> {
    const [entry] = await sequelize.query<{ batch: string }>('SELECT batch_id AS batch FROM batch_events WHERE id = $entryId', {
      bind: { entryId },
      type: QueryTypes.SELECT,
      transaction,
    });
    if (entry === undefined) throw new HttpProblem(404, 'not_found', 'The entry that this picture belongs to is not on record.');
    return entry.batch;
  }

  return {
    list,

    /** Puts a picture on an entry. Repeating it puts it there once. */
    put: (id: string, entryId: string, base64: string): Promise<EntryPicture[]> =>
      inTransaction(sequelize, undefined, async (transaction) => {
        const jpeg = jpegOf(base64);
        const batchId = await batchOf(entryId, transaction);
        const isNew = (await pictures.count({ where: { id }, transaction })) === 0;
        const onIt = await pictures.count({ where: { entryId, off: false }, transaction });
        if (isNew && onIt >= MOST_PICTURES) throw new Refusal(`An entry has at most ${MOST_PICTURES} pictures; take one off first.`);
        await pictures.bulkCreate([{ id, batchId, entryId, jpeg, madeAt: new Date(now()) }], { transaction, ignoreDuplicates: true });
        return list(batchId, transaction);
      }),

    /** Takes a picture off its entry, or puts it on again. */
    takeOff: (id: string, isOff: boolean): Promise<EntryPicture[]> =>
      inTransaction(sequelize, undefined, async (transaction) => {
        const row = await pictures.findByPk(id, { attributes: ['id', 'batchId'], transaction });
        if (row === null) throw new HttpProblem(404, 'not_found', 'There is no such picture in this cellar.');
        await pictures.update({ off: isOff }, { where: { id }, transaction });
        return list(row.batchId, transaction);
      }),

    async read(id: string): Promise<Buffer> {
      const row = await pictures.findByPk(id, { attributes: ['jpeg'] });
      if (row === null) throw new HttpProblem(404, 'not_found', 'There is no such picture in this cellar.');
      return row.jpeg;
    },

    /**
     * Takes in the pictures of a batch that came in as a file.
     *
     * @returns how many were not here yet
     * @throws Refusal where one is no picture, or of no entry of that batch
     */
    async bring({ id: batchId, name, events, pictures: given = [] }: BatchFile, transaction: Transaction): Promise<number> {
      const entries = new Set(events.map(({ id }) => id));
      if (given.some(({ entryId }) => !entries.has(entryId)))
        throw new Refusal(`“${name}” cannot come in: a picture of it belongs to no entry of it. Nothing was changed.`);
      const before = await pictures.count({ where: { batchId }, transaction });
      await pictures.bulkCreate(
        given.map(({ id, entryId, madeAt, jpeg }) => ({ id, batchId, entryId, madeAt: new Date(madeAt), jpeg: jpegOf(jpeg) })),
        { transaction, ignoreDuplicates: true },
      );
      return (await pictures.count({ where: { batchId }, transaction })) - before;
    },
  };
}

export type PictureStore = ReturnType<typeof pictureStore>;
