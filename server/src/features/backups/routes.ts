/* Backups that the program makes of its own database. */
import { createReadStream } from 'node:fs';
import { join } from 'node:path';
import type { Backup, Backups } from '@hollow-bell/contract';
import type { FastifyPluginAsyncZod } from 'fastify-type-provider-zod';
import { z } from 'zod';
import { HttpProblem } from '../../http/errors.ts';
import { served } from '../../http/served.ts';

/** The folder of backups; whoever starts the program has PostgreSQL's programs at hand, and brings it. */
export interface BackupKeeper {
  folder: string;
  list: () => Backup[];
  write: (why: Backup['why']) => Promise<string>;
}

/** A cellar of many years on a small machine. */
const LONGEST_MS = 300_000;

/** @param keeper null where the database is kept elsewhere */
export const backupRoutes =
  (keeper: BackupKeeper | null): FastifyPluginAsyncZod =>
  async (app) => {
    const listed = (): Backups =>
      keeper === null ? { isKept: false, backups: [] } : { isKept: true, folder: keeper.folder, backups: keeper.list() };
    const mustKeep = (): BackupKeeper => {
      if (keeper === null) throw new HttpProblem(409, 'not_allowed', 'This cellar’s database is kept elsewhere; it is backed up there.');
      return keeper;
    };
    /** One at a time. */
    let writing: Promise<unknown> | null = null;

    app.route({ ...served('backups'), handler: () => Promise.resolve(listed()) });
    app.route({
      ...served('makeBackup'),
      handlerTimeout: LONGEST_MS,
      handler: async () => {
        const { write } = mustKeep();
        writing ??= write('by-hand').finally(() => {
          writing = null;
        });
        await writing;
        return listed();
      },
    });
    app.get(
      '/backups/:name',
      { config: { door: 'maker' }, schema: { params: z.object({ name: z.string().max(120) }), response: { 200: z.any() } } },
      (request, reply) => {
        const { folder, list } = mustKeep();
        const found = list().find(({ name }) => name === request.params.name);
        if (found === undefined)
          throw new HttpProblem(404, 'not_found', 'There is no backup of that name; newer ones may have taken its place.');
        return reply
          .type('application/octet-stream')
          .header('content-disposition', `attachment; filename="${found.name}"`)
          .send(createReadStream(join(folder, found.name)));
      },
    );
  };
